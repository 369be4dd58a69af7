import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './test';
import { cleanSeconds, drag, inspector, settled, step } from './page';
import { freePort } from './free-port';
import { startServer } from './server';
import { styled } from './styled';

test('one stream, one fish, one plan: from an empty book to a try that outlives the program', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-story-'));
  const port = await freePort();
  let server = await startServer(folder, port);

  // An empty book offers a beat; its flow is solved here, coarse first.
  // What runs in the background is tried elsewhere.
  await page.request.put(`${server.url}/api/v1/settings`, {
    headers: { origin: server.url },
    data: { sharpen: 'when-asked' },
  });
  await page.goto(server.url);
  await expect(page.getByText('This book is empty.')).toBeVisible();
  await page.getByRole('button', { name: 'Take the practice beat' }).click();
  await expect(page).toHaveURL(/\/b\/[0-9a-f-]+\/read/);
  await expect(page.getByText(/Solving the flow: \d+ %/)).toBeVisible();
  await expect(page.locator(styled('.lie')).first()).toBeVisible();
  await settled(page);

  // A lie by the pointer, with its why.
  const lies = await page.locator(styled('.lie')).count();
  expect(lies).toBeGreaterThan(5);
  await page.getByRole('button', { name: 'Show the best lie' }).click();
  await expect(inspector(page).getByText(/^\w+ holds it back\.$/)).toBeVisible();
  await expect(page).toHaveURL(/lie=[0-9a-f]{16}/);
  await page.getByRole('radio', { name: 'Pace' }).click();
  await expect(page.getByText(/^rush,/)).toBeVisible();

  // A fish where the pointer says, its depth and length typed; its ring by posture.
  await step(page, 'Spot').click();
  await page.getByRole('button', { name: 'Mark a fish', exact: true }).click();
  const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
  await page.mouse.click(plan.x + 15.2 * 24, plan.y + plan.height / 2 + 30);
  await expect(inspector(page).getByRole('heading', { name: 'Fish 1' })).toBeVisible();
  await inspector(page).getByLabel('Length').fill('31');
  await inspector(page).getByLabel('Length').press('Enter');
  await expect(page.getByRole('button', { name: /Fish 1 likely, 31 cm/ })).toBeVisible();
  const ringArea = async () =>
    (await page.locator(styled('.ringLine')).boundingBox())!.width *
    (await page.locator(styled('.ringLine')).boundingBox())!.height;
  await page.getByRole('radio', { name: 'Kneel' }).click();
  await expect(page.getByText('if you kneel, seen inside')).toBeVisible();
  const kneeling = await ringArea();
  await page.getByRole('radio', { name: 'Stand' }).click();
  await expect.poll(ringArea).toBeGreaterThan(kneeling);
  await page.getByRole('radio', { name: 'Kneel' }).click();

  // A cast is proposed and then dragged; the figure follows.
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  await expect(
    inspector(page)
      .getByText('clean drift', { exact: true })
      .or(inspector(page).getByText('clean, or more')),
  ).toBeVisible();
  await expect(page).toHaveURL(/stand=.*land=/);
  const linked = page.url();
  const stand = page.getByRole('button', { name: /^Stand, x/ });
  const before = await stand.getAttribute('aria-label');
  await drag(page, stand, 40, 10);
  await expect(stand).not.toHaveAttribute('aria-label', before!);
  await expect.poll(() => page.url()).not.toBe(linked);
  // Back to where it was proposed: a way leads there.
  await drag(page, stand, -40, -10);
  await page.getByRole('button', { name: 'All 13 lays' }).click();
  const lays = page.getByRole('list', { name: 'Lays from this stand' });
  await lays.getByRole('button', { name: /^Straight/ }).click();
  await expect(inspector(page).getByText('Straight line.')).toBeVisible();
  expect(await cleanSeconds(page)).toBeGreaterThanOrEqual(0);
  await lays.getByRole('button', { name: /^Reach up/ }).click();
  await expect(page).toHaveURL(/lay=reach.up.1.5/);
  await page.goBack();
  await expect(page).toHaveURL(/lay=straight/);
  await expect(inspector(page).getByText('Straight line.')).toBeVisible();

  // The way there, leg by leg.
  await step(page, 'Stalk').click();
  await expect(inspector(page).locator(styled('.legs li')).first()).toBeVisible();

  // A try, one press an event, one taken back.
  await step(page, 'Log').click();
  await page.getByLabel('Fly', { exact: true }).fill('Olive parachute 16');
  await page.getByRole('button', { name: 'Begin a try' }).click();
  for (const event of ['Nothing', 'Looked', 'Missed'])
    await page.getByRole('button', { name: event, exact: true }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('Missed (taken back)')).toBeVisible();
  await page.getByRole('button', { name: 'Changed', exact: true }).click();
  await page.getByLabel('Fly now').fill('Olive emerger 18');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Took', exact: true }).click();
  await page.getByRole('button', { name: 'Landed', exact: true }).click();
  await page.getByLabel('Its length, cm').fill('500');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Length "500" is outside what a trout can be')).toBeVisible();
  await page.getByLabel('Its length, cm').fill('31');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('row', { name: /3 landed, 31 cm/ })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'waiting' })).toHaveCount(0);

  // The program is stopped and started again: all of it is there.
  const address = page.url().replace(server.url, '');
  await server.stop();
  server = await startServer(folder, port);
  await page.goto(server.url + address);
  await settled(page);
  await expect(page.getByRole('row', { name: /3 landed, 31 cm/ })).toBeVisible();
  await page
    .getByRole('row', { name: /3 landed, 31 cm/ })
    .getByRole('button')
    .click();
  await expect(page.getByText('Missed (taken back)')).toBeVisible();
  await expect(page.getByText('Changed: Olive emerger 18')).toBeVisible();
  await expect(page.getByRole('button', { name: /Fish 1 likely, 31 cm/ })).toBeVisible();

  // The start page says where it was left off, and shows the water that was solved.
  await page.goto(server.url);
  const left = page.getByRole('region', { name: 'Where you left off' });
  await expect(left).toContainText(/1 try, 1 landed\./);
  const picture = page.locator('img[src*="/picture"]').first();
  await expect
    .poll(() => picture.evaluate((e) => (e as HTMLImageElement).naturalWidth))
    .toBeGreaterThan(100);
  await left.getByRole('link', { name: /, Log$/ }).click();
  await expect(page.getByRole('row', { name: /3 landed, 31 cm/ })).toBeVisible();
  await server.stop();
});
