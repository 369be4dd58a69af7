import { test, type Page } from '@playwright/test';
import { inspector, openBeat } from './page';

/** docs/screenshots/: one picture of each main view, from the demo. */
const FOLDER = 'docs/screenshots';
const shot = async (page: Page, name: string) => {
  await page.evaluate(() => document.fonts.ready);
  await page.evaluate(() => window.scrollTo(0, 0));
  // The canvas is painted by a worker: wait until it shows what the key says.
  await page.waitForFunction(
    () =>
      !document.querySelector('.plan') ||
      ['depth', 'pace'].includes(
        document.querySelector<HTMLElement>('.plan canvas')?.dataset.shows ?? '',
      ),
  );
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
};
const theme = (page: Page, t: 'light' | 'dark') =>
  page.addInitScript((v) => localStorage.setItem('theme', v), t);

test('desk', async ({ page }) => {
  await theme(page, 'light');
  await page.goto('/');
  await shot(page, 'start');
  await openBeat(page);
  await page.getByRole('button', { name: 'Show the best lie' }).click();
  await shot(page, 'read');
  await page.getByRole('radio', { name: 'Pace' }).click();
  await page.locator('.plan canvas[data-shows=pace]').waitFor();
  await shot(page, 'read-pace');
  await openBeat(page, 'spot?mark=demo-mark-1&posture=kneel');
  await page.locator('.ring-line').waitFor();
  await shot(page, 'spot');
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  await inspector(page).locator('.large').waitFor();
  await page.locator('.strip-seen').waitFor();
  await shot(page, 'cast');
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('button', { name: 'Stalk' })
    .click();
  await inspector(page).locator('.legs').waitFor();
  await shot(page, 'stalk');
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('button', { name: 'Log' })
    .click();
  await page.getByLabel('Fly', { exact: true }).fill('Olive parachute 16');
  await page.getByRole('button', { name: 'Begin a try' }).click();
  await page.getByRole('button', { name: 'Nothing', exact: true }).click();
  await page.getByRole('button', { name: 'Looked', exact: true }).click();
  await shot(page, 'log');
});

test('dusk', async ({ page }) => {
  await theme(page, 'dark');
  await openBeat(page, 'spot?mark=demo-mark-1&posture=kneel');
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  await inspector(page).locator('.large').waitFor();
  await page.locator('.strip-seen').waitFor();
  await shot(page, 'cast-dusk');
});

test('phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await theme(page, 'light');
  await openBeat(page);
  await shot(page, 'phone-read');
  await openBeat(page, 'spot?mark=demo-mark-1');
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  await inspector(page).locator('.large').waitFor();
  await shot(page, 'phone-cast');
});
