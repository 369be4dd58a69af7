import { expect, test, type Page } from '@playwright/test';
import { openBeat, inspector } from './page';

/** Tabs until the focused element's name matches; fails after a round of the page. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let n = 0; n < 220; n++) {
    await page.keyboard.press('Tab');
    const text = await page.evaluate(() => {
      const e = document.activeElement;
      return e && e !== document.body
        ? `${e.getAttribute('aria-label') ?? ''} ${e.textContent ?? ''}`.trim()
        : '';
    });
    if (name.test(text)) return;
  }
  throw new Error(`no focus on ${name} after 220 tabs`);
}

test('lie, fish, cast, hour and try without a pointer', async ({ page }) => {
  await openBeat(page);
  await tabTo(page, /^Foot of the step/);
  await page.keyboard.press('Enter');
  await expect(inspector(page).getByRole('heading', { name: 'Foot of the step' })).toBeVisible();
  await tabTo(page, /^Mark a fish here/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Fish 3 likely/ })).toBeVisible();
  await tabTo(page, /^5Cast/);
  await page.keyboard.press('Enter');
  const stand = page.getByRole('button', { name: /^Stand, x/ });
  await expect(stand).toBeVisible();
  const before = await stand.getAttribute('aria-label');
  await tabTo(page, /^Stand, x/);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(stand).not.toHaveAttribute('aria-label', before!);
  await tabTo(page, /^Hour of the day/);
  const hours = page.getByRole('slider', { name: 'Hour of the day' });
  await page.keyboard.press('ArrowRight');
  await expect(hours).toHaveAttribute('aria-valuetext', /^9:55, sun 4\d degrees up/);
  await tabTo(page, /^6Log/);
  await page.keyboard.press('Enter');
  await page.getByLabel('Fly', { exact: true }).focus();
  await page.keyboard.type('Ant 14');
  await page.keyboard.press('Enter');
  await tabTo(page, /^Put down/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/0 casts, put down/)).toBeVisible();
});

test('Escape gives a drag back', async ({ page }) => {
  await openBeat(page, 'spot?mark=demo-mark-1');
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  const landing = page.getByRole('button', { name: /^Landing place/ });
  await expect(landing).toBeVisible();
  const before = await landing.getAttribute('aria-label');
  const box = (await landing.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 80, box.y + 60, { steps: 5 });
  await expect(landing).not.toHaveAttribute('aria-label', before!);
  await page.keyboard.press('Escape');
  await expect(landing).toHaveAttribute('aria-label', before!);
  await page.mouse.up();
  await expect(landing).toHaveAttribute('aria-label', before!);
});
