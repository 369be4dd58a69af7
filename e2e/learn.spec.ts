import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import Papa from 'papaparse';
import { expect, test } from './test';
import { inspector, OWN, step } from './page';

/** A beat of its own, with tries of its own: other checks count what was tried on the demo's. */
const BEAT = 'learn-water';

test.beforeAll(async ({ request }) => {
  const file = await (await request.get('/api/v1/beats/withy-bend/file')).json();
  const put = (path: string, data: object) => request.put(`/api/v1${path}`, { data, headers: OWN });
  expect((await put(`/beats/${BEAT}`, { stream: 'Learn Beck', file })).ok()).toBe(true);
  for (let n = 0; n < 30; n++) {
    const openedMs = Date.parse('2025-07-01T09:00:00Z') + n * 600_000;
    const snapshot = {
      version: 1,
      water: { tempC: 12, tempSource: 'read', turbidityNtu: 1 },
      rated: { species: 'brown', totalLengthCm: 25, method: null, homeOffset: 0 },
      target: {
        id: `lie-${n}`,
        kind: n % 2 ? 'pocket' : 'seam',
        xM: 5,
        yM: 0,
        rating: 80,
        needs: null,
        depthM: n % 3 === 0 ? 0.9 : 0.4,
        surfaceSpeedMps: 0.4,
        meanSpeedMps: 0.35,
        behaviour: null,
      },
      // Ten metres off, reckoned to scatter by a fifth of a metre; the casts below fall wide of it.
      cast: {
        stand: { xM: 5, yM: 10 },
        posture: 'stand',
        landing: { xM: 5, yM: 0 },
        lay: { kind: 'straight' },
        mend: null,
        leadM: null,
        castKind: 'overhead',
        rig: { id: 'usual', fly: 'dry', leaderM: 2.7 },
      },
      predicted: {
        cleanS: null,
        calm: null,
        exposure: 0.1,
        chance: {
          value: 0.3,
          parts: {
            home: 0.8,
            calm: 0.95,
            look: 0.5,
            undisturbed: 0.9,
            seen: 0.98,
            hooked: 0.5,
            drag: 0.2,
            sigmaM: 0.2,
            crossMps: 0,
          },
        },
      },
    };
    const attempt = {
      beatId: BEAT,
      markId: null,
      fly: 'ant',
      openedMs,
      zoneOffsetMin: 120,
      outing: { id: 'learn-outing', startMs: openedMs, endMs: openedMs, timeZone: 'UTC', note: '' },
      snapshot,
    };
    expect((await put(`/tries/learn-try-${n}`, attempt)).ok()).toBe(true);
    const event = { device: 'd', seq: 1, clientMs: openedMs, zoneOffsetMin: 120 };
    const code = n % 3 === 0 ? 'hook' : n % 3 === 1 ? 'look' : 'cast';
    expect(
      (await put(`/tries/learn-try-${n}/events/learn-event-${n}`, { ...event, code })).ok(),
    ).toBe(true);
    for (const seq of [2, 3])
      expect(
        (
          await put(`/tries/learn-try-${n}/events/learn-event-${n}-${seq}`, {
            ...event,
            seq,
            code: 'cast',
            fellAt: seq === 2 ? 'short' : 'on',
            dragged: false,
          })
        ).ok(),
      ).toBe(true);
  }
});

test.afterAll(async ({ request }) => {
  // What was put into the reckoning here must not move the plans of other checks.
  await request.patch('/api/v1/learn/record', {
    data: { names: ['home', 'noticing', 'alarm', 'answer', 'hook', 'scatter'], back: true },
    headers: OWN,
  });
  await request.patch(`/api/v1/beats/${BEAT}`, { data: { deleted: true }, headers: OWN });
});

test('what the tries say: of this beat, of its stream; sentences, pictures, and the figures as a file', async ({
  page,
}) => {
  await page.goto(`/b/${BEAT}/learn`);
  const learn = inspector(page);
  await expect(learn.getByText(/^30 tries, 20 with a look/)).toBeVisible();
  await expect(learn.getByText(/Places held fish/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Places by what was said/ })).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'Takes for each look' })
      .getByRole('row', { name: /over 0.80 m .* 10 of 10/ }),
  ).toBeVisible();
  const count = page.waitForResponse((r) => /\/learn\?of=beat/.test(r.url()));
  await learn.getByRole('radio', { name: 'this beat' }).check();
  await count;
  await expect(learn.getByText(/^30 tries/)).toBeVisible();
  const download = page.waitForEvent('download');
  await learn.getByRole('button', { name: 'Every table as CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true });
  expect(errors).toEqual([]);
  expect(data.find((r) => r.group === 'over 0.80 m')).toMatchObject({ k: '10', n: '10' });
});

test('what the record changes: worked out, told with its tries, taken back with one press, in every plan after', async ({
  page,
}) => {
  await page.goto(`/b/${BEAT}/learn`);
  const record = inspector(page).getByRole('region', { name: 'What the record changes' });
  const worked = page.waitForResponse((r) => /\/learn\/record$/.test(r.url()));
  await record.getByRole('button', { name: /^Work it out/ }).click();
  expect((await worked).ok()).toBe(true);
  const scatter = record.getByRole('article').filter({ hasText: 'Where your casts fall' });
  await expect(scatter.getByText(/From 12 m on:|To 6 m:/).first()).toBeVisible();
  await expect(
    scatter.getByText(/30 tries with casts that were told since 1 July 2025/),
  ).toBeVisible();
  await scatter.getByRole('button', { name: 'From which tries' }).click();
  await scatter.getByRole('button', { name: 'Show the tries' }).click();
  await expect(scatter.getByRole('row')).toHaveCount(31);
  const { violations } = await new AxeBuilder({ page }).setLegacyMode(true).analyze();
  expect(
    violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join('; ')}`),
  ).toEqual([]);
  const taken = page.waitForResponse((r) => /\/learn\/record$/.test(r.url()));
  await scatter.getByRole('button', { name: 'Take back: Where your casts fall' }).click();
  expect((await (await taken).json()).priors.scatter).toEqual({ near: 1, far: 1, wind: 1 });
  await expect(scatter.getByText(/Taken back: plans go by what was guessed/)).toBeVisible();
  await page.reload();
  await expect(scatter.getByRole('button', { name: /^Put back in/ })).toBeVisible();
});

test('a beat without tries says that it is too few', async ({ page }) => {
  await page.goto('/b/withy-bend/learn');
  const learn = inspector(page);
  await learn.getByRole('radio', { name: 'this beat' }).check();
  await expect(
    learn.getByText(/^Under 20 nothing is said for sure|tries?, \d+ with a look/).first(),
  ).toBeVisible();
  await step(page, 'Read').click();
  await step(page, 'Learn').click();
  await expect(learn.getByRole('heading', { name: 'What the tries say' })).toBeVisible();
});
