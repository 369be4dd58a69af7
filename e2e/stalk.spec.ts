import { expect, test } from './test';
import { readFileSync } from 'node:fs';
import { XMLParser } from 'fast-xml-parser';
import { BEAT, drag, inspector, openBeat, settled, step, OWN } from './page';
import { styled } from './styled';

test('the way there: leg by leg, led by a waypoint, a spot taken out, the order of fish, carried off', async ({
  page,
}) => {
  await page.goto(`${BEAT}/stalk?mark=demo-mark-1`);
  await settled(page);
  const panel = inspector(page);
  await expect(panel.getByRole('heading', { name: 'The way to the stand' })).toBeVisible();
  await expect(panel.locator(styled('.legs li')).first()).toContainText(/(current|water), \w+/);
  await expect(panel.getByText(/^Fish 1 still calm: \d+ in 100$/)).toBeVisible();
  await expect(panel.getByRole('heading', { name: 'What would change it' })).toBeVisible();

  // The chart walks the way, and the plan shows where.
  const chart = panel.getByRole('slider', { name: 'Noticed along the way' });
  // Whatever way comes in meanwhile begins anew, so the keys are pressed until it shows.
  await expect(async () => {
    await chart.press('ArrowRight');
    await expect(chart).toHaveAttribute('aria-valuetext', /m: \d+ in 100/, { timeout: 5000 });
    await expect(page.locator(styled('.plan .pointed'))).toBeVisible({ timeout: 5000 });
  }).toPass();

  // A waypoint by the pointer, moved by keys; a way is kept in the address.
  const spare = page.getByRole('button', { name: /^The way: arrow keys/ });
  // A way that comes in meanwhile moves the handle: it is taken again until it is held.
  await expect(async () => {
    await drag(page, spare, 20, 18);
    await expect(page).toHaveURL(/via=/, { timeout: 5000 });
  }).toPass();
  const waypoint = page.getByRole('button', { name: /^Waypoint 1/ });
  await waypoint.focus();
  await page.keyboard.press('ArrowDown');
  await expect(panel.locator(styled('.legs li')).first()).toBeVisible();
  await panel.getByRole('button', { name: 'Drop the waypoints' }).click();
  await expect(page).not.toHaveURL(/via=/);

  // A spot is taken out by a tap, and let be again by keys.
  await panel.getByRole('button', { name: 'Not there' }).click();
  const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
  await page.mouse.click(plan.x + 160, plan.y + plan.height - 90);
  await panel.getByRole('button', { name: 'Done' }).click();
  await expect(page).toHaveURL(/out=/);
  await page.getByRole('button', { name: /^Spot 1 that was taken out/ }).press('Enter');
  await expect(page).not.toHaveURL(/out=/);

  // The other bank, or why not; the order of the two fish.
  await panel.getByRole('button', { name: 'Come from the other bank' }).click();
  await expect(panel.getByText(/^(Cross with|No safe crossing)/)).toBeVisible();
  await panel.getByRole('button', { name: 'Work out the order' }).click();
  await expect(panel.getByText(/honest looks of 2 fish/)).toBeVisible();
  await expect(page.locator(styled('.led'))).not.toHaveCount(0);

  const download = page.waitForEvent('download');
  await panel.getByRole('button', { name: 'Carry it as GPX' }).click();
  const file = readFileSync((await (await download).path())!, 'utf8');
  const { gpx } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(file);
  expect(gpx.wpt.length).toBeGreaterThanOrEqual(4);
  expect(gpx.trk.trkseg.trkpt.length).toBeGreaterThan(5);
});

test('what cannot be walked is said; a guess that is set changes how the fish notices', async ({
  page,
}) => {
  await page.goto(`${BEAT}/stalk?mark=demo-mark-1&stand=12.00,0.20`);
  await settled(page);
  await expect(inspector(page).getByText(/^No way: the water at the stand/)).toBeVisible();
  await page.goto(`${BEAT}/stalk?mark=demo-mark-1&stand=6.00,-5.00&from=900.00,3.00`);
  await settled(page);
  await expect(inspector(page).getByText(/beyond the land of this beat/)).toBeVisible();
  await step(page, 'Spot').click();
  const reach = inspector(page).getByText(/it sees you inside/);
  const before = await reach.innerText();
  await page.request.put('/api/v1/settings', {
    headers: OWN,
    data: {
      noticing: {
        widthM: 1.2,
        contrastSky: 0.9,
        contrastBank: 0.545,
        contrastPlants: 0.3,
        sunOnAngler: 1.3,
        motionGain: 2,
        tauS: 6,
        footfall: 1,
      },
    },
  });
  await page.reload();
  await settled(page);
  await expect(reach).toBeVisible();
  expect(await reach.innerText()).not.toBe(before);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Back to 0.5' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Kept.' })).toBeVisible();
  await page.getByLabel('Time to alarm').fill('900');
  await page.getByLabel('Time to alarm').press('Enter');
  await expect(page.getByText(/Time to alarm "900"/)).toBeVisible();
});

test('a stand that was moved goes back by a key and by a press; a fish that was marked goes and comes', async ({
  page,
}) => {
  await openBeat(page, 'cast?mark=demo-mark-1');
  const stand = page.getByRole('button', { name: /^Stand, x/ });
  await expect(stand).toBeVisible();
  const before = (await stand.getAttribute('aria-label'))!;
  await stand.focus();
  for (let n = 0; n < 3; n++) await page.keyboard.press('ArrowLeft');
  await expect(stand).not.toHaveAttribute('aria-label', before);
  const moved = (await stand.getAttribute('aria-label'))!;
  for (let n = 0; n < 3; n++) await page.keyboard.press('Control+z');
  await expect(stand).toHaveAttribute('aria-label', before);
  for (let n = 0; n < 3; n++) await page.getByRole('button', { name: 'Redo' }).click();
  await expect(stand).toHaveAttribute('aria-label', moved);
});
