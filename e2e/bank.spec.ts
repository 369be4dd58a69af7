import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createHash, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { chromium, expect, test, type BrowserContext, type Page } from './test';
import { CHROMIUM } from '../playwright.config';
import { freePort } from './free-port';
import { BOOK } from './run';
import { startServer, type Started } from './server';

/**
 * The bank over the local network: an address of this machine that is not localhost, HTTPS under the
 * certificate that this machine made, a phone let in by its code.
 */
test.describe.configure({ mode: 'serial' });
const folder = mkdtempSync(join(tmpdir(), 'pebble-bank-'));
let server: Started;
let port: number;
const contexts: BrowserContext[] = [];

/** The key of the leaf, as the browser is told to trust it: what installing the authority does on a phone. */
function spki(): string {
  const cert = new X509Certificate(readFileSync(join(folder, 'tls/leaf.crt')));
  return createHash('sha256')
    .update(cert.publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');
}

/** A phone of its own: profile, storage, worker. */
async function phone(profile = mkdtempSync(join(tmpdir(), 'pebble-phone-'))): Promise<{
  page: Page;
  context: BrowserContext;
  profile: string;
}> {
  const context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    args: [...CHROMIUM.args, `--ignore-certificate-errors-spki-list=${spki()}`],
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    timezoneId: 'UTC',
  });
  contexts.push(context);
  return { page: context.pages()[0] ?? (await context.newPage()), context, profile };
}

const codeOf = (printed: string) =>
  [...printed.matchAll(/airing code: (\d{4} \d{4})/g)].at(-1)![1]!;

async function pair(page: Page, name: string): Promise<void> {
  await page.goto(`${server.url}/`);
  await expect(page).toHaveURL(/\/pair$/);
  await page.getByLabel(/^Code on the computer/).fill(codeOf(server.printed()));
  await page.getByLabel('Name of this phone').fill(name);
  await page.getByRole('button', { name: 'Pair' }).click();
  await expect(page).toHaveURL(/\/outing$/);
}

test.beforeAll(async () => {
  process.env.PEBBLE_LANE_DATA = folder;
  cpSync(BOOK, folder, { recursive: true });
  port = await freePort();
  server = await startServer(folder, port, { lan: true });
});
test.afterAll(async () => {
  for (const c of contexts) await c.close().catch(() => undefined);
  await server?.stop();
});

let angler: { page: Page; context: BrowserContext; profile: string };

test('a phone is let in by its code, once; a wrong code is refused with a sentence', async () => {
  expect(new URL(server.url).hostname).not.toMatch(/^(localhost|127\.)/);
  angler = await phone();
  const { page } = angler;
  await page.goto(`${server.url}/pair`);
  await page.getByLabel(/^Code on the computer/).fill('123');
  await page.getByRole('button', { name: 'Pair' }).click();
  await expect(
    page.getByText('it has eight or twelve figures, as the computer shows them'),
  ).toBeVisible();
  const first = codeOf(server.printed());
  await pair(page, 'Vest');
  await expect.poll(() => codeOf(server.printed())).not.toBe(first);
  const cookies = await angler.context.cookies();
  expect(cookies[0]).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Strict' });
  await page.goto(`${server.url}/trust`);
  const fingerprint = /authority: (\S+)/.exec(server.printed())![1]!;
  await expect(page.getByText(fingerprint)).toBeVisible();
});

test('taken along with size and age; three taps log a fish; no solver comes with the page', async () => {
  const { page } = angler;
  const scripts: string[] = [];
  page.on('response', (r) => r.url().includes('.js') && scripts.push(r.url()));
  await page.goto(`${server.url}/outing`);
  await page.getByRole('button', { name: 'Take along' }).first().click();
  await expect(
    page.getByText(/^\d+ KB, at fair level, taken Sat 13 June, 9:40: fresh$/),
  ).toBeVisible();
  await page.getByRole('link', { name: 'To the outing' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/off\.$/);
  // The route came along: what is next is a stand of it, and how far on the one after is.
  await expect(page.getByText(/^The route: \d+ stands?, /)).toBeVisible();
  // The water through the day came along too, and what it is now.
  await expect(
    page.getByRole('img', { name: /^Water [\d.]+ °C now; limit 18.3 °C/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Cast here/ }).click();
  await page.getByRole('button', { name: 'Took', exact: true }).click();
  await page.getByRole('button', { name: 'Landed', exact: true }).click();
  await expect(page.getByText('Landed, and kept in the log.')).toBeVisible();
  await expect(page.getByText('All sent.')).toBeVisible();
  expect(scripts.some((s) => /worker/i.test(s))).toBe(false);
  await page.getByLabel('Length, cm').fill('27');
  await page.getByLabel('Girth, cm').fill('13');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/% of the standard weight/)).toBeVisible();
  await page.getByRole('button', { name: 'On', exact: true }).click();
});

