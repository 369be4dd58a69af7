import { readFileSync } from 'node:fs';
import type { Result, RunOptions } from 'axe-core';
import { expect, test, type Page } from './test';
import { BEAT, inspector, openBeat } from './page';
import { styled } from './styled';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');
declare const axe: { run(options: RunOptions): Promise<{ violations: Result[] }> };

/** Asked for nothing but what is wrong, and put into a page once, it takes a third of the time. */
async function analysed(page: Page, theme: 'light' | 'dark'): Promise<Result[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(
    async (options) => (await axe.run(options)).violations,
    // What is not colour is the same in both themes.
    {
      resultTypes: ['violations'],
      ...(theme === 'dark' && { runOnly: ['color-contrast'] }),
    } satisfies RunOptions,
  );
}

/** At both sizes. */
async function check(page: Page, theme: 'light' | 'dark'): Promise<void> {
  for (const size of [DESK, PHONE]) {
    await page.setViewportSize(size);
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
    // What is being computed anew is shown pale, for a moment: not what is looked at here.
    await expect(page.locator(styled('.inspector .stale'))).toHaveCount(0);
    await expect(page.locator(styled('.nextMove[data-old]'))).toHaveCount(0);
    const violations = await analysed(page, theme);
    expect(
      violations.map(
        (v) => `${size.width}: ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join('; ')}`,
      ),
    ).toEqual([]);
    const beyond = await page.evaluate(
      () => document.documentElement.scrollWidth - window.innerWidth,
    );
    expect(beyond, `${page.url()} scrolls sideways at ${size.width}`).toBeLessThanOrEqual(0);
  }
  await page.setViewportSize(DESK);
}

for (const theme of ['light', 'dark'] as const) {
  test(`no violations, ${theme === 'light' ? 'noon' : 'dusk'} light`, async ({ page }) => {
    // Every page, every step, every disclosure: the analysis itself takes most of it.
    await page.addInitScript((t) => localStorage.setItem('theme', t), theme);
    await page.goto('/');
    await check(page, theme);
    await page.goto('/settings');
    await check(page, theme);
    await page.goto('/make/sketch/e2e-axe-1?beat=kettle-slot');
    await page.getByRole('button', { name: /^3 plunge/ }).click();
    await page.getByRole('button', { name: 'Tree in piece 3' }).click();
    await check(page, theme);
    await page.goto('/make/survey/e2e-axe-2?beat=withy-bend');
    await page.getByRole('button', { name: /^Section 1/ }).click();
    await page.getByRole('button', { name: 'Where to sound next' }).click();
    for (const what of ['Levels and how', 'Where it lies', 'Trace over', 'CSV, in'])
      await page.getByText(what).click();
    await check(page, theme);
    for (const path of ['/phones', '/pair', '/trust', '/outings', '/outing#/readings']) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await check(page, theme);
    }
    // A beat of its own: other checks count what was tried on the first one.
    await page.goto('/outing#/take');
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Kettle Slot' })
      .getByRole('button', { name: /^Take (along|it anew)$/ })
      .click();
    await page.getByText(/taken Sat 13 June/).waitFor();
    await check(page, theme);
    await page.getByRole('link', { name: 'To the outing' }).click();
    await check(page, theme);
    await page.getByRole('button', { name: /^Cast here|^Go on/ }).click();
    await page.getByRole('button', { name: 'Missed', exact: true }).click();
    await page.getByRole('button', { name: 'Else' }).click();
    await check(page, theme);
    await page.getByRole('button', { name: 'Took', exact: true }).click();
    await page.getByRole('button', { name: 'Landed', exact: true }).click();
    await page.getByText('Landed, and kept in the log.').waitFor();
    await check(page, theme);
    await page.goto('/read');
    await page.getByRole('button', { name: 'Why, and what to try' }).click();
    await page.getByText('Bottom, fish').click();
    await check(page, theme);
    await openBeat(page);
    await page.getByRole('button', { name: 'Show the best lie' }).click();
    for (const what of ['Another fish, another water', 'Where another method', 'Show fewer'])
      await page.getByText(what).click();
    await inspector(page).getByRole('heading', { name: 'Worth measuring' }).waitFor();
    await check(page, theme);
    await page.goto(`${BEAT}/day?at=2026-06-20T06:00`);
    await inspector(page).getByText('Heat, for the fish first.').waitFor();
    for (const what of [
      /^Seen on the water/,
      /^Weather and level/,
      /^Beats and ways/,
      /^Before leaving/,
      /^The day as a table/,
    ])
      await inspector(page).getByText(what).click();
    await inspector(page).getByText('Rules and shade of Sallow Steps').click();
    await check(page, theme);
    await openBeat(page, 'spot?mark=demo-mark-1');
    await expect(page.locator(styled('.ringLine'))).toBeVisible();
    await inspector(page)
      .getByRole('button', { name: /^A now/ })
      .click();
    for (const what of ['What it sees', 'Weather and glasses', 'Note, photograph'])
      await inspector(page).getByText(what, { exact: true }).click();
    await expect(page.locator(styled('.sideRay'))).toBeVisible();
    await check(page, theme);
    await page.getByRole('button', { name: 'Plan the cast' }).click();
    await expect(inspector(page).locator(styled('.large'))).toBeVisible();
    await expect(page.locator(styled('.shots > li'))).not.toHaveCount(0);
    for (const what of [/^Your say/, /^All 13 lays/, /^Cover the whole water/])
      await inspector(page).getByText(what).click();
    for (const n of [0, 1]) await page.locator(styled('.shots input')).nth(n).check();
    await expect(inspector(page).getByRole('table', { name: 'Side by side' })).toBeVisible();
    await check(page, theme);
    const card = await inspector(page).getByRole('link', { name: 'The card' }).getAttribute('href');
    for (const name of ['Stalk', 'Log']) {
      await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name }).click();
      await check(page, theme);
    }
    await page
      .getByRole('navigation', { name: 'Steps' })
      .getByRole('button', { name: 'Bench' })
      .click();
    for (const what of ['Change the rig', 'The fly box'])
      await inspector(page).getByText(what, { exact: true }).click();
    await check(page, theme);
    await page.goto(card!);
    await expect(page.locator(styled('.cardLines'))).toBeVisible();
    await check(page, theme);
  });
}
