import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './test';
import { freePort } from './free-port';
import { startServer } from './server';

test('beats are renamed, copied, put away, deleted and taken back', async ({ page }) => {
  await page.goto('/');
  const group = (name: string) => page.getByRole('group', { name: `${name}: change` });
  const choose = async (beat: string, what: string) => {
    // The list is read anew after each change, and a menu that was open then is closed.
    await expect(async () => {
      await page.getByRole('button', { name: `More for ${beat}`, exact: true }).click();
      await page.getByRole('menuitem', { name: what }).click({ timeout: 5000 });
    }).toPass();
  };
  await choose('Withy Bend', 'Copy');
  await choose('Withy Bend, copy', 'Rename');
  await page.getByLabel('New name of the beat').fill('Lower Bend');
  await page.getByRole('button', { name: 'Keep the name' }).click();
  await choose('Lower Bend', 'Put away');
  await expect(page.getByText('Put away (1)')).toBeVisible();
  await page.getByText('Put away (1)').click();
  await choose('Lower Bend', 'Take out again');
  await choose('Lower Bend', 'Delete');
  await expect(page.getByText('Lower Bend was deleted.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back: Lower Bend' }).click();
  await expect(group('Lower Bend')).toBeVisible();
  await choose('Lower Bend', 'Delete');
  await expect(group('Lower Bend')).toHaveCount(0);
});

test('the whole book is backed up, tried out and restored into an empty folder', async ({
  page,
}) => {
  await page.goto('/');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Back the book up' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('pebble-lane-book-2026-06-13.zip');
  const path = join(mkdtempSync(join(tmpdir(), 'pebble-backup-')), 'book.zip');
  await download.saveAs(path);
  expect(readFileSync(path).toString('latin1', 0, 2)).toBe('PK');

  const server = await startServer(
    mkdtempSync(join(tmpdir(), 'pebble-restore-')),
    await freePort(),
    { fromSource: true },
  );
  await page.goto(server.url);
  await expect(page.getByText('This book is empty.')).toBeVisible();
  const choose = page.getByLabel('Restore from a backup (it is tried out first)', { exact: true });
  await choose.setInputFiles({
    name: 'other.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"pebbleLaneBook": 3}'),
  });
  await expect(page.getByText(/^This is not a backup of a book\./)).toBeVisible();
  await choose.setInputFiles({
    name: 'half.zip',
    mimeType: 'application/zip',
    buffer: readFileSync(path).subarray(0, 5000),
  });
  await expect(page.getByText(/^This file is no whole backup/)).toBeVisible();
  await choose.setInputFiles(path);
  await expect(page.getByText('Tried out, nothing taken yet. It would take:')).toBeVisible();
  await expect(page.getByText('This book is empty.')).toBeVisible();
  await page.getByRole('button', { name: 'Restore it' }).click();
  await expect(page.getByText('Restored. It took:')).toBeVisible();
  await expect(page.getByRole('link', { name: /Sallow Steps/ })).toBeVisible();
  await server.stop();
});

test('every setting has its reason, is kept at once, and finds its default again', async ({
  page,
}) => {
  await page.goto('/settings');
  const height = page.getByLabel(/^Height/);
  await height.fill('3');
  await height.press('Enter');
  await expect(page.getByText('Height "3" is out of range: 1 to 2.3 m.')).toBeVisible();
  await height.fill('1,9');
  await height.press('Enter');
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByRole('radio', { name: 'left hand' }).click();
  await page.getByLabel(/wade for the angle/).check();
  await page.reload();
  await expect(height).toHaveValue('1.90');
  await expect(page.getByLabel(/wade for the angle/)).toBeChecked();
  await page.getByRole('button', { name: 'Back to 1.75 m' }).click();
  await expect(height).toHaveValue('1.75');
  await page.getByRole('button', { name: 'Back to right' }).click();
  await page.getByRole('button', { name: 'Back to the default' }).click();
  await expect(page.getByLabel(/never unless there is no other way/)).toBeChecked();
});