test('the network is cut, the browser killed with what was pressed, opened cold without a network, and back', async () => {
  const { page, context, profile } = angler;
  await page.goto(`${server.url}/outing`);
  await expect(page.getByText('All sent.')).toBeVisible();
  // The page itself must have been kept.
  await expect(page.locator('[data-offline=ready]')).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Cast here/ }).click();
  for (let n = 0; n < 25; n++)
    await page.getByRole('button', { name: 'Nothing', exact: true }).click();
  for (let n = 0; n < 24; n++)
    await page.getByRole('button', { name: 'fell short', exact: true }).click();
  await expect(page.getByText('50 not sent yet, kept on this phone.')).toBeVisible();
  // Killed outright: no page is told to close. The browser writes its cookies only now and then: that is not ours to try.
  const cookies = await context.cookies();
  execFileSync('pkill', ['-9', '-f', profile]);
  await context.close().catch(() => undefined);

  angler = await phone(profile);
  await angler.context.addCookies(cookies);
  await angler.context.setOffline(true);
  await angler.page.goto(`${server.url}/outing`);
  await expect(angler.page.getByRole('button', { name: /^Go on: cast 26/ })).toBeVisible();
  await expect(angler.page.getByText('50 not sent yet, kept on this phone.')).toBeVisible();
  await angler.context.setOffline(false);
  await angler.page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(angler.page.getByText('All sent.', { exact: true })).toBeVisible();
  const log = await angler.page.evaluate(async () => {
    const bank = (await (await fetch('/api/v1/bank')).json()) as {
      log: { tries: { events: { code: string }[] }[] };
    };
    return bank.log;
  });
  const { events } = log.tries.find((t) => t.events.length > 20)!;
  expect(events.filter((e) => e.code === 'cast')).toHaveLength(25);
  expect(events.filter((e) => e.code === 'more')).toHaveLength(24);
});

test('a spotter’s mark is on the other phone; two phones on one try; one is thrown out', async () => {
  const spotter = await phone();
  await pair(spotter.page, 'Spotter');
  await spotter.page.getByRole('link', { name: 'Taken along' }).click();
  await spotter.page.getByRole('button', { name: 'Take along' }).first().click();
  await expect(spotter.page.getByText(/taken Sat 13 June/)).toBeVisible();
  await spotter.page.getByRole('link', { name: 'To the outing' }).click();
  await angler.page.goto(`${server.url}/outing`);
  const water = angler.page.getByRole('group', { name: /^The water of/ });
  await expect(water).toBeVisible();
  await expect(angler.page.getByText('All sent.', { exact: true })).toBeVisible();
  const before = await water.getByRole('button', { name: /^Fish/ }).count();
  await spotter.page.getByRole('button', { name: 'Fish seen' }).click();
  const box = (await spotter.page.getByRole('group', { name: /^The water of/ }).boundingBox())!;
  await spotter.page.mouse.click(box.x + box.width / 2, box.y + box.height / 2 + 10);
  await expect(water.getByRole('button', { name: /^Fish/ })).toHaveCount(before + 1);

  // Both press on the same try.
  for (const p of [angler.page, spotter.page])
    await p.getByRole('button', { name: /^Go on: cast 26/ }).click();
  await Promise.all([
    angler.page.getByRole('button', { name: 'Looked', exact: true }).click(),
    spotter.page.getByRole('button', { name: 'Turned away', exact: true }).click(),
  ]);
  for (const p of [angler.page, spotter.page])
    await expect(p.getByRole('heading', { level: 1 })).toContainText('cast 28');

  // Thrown out at the desk: it hears no more, and keeps what it presses.
  const desk = await phone();
  await desk.page.goto(`https://localhost:${port}/phones`);
  await desk.page.getByRole('button', { name: 'Throw out Spotter' }).click();
  await expect(desk.page.getByText('Spotter is thrown out. What it logged stays.')).toBeVisible();
  await spotter.page.getByRole('button', { name: 'Nothing', exact: true }).click();
  await expect(spotter.page.getByText('1 not sent yet, kept on this phone.')).toBeVisible();
  await desk.context.close();
});

test('the certificate is renewed under an open outing; what is pressed meanwhile arrives', async () => {
  const before = readFileSync(join(folder, 'tls/leaf.crt'), 'utf8');
  server.signal('SIGHUP');
  await expect.poll(() => readFileSync(join(folder, 'tls/leaf.crt'), 'utf8')).not.toBe(before);
  await angler.page.getByRole('button', { name: 'Missed', exact: true }).click();
  await angler.page.getByRole('button', { name: 'early' }).click();
  await expect(
    angler.page.getByText(/^All sent\.|not sent yet, kept on this phone\./),
  ).toBeVisible();
  // The browser of a test trusts one key only: it is opened anew with the new one, as a phone that trusts the authority goes on.
  const { context, profile } = angler;
  await context.close();
  angler = await phone(profile);
  await angler.page.goto(`${server.url}/outing`);
  await expect(angler.page.getByText('All sent.', { exact: true })).toBeVisible({
    timeout: 30_000,
  });
  await angler.page.getByRole('button', { name: /^Go on/ }).click();
  await expect(angler.page.getByText(/missed, early/)).toBeVisible();
});

test('afterwards, at the table: map, time line, what the plan had said, and the tries as CSV', async () => {
  const { page } = angler;
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${server.url}/outings`);
  await page.getByRole('link', { name: 'Sat 13 June' }).click();
  await expect(page.getByRole('table', { name: 'Tries' })).toContainText('landed, 27 cm');
  await expect(page.getByRole('table', { name: 'Tries' })).toContainText(/\d+ in 100, /);
  await expect(page.getByRole('img', { name: /^Sallow Steps: 2 tries/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Tries as CSV' }).click();
  const csv = readFileSync((await (await download).path())!, 'utf8');
  expect(csv.split('\r\n')[0]).toMatch(/^try,opened,zone_min/);
  expect(csv).toContain('landed,27.0,hook@');
  await page.goto(`${server.url}/outings`);
  await page.getByLabel('Tries (CSV)').setInputFiles({
    name: 'tries.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `${csv}"","2025-07-01T18:05:00Z","0","UTC","","","","","","","","","","","","","2","lost","",""\r\n`,
    ),
  });
  await expect(page.getByText('1 try would be taken, 2 are here already, 0 left.')).toBeVisible();
  await page.getByRole('button', { name: 'Take 1' }).click();
  await expect(page.getByText('1 try taken into the book.')).toBeVisible();
});
