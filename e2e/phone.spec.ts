import { expect, test } from './test';
import { drag, inspector, openBeat, step } from './page';
import { styled } from './styled';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test('one sheet in three heights, its tabs, and what is set for the day', async ({ page }) => {
  await openBeat(page, 'read?mark=demo-mark-1');
  const sheet = inspector(page);
  const heightOf = async () => (await sheet.boundingBox())!.height;
  const half = await heightOf();
  const grip = sheet.getByRole('button', { name: /^Height of the sheet/ });
  await grip.press('ArrowUp');
  await expect.poll(heightOf).toBeGreaterThan(half + 100);
  await grip.click();
  await expect.poll(heightOf).toBeLessThan(half - 100);
  await grip.click();
  await expect.poll(heightOf).toBe(half);

  await sheet.getByRole('tab', { name: 'Why' }).press('ArrowRight');
  await expect(sheet.getByRole('img', { name: /^Long section/ })).toBeVisible();
  await sheet.getByRole('tab', { name: 'List' }).click();
  await sheet.getByRole('button', { name: /^Fish 2/ }).click();
  // What was just chosen is told.
  await expect(sheet.getByRole('tab', { name: 'Why' })).toHaveAttribute('aria-selected', 'true');

  await page.getByRole('button', { name: /^Fair/ }).click();
  const day = page.getByRole('dialog', { name: 'The day' });
  await expect(day.getByRole('radio', { name: 'Fair' })).toBeChecked();
  await day.getByRole('button', { name: /^Units/ }).click();
  await expect(day.getByLabel('Water temperature, °F')).toBeVisible();
  const kept = page.waitForResponse((r) => r.url().includes('/api/v1/settings') && r.ok());
  await day.getByRole('button', { name: /^Units/ }).click();
  await kept;
  await page.keyboard.press('Escape');
  await expect(day).toHaveCount(0);
});

test('a drag moves only what is taken by its handle; turned on its side the place is kept', async ({
  page,
}) => {
  await openBeat(page, 'cast?mark=demo-mark-1');
  const stand = page.getByRole('button', { name: /^Stand, x/ });
  await expect(stand).toBeVisible();
  await expect(page.locator(styled('.shots > li'))).not.toHaveCount(0);
  for (const handle of await page.locator(styled('.plan .handleArea')).all()) {
    const box = await handle.boundingBox();
    expect(Math.min(box!.width, box!.height)).toBeGreaterThanOrEqual(44);
  }
  const where = () => stand.getAttribute('aria-label');
  const before = await where();
  // Over open ground the paper moves, and nothing on it.
  const box = (await stand.boundingBox())!;
  await page.mouse.move(box.x - 60, box.y - 20);
  await page.mouse.down();
  await page.mouse.move(box.x - 30, box.y - 10, { steps: 4 });
  await page.mouse.up();
  expect(await where()).toBe(before);
  await expect.poll(async () => (await stand.boundingBox())!.x).not.toBe(box.x);
  await drag(page, stand, -24, -10);
  await expect.poll(where).not.toBe(before);

  const inView = async () => {
    const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
    const fish = (await page.getByRole('button', { name: /^Fish 1/ }).boundingBox())!;
    const [x, y] = [fish.x + fish.width / 2, fish.y + fish.height / 2];
    return x > plan.x && x < plan.x + plan.width && y > plan.y && y < plan.y + plan.height;
  };
  expect(await inView()).toBe(true);
  await page.setViewportSize({ width: 844, height: 390 });
  await expect.poll(inView).toBe(true);
  await expect(step(page, 'Cast')).toHaveAttribute('aria-current', 'step');
  await page.setViewportSize({ width: 390, height: 844 });
  await expect.poll(inView).toBe(true);
});
