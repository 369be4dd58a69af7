import { expect, test } from './test';
import { readFileSync } from 'node:fs';
import { XMLParser } from 'fast-xml-parser';
import { BEAT, cleanSeconds, drag, inspector, settled, smallBeat } from './page';
import { styled } from './styled';

test('where to cast from: a handful found, one taken, two compared, a lay and a mend chosen, the film, the card', async ({
  page,
}) => {
  await page.goto(`${BEAT}/cast?mark=demo-mark-1`);
  await settled(page);
  const panel = inspector(page);
  const shots = page.locator(styled('.shots > li'));
  await expect(shots).not.toHaveCount(0);
  await expect(panel.getByText(/casts from .* stands weighed/)).toBeVisible();
  await expect(panel.getByText('What loses')).toBeVisible();
  // The best was taken: its stand is the link's.
  await expect(page).toHaveURL(/stand=.*land=/);
  await expect(shots.first().getByRole('button')).toHaveAttribute('aria-pressed', 'true');

  // One number: in the handful, in the large figure, on the rail.
  const figure = (text: string) => Number(/(\d+)\s*in\s*100/.exec(text)![1]);
  const large = panel.locator('[data-part=chance]');
  await expect
    .poll(async () =>
      Math.abs(
        figure(await large.innerText()) -
          figure(await shots.first().getByRole('button').innerText()),
      ),
    )
    .toBeLessThanOrEqual(5);
  await expect
    .poll(
      async () =>
        figure(await page.getByRole('navigation', { name: 'Steps' }).innerText()) ===
        figure(await large.innerText()),
    )
    .toBe(true);
  await expect(panel.getByText(/^home \d+ · calm on the way \d+/)).toBeVisible();
  await expect(panel.getByText(/Held back:/).first()).toBeVisible();
  await expect(panel.getByText(/If it takes/).first()).toBeVisible();

  const first = page.url();
  await shots.nth(1).getByRole('button').click();
  await expect.poll(() => page.url()).not.toBe(first);
  await page.goBack();
  await expect(shots.first().getByRole('button')).toHaveAttribute('aria-pressed', 'true');
  // Numbered on the plan too, and taken there by keys.
  await page.getByRole('button', { name: /^Shot 2/ }).press('Enter');
  await expect(shots.nth(1).getByRole('button')).toHaveAttribute('aria-pressed', 'true');
  for (const n of [0, 1]) await shots.nth(n).getByRole('checkbox').check();
  const side = panel.getByRole('table', { name: 'Side by side' });
  await expect(side.getByRole('columnheader')).toHaveCount(2);
  await expect(page.locator(styled('.plan .compared'))).not.toHaveCount(0);

  // Every lay from here on one scale; the figure follows the one that is taken.
  await panel.getByRole('button', { name: 'All 13 lays' }).click();
  const lays = panel.getByRole('list', { name: 'Lays from this stand' });
  await expect(lays.getByRole('button')).toHaveCount(13);
  await lays.getByRole('button', { name: /^Slack/ }).click();
  await expect(page).toHaveURL(/lay=slack/);
  await panel.getByRole('radio', { name: 'a third' }).click();
  await expect(page).toHaveURL(/lay=slack.0.30/);
  const told = lays.getByRole('button', { name: /^Slack/ }).locator('em');
  await expect
    .poll(async () =>
      Math.abs((await cleanSeconds(page)) - Number(/([\d.]+) s/.exec(await told.innerText())?.[1])),
    )
    .toBeLessThan(0.06);

  // The film: scrubbed by keys, played, and laid again.
  const film = panel.getByRole('slider', { name: 'Moment of the drift' });
  await expect(film).toBeEnabled();
  await film.focus();
  for (let n = 0; n < 4; n++) await page.keyboard.press('ArrowRight');
  await expect(film).toHaveAttribute('aria-valuetext', /^At 0.2 s/);
  await expect(page.locator(styled('.plan .flyNow'))).toBeVisible();
  await expect(page.locator(styled('.section .flyNow'))).toBeVisible();
  await panel.getByRole('button', { name: 'Play the drift' }).click();
  await panel.getByRole('button', { name: 'Stop' }).click();
  await panel.getByRole('button', { name: 'As laid' }).click();
  await expect(page.locator(styled('.plan .flyNow'))).toHaveCount(0);

  // Pin, and look again: every shot is of that lay.
  await panel.getByText(/^Your say/).click();
  await panel.getByRole('button', { name: 'Only slack' }).click();
  await panel.getByRole('button', { name: 'Look again' }).click();
  await expect
    .poll(async () =>
      (await shots.getByRole('button').allInnerTexts()).every((t) => /^\d+ in 100: Slack/.test(t)),
    )
    .toBe(true);
  await panel.getByRole('button', { name: 'Take it all back' }).click();

  // Wind and room; the whole water in order.
  await panel.getByRole('radio', { name: 'down the valley', exact: true }).click();
  await expect(panel.getByText(/Not known where it comes from/)).toHaveCount(0);
  await panel.getByRole('button', { name: 'Cover the whole water' }).click();
  await expect(
    panel.getByRole('table', { name: /In this order/ }).getByRole('row'),
  ).not.toHaveCount(1);
  await panel.getByRole('radio', { name: 'not known', exact: true }).click();

  await panel.getByRole('link', { name: 'The card' }).click();
  await expect(page.locator(styled('.cardLines'))).toContainText('Lead');
  await expect(page.locator(styled('[data-part=card-plan] .flyLine'))).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save the drawing/ }).click();
  const file = readFileSync((await (await download).path())!, 'utf8');
  expect(new XMLParser({ ignoreAttributes: false }).parse(file)).toHaveProperty('svg.svg');
  // It stands alone: nothing hangs on a stylesheet, and all of it is black, white or grey.
  expect(file).not.toMatch(/class=|var\(--/);
  for (const [, r, g, b] of file.matchAll(/rgb\((\d+), (\d+), (\d+)\)/g))
    expect(Math.max(+r!, +g!, +b!) - Math.min(+r!, +g!, +b!)).toBe(0);
  await page.getByRole('radio', { name: 'the whole beat' }).click();
  await expect(page.locator(styled('.planned'))).toHaveCount(2);
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator(styled('.cardTools'))).toBeHidden();
});

