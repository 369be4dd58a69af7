import type { ChildProcess } from 'node:child_process';
import {
  cpSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type BrowserContext, type Page } from './test';
import { CHROMIUM } from '../playwright.config';
import { freePort } from './free-port';
import { packedApp, startPacked } from './packed';
import { BOOK } from './run';

/** What a phone that was online once can do without a network, from a fresh profile and after a new build. */
test.describe.configure({ mode: 'serial' });
const folder = mkdtempSync(join(tmpdir(), 'pebble-offline-'));
/** Words of a view of the outing, which comes after the page: they tell its part. */
const OF_A_VIEW = 'Odds in 100, our guess';
let first: string;
const second = join(folder, 'second');
let port: number;
let running: ChildProcess | null = null;
let context: BrowserContext;
let page: Page;

async function serve(app: string): Promise<void> {
  await stop();
  running = await startPacked(app, port, { PEBBLE_LANE_DATA: join(folder, 'data') });
}
async function stop(): Promise<void> {
  const gone = running;
  running = null;
  if (!gone) return;
  await new Promise((resolve) => gone.once('exit', resolve).kill('SIGTERM'));
}
async function freshPhone(): Promise<void> {
  await context?.close();
  const profile = mkdtempSync(join(folder, 'profile-'));
  context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    timezoneId: 'UTC',
  });
  page = context.pages()[0] ?? (await context.newPage());
}
const open = (path = '/outing') => page.goto(`http://127.0.0.1:${port}${path}`);
const ready = () => expect(page.locator('[data-offline=ready]')).toBeVisible();

async function takeAlong(): Promise<void> {
  await page.getByRole('button', { name: 'Take along' }).first().click();
  await expect(page.getByText(/taken Sat 13 June/)).toBeVisible();
  await page.getByRole('link', { name: 'To the outing' }).click();
}

/** Files of a build under other names, everywhere they are named: what a new build is to a phone. */
function builtAnew(from: string, to: string): void {
  cpSync(from, to, { recursive: true, verbatimSymlinks: true });
  const root = join(to, '.next');
  const files = (at: string) =>
    readdirSync(at, { recursive: true, withFileTypes: true })
      .filter((e) => e.isFile())
      .map((e) => join(e.parentPath, e.name));
  const parts = files(join(root, 'static/chunks')).filter((f) => /\.(js|css)$/.test(f));
  const names = parts.map((f) => f.slice(f.lastIndexOf('/') + 1));
  const any = new RegExp(names.map((n) => n.replaceAll('.', '\\.')).join('|'), 'g');
  const kept = join(to, 'public/kept-parts.json');
  for (const file of [...files(root).filter((f) => /\.(js|css|json|html|rsc)$/.test(f)), kept]) {
    const text = readFileSync(file, 'utf8');
    const told = text.replace(any, (name) => `n${name}`);
    if (told !== text) writeFileSync(file, told);
  }
  for (const f of parts) renameSync(f, join(f, '..', `n${f.slice(f.lastIndexOf('/') + 1)}`));
  const list = JSON.parse(readFileSync(kept, 'utf8')) as { build: string };
  writeFileSync(kept, JSON.stringify({ ...list, build: `${list.build}-anew` }));
}

test.beforeAll(async () => {
  // The run's book: its beat is worked out already.
  cpSync(BOOK, join(folder, 'data'), { recursive: true });
  first = packedApp();
  builtAnew(first, second);
  port = await freePort();
  await serve(first);
});
test.afterAll(async () => {
  await context?.close();
  await stop();
  rmSync(folder, { recursive: true, force: true });
});

/** A try, from its first press to its end and what is said afterwards: nothing of it was ever shown online. */
async function fishWithoutNetwork(): Promise<void> {
  await page.getByRole('button', { name: /^Cast here/ }).click();
  await page.getByRole('button', { name: 'Nothing', exact: true }).click();
  await page.getByRole('button', { name: 'Looked', exact: true }).click();
  await page.getByRole('button', { name: 'Took', exact: true }).click();
  await page.getByRole('button', { name: 'Landed', exact: true }).click();
  await expect(page.getByText('Landed, and kept in the log.')).toBeVisible();
  await expect(page.getByLabel('Length, cm')).toBeVisible();
  await page.getByRole('button', { name: 'On', exact: true }).click();
}

test('a phone that was never used online but to take a beat along logs a fish without a network', async () => {
  await freshPhone();
  await open();
  await takeAlong();
  await ready();
  await context.setOffline(true);
  await fishWithoutNetwork();
  for (const view of ['taking', 'readings', 'places', 'tries', 'take', 'now']) {
    await open(`/outing#/${view}`);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect(page.getByText('This page broke')).toHaveCount(0);
  }
  // The quick read was never opened at all.
  await open('/read');
  await expect(page.getByRole('heading', { name: 'What is here?' })).toBeVisible();
  await context.setOffline(false);
});

test('the same after a new build, also where the network went before all of it was there', async () => {
  await freshPhone();
  await open();
  await takeAlong();
  await ready();
  await stop();
  // Of the new build one part cannot be had: the old one stays whole.
  const list = JSON.parse(readFileSync(join(second, 'public/kept-parts.json'), 'utf8')) as {
    parts: string[];
  };
  // One that a view brings along, not one that the page itself begins with.
  const files = list.parts.map((part) => join(second, part.replace('/_next/', '.next/')));
  const lost = files.find((f) => /\.js$/.test(f) && readFileSync(f, 'utf8').includes(OF_A_VIEW))!;
  expect(lost).toBeDefined();
  renameSync(lost, `${lost}.away`);
  await serve(second);
  await open();
  // It is said to open without a network, and it does: as the build before.
  await ready();
  await context.setOffline(true);
  await open();
  await ready();
  await fishWithoutNetwork();
  await context.setOffline(false);
  // All of it: the new one takes its place.
  await stop();
  renameSync(`${lost}.away`, lost);
  await serve(second);
  await open();
  await ready();
  await expect(page.getByText('All sent.', { exact: true })).toBeVisible();
  await context.setOffline(true);
  await open();
  const named = await page.evaluate(() =>
    performance.getEntriesByType('resource').map((e) => e.name),
  );
  expect(named.filter((n) => n.includes('/_next/static/chunks/n')).length).toBeGreaterThan(3);
  await fishWithoutNetwork();
  await context.setOffline(false);
});
