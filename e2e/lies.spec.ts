import { expect, test } from './test';
import { inspector, openBeat, slideTo } from './page';
import { styled } from './styled';

test('another fish, another method, another day: the same water rated anew, and why it differs', async ({
  page,
}) => {
  await openBeat(page);
  const read = inspector(page);
  await expect(read.getByText(/lies for a brown trout of 25 cm at/)).toBeVisible();
  await read.getByText('Another fish, another water').click();
  await read.getByRole('radio', { name: 'Rainbow' }).click();
  await expect(read.getByText(/lies for a rainbow trout of 25 cm/)).toBeVisible();
  await read.getByLabel(/^Length/).fill('300');
  await page.keyboard.press('Enter');
  await expect(read.getByText('Length "300" is outside what a trout can be')).toBeVisible();
  await page.keyboard.press('Escape');
  await read.getByRole('radio', { name: 'Brown' }).click();

  await read.getByRole('button', { name: 'Lay this day by, to compare' }).click();
  await expect(read.getByText(/No lie has changed/)).toBeVisible();
  const slider = read.getByRole('slider', { name: /^Water/ });
  await slideTo(slider, 3, 0.5);
  await expect(read.getByText('Water 3.0 °C, tried on')).toBeVisible();
  await expect(page.locator('[data-label=lieChange]').first()).toBeVisible();
  await expect(read.getByText(/Then: Fair, .* Now: Fair, 3\.0 °C/)).toBeVisible();
  await read.getByRole('button', { name: /^Back to/ }).click();
  await read.getByRole('button', { name: 'Take the other day away' }).click();

  await read.getByText('Where another method parts from it').click();
  await read
    .getByRole('radiogroup', { name: 'Lay beside it' })
    .getByRole('radio', { name: 'Cover first' })
    .click();
  await expect(read.getByText(/of the 10 best are shared/)).toBeVisible();

  const list = read.getByRole('table').filter({ hasText: 'Keeps to' });
  await list.getByRole('button', { name: 'Depth' }).click();
  const depths = await list.locator('tbody td:nth-child(3)').allTextContents();
  const metres = depths.map((t) => parseFloat(t));
  expect(metres).toEqual([...metres].sort((a, b) => b - a));
  const all = await page.locator(styled('.plan .lie')).count();
  await read.getByText('Show fewer').click();
  await read.getByLabel('Rating').selectOption('70');
  await expect.poll(() => page.locator(styled('.plan .lie')).count()).toBeLessThan(all);
  await read.getByLabel('Rating').selectOption('0');
});

test('a lie says what would change it and what is worth measuring; a blank counts', async ({
  page,
}) => {
  await openBeat(page);
  const read = inspector(page);
  await read.getByRole('button', { name: 'Show the best lie' }).click();
  await expect(read.getByRole('heading', { name: 'What would change it' })).toBeVisible();
  await expect(read.getByRole('heading', { name: 'Worth measuring' })).toBeVisible();
  await read.getByRole('button', { name: 'It drew blank' }).click();
  await expect(read.getByText(/0 found, 1 drawn blank\. No pattern yet/)).toBeVisible();
});

test('quick read on a phone: told, timed, kept without a network, pinned to a beat, placed there', async ({
  page,
}) => {
  await page.clock.install();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await page.getByRole('link', { name: /^Quick read/ }).click();
  const verdict = page.locator(styled('.verdict'));
  await expect(verdict).toHaveText('Worth a cast');
  await slideTo(page.getByRole('slider', { name: 'Depth' }), 0.12, 0.01);
  await expect(verdict).toHaveText('Walk on');
  await slideTo(page.getByRole('slider', { name: 'Depth' }), 0.6, 0.01);
  await page.getByRole('button', { name: 'Boughs over it' }).click();
  await page.getByRole('button', { name: /^Time a leaf over/ }).click();
  await page.clock.fastForward(6_000);
  await page.getByRole('button', { name: /Tap at/ }).click();
  await expect(page.getByText(/^6\.\d s over 3\.0 m: 0\.[45]\d m\/s\./)).toBeVisible();
  await page.getByLabel(/^Water/).fill('68');
  await page.keyboard.press('Enter');
  await expect(page.locator(styled('.told .problem'))).toContainText('20');
  await page.getByLabel(/^Water/).fill('12');
  await page.keyboard.press('Enter');
  await page.getByLabel('Note').fill('below the thorn');
  await page.getByRole('button', { name: 'Why, and what to try' }).click();
  await expect(page.locator(styled('.answerMore'))).toContainText('Under the boughs.');

  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Keep this read' }).click();
  await expect(
    page.getByText(/Saved on this phone|Not sent yet|not saved yet|kept on this device/i),
  ).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText('Kept in the book.')).toBeVisible({ timeout: 15000 });

  await page.getByRole('button', { name: 'Less' }).click();
  const sent = page.waitForResponse((r) => r.url().includes('/api/v1/reads/') && r.ok());
  await page.getByLabel('Beat of this read').selectOption('withy-bend');
  await sent;
  await page.reload();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('link', { name: 'Place it on the plan' }).click();
  await expect(page.locator(styled('.plan .lie')).first()).toBeVisible();
  const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
  const kept = page.waitForResponse((r) => r.url().includes('/api/v1/reads/') && r.ok());
  await page.mouse.click(plan.x + plan.width / 2, plan.y + plan.height / 2);
  await kept;
  await expect(page.locator('[data-label=told]')).toHaveText('as told');
});
