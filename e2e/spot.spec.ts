import { expect, test } from './test';
import { BEAT, inspector, openBeat, settled, step } from './page';
import { styled } from './styled';

test('where to look from, and when: a place chosen, dragged by keys, scrubbed through the day', async ({
  page,
}) => {
  await openBeat(page, 'spot?mark=demo-mark-1');
  const spot = inspector(page);
  const first = spot.getByRole('button', { name: /^A now/ });
  await expect(first).toBeVisible();
  await expect(page.locator(styled('.plan .lookout')).first()).toBeVisible();
  await first.click();
  const viewer = page.getByRole('button', { name: 'Where you look from. Arrow keys move it.' });
  await expect(viewer).toBeVisible();
  const words = spot.getByText(/^From where you are:/);
  await expect(words).toBeVisible();
  const strip = page.getByRole('slider', { name: 'Hour of the day' });
  await expect(strip).toHaveAttribute('aria-valuetext', /see it$/);
  const morning = await strip.getAttribute('aria-valuetext');
  await strip.focus();
  await page.keyboard.press('End');
  await expect(strip).not.toHaveAttribute('aria-valuetext', morning!);
  await expect(strip).toHaveAttribute(
    'aria-valuetext',
    /sun down, fewer than 1 in 10 glances see it/,
  );

  await spot.getByText('What it sees', { exact: true }).click();
  const side = spot.locator(styled('.sideRay'));
  await expect(side).toBeVisible();
  const before = await side.getAttribute('aria-label');
  await viewer.focus();
  for (let n = 0; n < 6; n++) await page.keyboard.press('Shift+ArrowDown');
  await expect(side).not.toHaveAttribute('aria-label', before!);
  await spot.getByRole('radio', { name: 'Stand' }).click();
  await expect(spot.locator(styled('.discAngler'))).toBeVisible();

  await spot.getByText('Weather and glasses').click();
  await spot.getByRole('radio', { name: 'grey' }).click();
  await expect(spot.getByRole('radio', { name: 'grey' })).toBeChecked();
  await spot.getByRole('radio', { name: 'clear' }).click();
});

test('rises are tapped; the fish behind them is worked out, marked, seen again, and kept', async ({
  page,
}) => {
  await page.clock.install();
  await openBeat(page, 'spot');
  const spot = inspector(page);
  await spot.getByRole('button', { name: 'Tap rises' }).click();
  const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
  const at = { x: plan.x + 0.4 * plan.width, y: plan.y + plan.height / 2 + 20 };
  for (let n = 0; n < 4; n++) {
    await page.mouse.click(at.x + (n % 2), at.y);
    await page.clock.fastForward(24_000);
  }
  await expect(spot.getByText(/^Every 24 s, .* regular\./)).toBeVisible();
  await expect(spot.getByText(/up-current of its ring/)).toBeVisible();
  await expect(page.locator(styled('.plan .ruleMark'))).toBeVisible();
  await spot.getByRole('button', { name: 'That will do' }).click();
  await spot.getByRole('button', { name: 'Mark it where it lies' }).click();
  await expect(spot.getByRole('radio', { name: 'Rising' })).toBeChecked();

  // Cast at from its ring: 6 to 10 feet up-current of where it shows (common practice).
  await step(page, 'Cast').click();
  await expect(page.locator(styled('.shots > li'))).not.toHaveCount(0);
  const fromRing = spot.locator('dt', { hasText: 'from its ring up to the fly' }).locator('+ dd');
  // The first cast shown may be one of the search still under way: the answer is awaited.
  await expect(async () => {
    const feet = Number.parseFloat(await fromRing.innerText()) / 0.3048;
    expect(feet).toBeGreaterThanOrEqual(6);
    expect(feet).toBeLessThanOrEqual(10);
  }).toPass();
  await step(page, 'Spot').click();

  await spot.getByRole('radio', { name: 'Nymphing' }).click();
  await spot.getByText('Note, photograph, seen before').click();
  await spot.getByLabel('Note').fill('below the long stone');
  await spot.getByRole('heading', { name: /^Fish/ }).click();
  const kept = page.waitForResponse((r) => r.url().includes('/api/v1/marks/') && r.ok());
  await spot.getByRole('button', { name: 'Seen again' }).click();
  await kept;
  await page.reload();
  await settled(page);
  await expect(page.locator('[data-label=ringNumber]')).toHaveCount(5);
  await expect(spot.getByRole('radio', { name: 'Nymphing' })).toBeChecked();
  await spot.getByText('Note, photograph, seen before').click();
  await expect(spot.getByLabel('Note')).toHaveValue('below the long stone');
  await expect(spot.getByRole('list', { name: 'Seen before' })).toContainText('rising');

  await spot.getByLabel('Photograph').setInputFiles({
    name: 'no-picture.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('not a picture'),
  });
  await expect(spot.getByText(/no picture that can be read/)).toBeVisible();
  await spot.getByRole('button', { name: 'Take the mark out' }).click();
  await spot.getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.locator(styled('.plan .ringTap'))).toHaveCount(0);
});

test('a mark on land is refused with a sentence; by bearing and paces it needs a place', async ({
  page,
}) => {
  await page.goto(`${BEAT}/spot`);
  await settled(page);
  const spot = inspector(page);
  await spot.getByText('Mark it by bearing and paces').click();
  await expect(spot.getByText(/Choose a place to look from first/)).toBeVisible();
  await spot.getByRole('button', { name: /^A now/ }).click();
  await spot.getByLabel(/^Bearing/).fill('10');
  await spot.getByLabel('Paces').fill('60');
  await spot.getByRole('button', { name: 'Mark it there' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'No fish can lie there' })).toBeVisible();
});
