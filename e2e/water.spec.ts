import { expect, test } from './test';
import { BEAT, LONG_PIECE_M, openBeat, OWN, settled, smallBeat } from './page';
import { styled } from './styled';

test('a level that was never solved is solved with progress, can be stopped, and is kept', async ({
  page,
}) => {
  const path = await smallBeat(page, 'e2e-never-solved', LONG_PIECE_M);
  await page.goto(path);
  await settled(page);
  await page.getByRole('radio', { name: 'Full' }).click();
  await expect(page.getByText(/Solving the flow: \d+ %/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText(/^Stopped\./)).toBeVisible();
  // Stopped means stopped: no answer for Full arrives by itself.
  await expect(page.getByRole('button', { name: 'Solve it' })).toBeVisible();
  await page.getByRole('button', { name: 'Solve it' }).click();
  const kept = page.waitForResponse(
    (r) => r.url().includes('/api/v1/flows/') && r.request().method() === 'PUT',
  );
  await settled(page);
  expect((await kept).status()).toBe(200);
  // Opened again, it is there at once.
  await page.goto(`${path}?level=full`);
  await expect(page.locator(styled('.lie')).first()).toBeVisible();
  await expect(page.getByText(/Solving the flow/)).toHaveCount(0);
  await expect(page.locator(styled('.discharge'))).toHaveText(/^\d\.\d\d m³\/s, guessed$/);
});

test('temperature changes the rating, and nonsense is refused with a sentence', async ({
  page,
}) => {
  await openBeat(page);
  const best = page.locator(styled('.inspector p')).first();
  await expect(best).toContainText('at 11.5 °C');
  const temp = page.getByLabel('Water temperature, °C');
  await temp.fill('99');
  await temp.press('Enter');
  await expect(
    page.getByText('Water temperature "99" is not possible here: 0 to 30 °C.'),
  ).toBeVisible();
  await temp.fill('4,5');
  await temp.press('Enter');
  await expect(best).toContainText('at 4.5 °C');
  // The answer to 4.5 may still be under way: what has to be kept is the last.
  const kept = page.waitForResponse(
    (r) =>
      r.url().includes('/api/v1/settings') &&
      r.ok() &&
      (r.request().postDataJSON() as { waterTempC?: number } | null)?.waterTempC === 11.5,
  );
  await temp.fill('11.5');
  await temp.press('Enter');
  await expect(best).toContainText('at 11.5 °C');
  await kept;
});

test('units switch everywhere', async ({ page }) => {
  await openBeat(page);
  const kept = page.waitForResponse((r) => r.url().endsWith('/api/v1/settings') && r.ok());
  await page.getByRole('button', { name: /^Units/ }).click();
  await kept;
  await expect(page.locator(styled('.top'))).toContainText('118.1 ft');
  await expect(page.locator(styled('.top'))).toContainText('58 cfs');
  await expect(page.locator(styled('.inspector p')).first()).toContainText('10 in at 53 °F');
  await expect(page.locator(styled('.plan svg'))).toContainText('15 ft');
  await page.reload();
  await settled(page);
  await expect(page.locator(styled('.top'))).toContainText('118.1 ft');
  await page.getByRole('button', { name: /^Units/ }).click();
  await expect(page.locator(styled('.top'))).toContainText('36 m');
});

test('a link with bad parts says what it left out', async ({ page }) => {
  await page.goto(`${BEAT}/cast?level=flood&stand=12&mark=nobody`);
  await settled(page);
  await expect(
    page.getByText('The link\'s level "flood" was left out: it must be thin, fair, full or spate.'),
  ).toBeVisible();
  await expect(page.getByText('The link\'s stand "12" was left out')).toBeVisible();
  await expect(page.getByText("The link's fish is not on this beat any more.")).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).first().click();
  await expect(page.getByText('level "flood"')).toHaveCount(0);
});