test('dragging the stand: drift, room and lining follow; a dead end says so', async ({ page }) => {
  await page.goto(`${BEAT}/cast?mark=demo-mark-1`);
  await settled(page);
  const panel = inspector(page);
  await expect(page.locator(styled('.shots > li'))).not.toHaveCount(0);
  const facts = panel.locator('[data-part=facts]').first();
  const before = await facts.innerText();
  await drag(page, page.getByRole('button', { name: /^Stand, x/ }), 60, 20);
  await expect.poll(() => facts.innerText()).not.toBe(before);
  await expect(page.locator(styled('.plan .room'))).toBeVisible();
  await panel.getByText(/^Your say/).click();
  for (let n = 0; n < 13; n++) {
    const without = panel.getByRole('button', { name: 'Not this lay' });
    await without.click();
    const lays = panel.getByRole('list', { name: 'Lays from this stand' });
    const all = panel.getByRole('button', { name: 'All 13 lays' });
    if (await all.isVisible()) await all.click();
    await lays.getByRole('button').nth(n).click();
  }
  await panel.getByRole('button', { name: 'Not this lay' }).click();
  await panel.getByRole('button', { name: 'Look again' }).click();
  await expect(panel.getByText('Every lay has been left out. Allow one again.')).toBeVisible();
});

test('a lie nobody has seen a fish in, on a beat of one’s own', async ({ page }) => {
  await page.goto(await smallBeat(page, 'cast-own'));
  await settled(page);
  await page.getByRole('button', { name: 'Show the best lie' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('button', { name: 'Cast' })
    .click();
  const panel = inspector(page);
  await expect(page.locator(styled('.shots > li'))).not.toHaveCount(0);
  await expect(panel.getByRole('heading', { name: /^The fish in the lie, from/ })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await panel.getByRole('link', { name: 'The card' }).click();
  await expect(page.locator(styled('.cardLines'))).toContainText('Stand');
});
