import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';
import { expect, test, type Page } from './test';
import { inspector, step } from './page';

/** A date before those that other checks write into: a warm Saturday, the evening before. */
const DAY = '/b/withy-bend/day?at=2026-06-06T05:55';

/** The answer of the book to what was told, before the page goes on. */
const told = (page: Page, path: RegExp, method = 'PUT') =>
  page.waitForResponse((r) => path.test(r.url()) && r.request().method() === method && r.ok());
const title = (page: Page) => inspector(page).getByRole('heading', { level: 2 });

test('the evening before: the weather told, a reading typed, another order, the calendar', async ({
  page,
}) => {
  await page.goto(DAY);
  const day = inspector(page);
  await expect(day.getByText('No water was read yet')).toBeVisible();
  await day.getByText('Weather and level', { exact: false }).click();
  for (const [label, air] of [
    ['Air, coldest °C', '12'],
    ['Air, warmest °C', '27'],
  ] as const) {
    const kept = told(page, /\/day\/dates\/2026-06-06$/);
    await day.getByLabel(label).fill(air);
    await day.getByLabel(label).press('Enter');
    await kept;
  }
  await expect(title(page)).toHaveText(/first/);
  await expect(day.getByText('Heat, for the fish first.')).toBeVisible();

  // A warm dawn at the lowest beat moves every curve of its stream, at once and after a reload.
  const rowTemp = () => page.locator('svg[role=presentation] text', { hasText: /°C$/ });
  const before = await rowTemp().allTextContents();
  await day.getByLabel('Hour', { exact: true }).fill('5:55');
  await day.getByLabel('Water, °C').fill('16,4');
  const kept = told(page, /\/readings\//);
  await day.getByRole('button', { name: 'Keep', exact: true }).click();
  await kept;
  await expect(day.getByRole('row', { name: /5:55 Withy Bend 16.4 °C/ })).toBeVisible();
  await expect.poll(() => rowTemp().allTextContents()).not.toEqual(before);
  await page.reload();
  await expect(day.getByRole('row', { name: /5:55 Withy Bend 16.4 °C/ })).toBeVisible();
  await expect(title(page)).toHaveText(/first/);

  // The order turned round costs, is kept, and is given back.
  const turned = day.getByRole('region', { name: 'Another order' }).getByRole('button').first();
  const ordered = told(page, /\/day\/dates\//);
  await turned.click();
  await ordered;
  await expect(day.getByText(/Set by hand/)).toBeVisible();
  await expect(day.getByText(/Against the best it costs|does not fit|costs nothing/)).toBeVisible();
  await day.getByRole('button', { name: 'Back to the best' }).click();
  await expect(day.getByText(/Set by hand/)).toHaveCount(0);

  const download = page.waitForEvent('download');
  await day.getByRole('button', { name: 'Day for a calendar (.ics)' }).click();
  const file = await (await download).path();
  const events = new ICAL.Component(ICAL.parse(readFileSync(file, 'utf8'))).getAllSubcomponents(
    'vevent',
  );
  expect(events.length).toBeGreaterThan(0);
});

test('the step shows the water of its hour, and every other step takes it', async ({ page }) => {
  await page.goto(DAY);
  const hour = page.getByRole('slider', { name: 'Hour of the day' });
  await hour.focus();
  for (let n = 0; n < 8; n++) await page.keyboard.press('PageUp');
  await expect(hour).toHaveAttribute('aria-valuetext', '13:55');
  await step(page, 'Read').click();
  const strip = page.getByRole('slider', { name: 'Hour of the day' });
  await expect(strip).toHaveAttribute('aria-valuetext', /13:55, water (1[4-9]|2\d)\.\d °C/);
  const at = async () => /water ([\d.]+)/.exec((await strip.getAttribute('aria-valuetext'))!)![1]!;
  const noon = Number(await at());
  await expect(
    inspector(page)
      .getByText(`at ${noon.toFixed(1)} °C`)
      .first(),
  ).toBeVisible();
  await strip.focus();
  for (let n = 0; n < 8; n++) await page.keyboard.press('PageDown');
  await expect.poll(async () => Number(await at())).toBeLessThan(noon - 1);
});

test('a logger’s file, the stand-ins, and a reading taken out again', async ({ page }) => {
  await page.goto('/b/tansy-glide/day?at=2026-06-05T07:00');
  const day = inspector(page);
  await expect(day.getByText('No reading yet: type one', { exact: false })).toBeVisible();
  const csv = 'time,water_c\n2026-06-05T06:00,12.1\n2026-06-05T07:00,12.4\n2026-06-05T08:00,warm\n';
  await day
    .locator('input[type=file]')
    .setInputFiles({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(day.getByText('2 readings would be taken, 1 left:')).toBeVisible();
  await expect(day.getByText(/Line 4: water_c is "warm"/)).toBeVisible();
  await day.getByRole('button', { name: 'Take 2' }).click();
  await expect(day.getByText('2 readings taken for Tansy Glide.')).toBeVisible();
  for (const what of ['12.4 °C of 7:00', '12.1 °C of 6:00']) {
    const gone = told(page, /\/readings\//, 'DELETE');
    await day.getByRole('button', { name: `Take ${what} out` }).click();
    await gone;
  }
  await expect(day.getByText('No reading yet: type one', { exact: false })).toBeVisible();
  await day.getByText('Weather and level', { exact: false }).click();
  const weather = told(page, /\/day\/dates\//);
  await day.getByRole('button', { name: 'From the simulated forecast' }).click();
  await weather;
  await expect(day.getByText('This weather is invented', { exact: false })).toBeVisible();
});

test('a beat is closed by local rules, and left alone', async ({ page }) => {
  await page.goto('/b/withy-bend/day?at=2026-06-04T07:00');
  const day = inspector(page);
  await day.getByText(/^Beats and ways/).click();
  await day.getByText('Rules and shade of Withy Bend').click();
  const closed = day.getByRole('checkbox', { name: 'Closed, by local rules' });
  const kept = told(page, /\/day\/beats\/withy-bend$/);
  await closed.check();
  await kept;
  await expect(
    day.getByRole('region', { name: 'Where and when' }).getByText('Withy Bend', { exact: true }),
  ).toHaveCount(0);
  const hours = day.getByLabel('Withy Bend is open, by local rules');
  await hours.fill('14:00 to 6:00');
  await hours.press('Enter');
  await expect(day.getByText(/The hours are "14:00 to 6:00"/)).toBeVisible();
  await hours.press('Escape');
  const open = told(page, /\/day\/beats\/withy-bend$/);
  await closed.uncheck();
  await open;
});

test('without the server what was told is kept, and the day says that it could not be opened', async ({
  page,
}) => {
  await page.route('**/api/v1/day?**', (route) => route.abort());
  await page.goto('/b/withy-bend/day?at=2026-06-03T07:00');
  await expect(
    inspector(page).getByText('The day could not be opened', { exact: false }),
  ).toBeVisible();
  await page.unroute('**/api/v1/day?**');
  await step(page, 'Read').click();
  await step(page, 'Day').click();
  await expect(title(page)).not.toHaveText('Day');
});