test('a mark on dry land is refused, and what cannot be sent is kept and sent later', async ({
  page,
}) => {
  await openBeat(page, 'spot');
  const fish = page
    .getByRole('region', { name: 'Fish and lies' })
    .getByRole('button', { name: /^Fish / });
  const before = await fish.count();
  await page.getByRole('button', { name: 'Mark a fish', exact: true }).click();
  const plan = (await page.locator(styled('.plan svg')).boundingBox())!;
  await page.mouse.click(plan.x + 300, plan.y + plan.height - 60);
  await expect(
    page.getByText('No fish can lie there: the water is under 8 cm deep.'),
  ).toBeVisible();
  await page.context().setOffline(true);
  await page.mouse.click(plan.x + 420, plan.y + plan.height / 2);
  await expect(
    page.getByText('Not with the book yet: kept on this device, sent as soon as it can be.'),
  ).toBeVisible();
  await page.context().setOffline(false);
  await page.reload();
  await settled(page);
  await page.reload();
  await expect(fish).toHaveCount(before + 1);
  await fish.last().click();
  await page.getByRole('button', { name: 'Take the mark out' }).click();
  await expect(fish).toHaveCount(before);
});

test('a bad beat file is refused whole, each problem named', async ({ page }) => {
  await page.goto('/');
  const file = {
    name: 'beat.geojson',
    mimeType: 'application/json',
    buffer: Buffer.from(
      JSON.stringify({
        type: 'FeatureCollection',
        pebbleLane: {
          version: 1,
          frame: 'plan',
          name: 'X',
          lengthM: 20,
          slope: 0.01,
          bearingDeg: 0,
          surveyedLevel: 'Fair',
          levels: [{ name: 'Fair', dischargeM3s: 1, how: 'guessed' }],
        },
        features: [
          {
            type: 'Feature',
            geometry: { type: 'Point', coordinates: [1, 1] },
            properties: { kind: 'sounding', depthM: -2 },
          },
        ],
      }),
    ),
  };
  await page.getByLabel(/^A beat file/).setInputFiles(file);
  await expect(page.getByText('Stream "" is empty.')).toBeVisible();
  await page.getByLabel('Name of the stream').fill('Rill');
  await page.getByLabel(/^A beat file/).setInputFiles({ ...file, name: 'again.geojson' });
  await expect(
    page.getByText('Feature 0 (sounding): depthM is -2; it must be a number from 0 to 6 m.'),
  ).toBeVisible();
  // What was good of it is not lost: it goes on as a draft.
  await page.getByRole('button', { name: 'Open what is good of it as a draft' }).click();
  await expect(page).toHaveURL(/\/make\/survey\//);
  await expect(page.getByLabel('Beat', { exact: true })).toHaveValue('X');
  await expect(page.getByLabel('Stream', { exact: true })).toHaveValue('Rill');
});

test('a beat leaves for a map in longitude and latitude, in metres as its own file, and comes back as it was', async ({
  request,
}) => {
  const at = '/api/v1/beats/tansy-glide/file';
  const map = await request.get(at);
  expect(map.headers()['content-type']).toContain('application/geo+json');
  expect(map.headers()['content-disposition']).toContain('tansy-glide.geojson');
  const told = await map.json();
  const places = JSON.stringify(
    told.features.map((f: { geometry: { coordinates: unknown } }) => f.geometry.coordinates),
  );
  const pairs = [...places.matchAll(/\[(-?[\d.]+),(-?[\d.]+)\]/g)].map((m) => [+m[1]!, +m[2]!]);
  expect(pairs.length).toBeGreaterThan(20);
  for (const [lon, lat] of pairs) {
    expect(Math.abs(lon! - 9)).toBeLessThan(0.01);
    expect(Math.abs(lat! - 47)).toBeLessThan(0.01);
  }
  const plain = await request.get(`${at}?frame=plan`);
  expect(plain.headers()['content-type']).toContain('application/json');
  expect(plain.headers()['content-disposition']).toContain('tansy-glide.pebble.json');
  const refused = await request.get(`${at}?frame=utm`);
  expect(refused.status()).toBe(400);
  expect(JSON.stringify(await refused.json())).toContain('The frame is \\"utm\\"');
  expect(
    (
      await request.put('/api/v1/beats/glide-again', {
        data: { stream: 'Out and In', file: told },
        headers: OWN,
      })
    ).ok(),
  ).toBe(true);
  const again = await request.get('/api/v1/beats/glide-again/file?frame=plan');
  expect(await again.json()).toEqual(await plain.json());
  await request.patch('/api/v1/beats/glide-again', { data: { deleted: true }, headers: OWN });
});
