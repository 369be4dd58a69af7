import { expect, test } from './test';
import { inspector, LONG_PIECE_M, openBeat, settled, smallBeat } from './page';
import { styled } from './styled';

test('the water is read: pieces, seams, foam, ways of leaves, and a probe by pointer and by keys', async ({
  page,
}) => {
  await openBeat(page);
  const over = page.getByRole('group', { name: 'Over the water' });
  await expect(page.locator('[data-label=piece] text:first-of-type').first()).toBeVisible();
  expect(await page.locator('[data-label=piece] text:first-of-type').allTextContents()).toContain(
    'riffle',
  );
  await over.getByLabel('Pieces').uncheck();
  await expect(page.locator('[data-label=piece] text:first-of-type')).toHaveCount(0);
  for (const [name, line] of [
    ['Seams', '.seamLine'],
    ['Foam lines', '.foamLine'],
    ['Ways of leaves', '.leafLine'],
  ] as const) {
    await over.getByLabel(name).check();
    expect((await page.locator(styled(line)).first().getAttribute('d'))!.length).toBeGreaterThan(
      50,
    );
  }
  await expect(
    page
      .locator(styled('.plan text'))
      .filter({ hasText: /^\d+ s$/ })
      .first(),
  ).toBeVisible();

  await over.getByLabel('Measured places').check();
  await expect(page.locator('[data-part=measured]').first()).toBeVisible();
  await expect(page.getByText(/Not set by any reading here: pace ±10 %/)).toBeVisible();

  const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
  await page.mouse.move(plan.x + 13 * 24, plan.y + plan.height / 2 - 6);
  const words = inspector(page).locator(styled('.probeWords'));
  await expect(words).toHaveText(/^\d\.\d\d m, [a-z ]+ deep, [a-z ]+\. [A-Z].*Froude \d\.\d\d\.$/);
  await page.mouse.move(plan.x + 200, plan.y + plan.height - 30);
  await expect(words).toContainText('Dry ground.');
  await page.getByRole('button', { name: 'Probe with the arrow keys' }).click();
  const probe = page.getByRole('button', { name: /^Probe: \d/ });
  await expect(probe).toBeFocused();
  const before = await words.innerText();
  for (let n = 0; n < 4; n++) await page.keyboard.press('Shift+ArrowUp');
  await expect.poll(() => words.innerText()).not.toBe(before);
});

test('another level beside it says what changes; what is solved once is there at once', async ({
  page,
}) => {
  await page.goto(await smallBeat(page, 'e2e-two-levels', LONG_PIECE_M));
  await settled(page);
  const compare = page.getByLabel('Beside it, what changes at');
  await compare.selectOption('Thin');
  await expect(page.getByText(/^Solving Thin: \d+ %\.$/)).toBeVisible();
  const table = inspector(page).getByRole('table').filter({ hasText: 'What changes' });
  await expect(table).toBeVisible();
  const wet = await table.getByRole('row', { name: /^Wet/ }).locator('td').allInnerTexts();
  expect(parseFloat(wet[1]!)).toBeLessThan(parseFloat(wet[0]!));
  await compare.selectOption('');
  await expect(page.locator(styled('.section'))).toBeVisible();
  await page.getByRole('radio', { name: 'Thin', exact: true }).click();
  await expect(page).toHaveURL(/level=thin/);
  await expect(page.locator('[data-part=flow-status]')).toHaveCount(0);
  await expect(inspector(page).getByText(/^Thin: \d\.\d\d m³\/s, guessed/)).toBeVisible();
});

test('a sharper picture runs in the background and can be stopped', async ({ page }) => {
  await openBeat(page);
  await page.getByRole('button', { name: 'Sharpen to 0.1 m' }).click();
  await expect(page.getByText(/^Sharpening to 0.1 m: \d+ %$/)).toBeVisible();
  await expect(page.locator(styled('.lie')).first()).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.locator('[data-part=sharp-status]')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Sharpen to 0.1 m' })).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('the machine that serves the page solves the water, with progress, and keeps it', async ({
    page,
  }) => {
    const solves: string[] = [];
    page.on('request', (r) => {
      if (r.url().endsWith('/api/v1/solves') && r.method() === 'POST') solves.push(r.url());
    });
    // It may be done before anybody looks: what was said meanwhile is kept.
    await page.addInitScript(() => {
      const said = ((window as unknown as { said: string[] }).said = [] as string[]);
      new MutationObserver(() => {
        const text = document.querySelector('[data-part=flow-status]')?.textContent;
        if (text && text !== said.at(-1)) said.push(text);
      }).observe(document, { childList: true, subtree: true, characterData: true });
    });
    await page.goto(await smallBeat(page, 'e2e-short-reach'));
    await settled(page);
    const said = await page.evaluate(() => (window as unknown as { said: string[] }).said);
    expect(said.some((text) => /^Solving the flow: \d+ %/.test(text))).toBe(true);
    expect(solves).toHaveLength(1);
    await page.reload();
    await settled(page);
    expect(solves).toHaveLength(1);
  });
});
