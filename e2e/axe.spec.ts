import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { inspector, openBeat } from './page';

async function check(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(
    violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join('; ')}`),
  ).toEqual([]);
}

for (const theme of ['light', 'dark'] as const) {
  test(`no violations, ${theme === 'light' ? 'noon' : 'dusk'} light`, async ({ page }) => {
    await page.addInitScript((t) => localStorage.setItem('theme', t), theme);
    await page.goto('/');
    await check(page);
    await openBeat(page);
    await page.getByRole('button', { name: 'Show the best lie' }).click();
    await check(page);
    await openBeat(page, 'spot?mark=demo-mark-1');
    await expect(page.locator('.ring-line')).toBeVisible();
    await check(page);
    await page.getByRole('button', { name: 'Plan the cast' }).click();
    await expect(inspector(page).locator('.large')).toBeVisible();
    await check(page);
    for (const name of ['Stalk', 'Log']) {
      await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name }).click();
      await check(page);
    }
    await page.setViewportSize({ width: 390, height: 844 });
    await check(page);
  });
}
