import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { createTangentPlane } from '../core/formats/index';

/** Two banks that somebody walked with a handheld, a stone and two soundings. */
function walked(): string {
  const plane = createTangentPlane({ lat: 46.5123, lon: 8.2011 }, 200);
  const at = (xM: number, yM: number) => {
    const [lon, lat] = plane.toLonLat({ xM, yM });
    return `lat="${lat}" lon="${lon}"`;
  };
  const bank = (y: number) =>
    Array.from(
      { length: 16 },
      (_, i) => `<trkpt ${at(2 * i, y + Math.sin((2 * Math.PI * i) / 15))}/>`,
    ).join('');
  const place = (x: number, y: number, name: string) =>
    `<wpt ${at(x, y)}><name>${name}</name></wpt>`;
  return `<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">
    ${place(12, 0.5, 'Big stone')}${place(8, 0, '0.5 m')}${place(20, 0, '0.7 m')}${place(900, 0, 'Car')}
    <trk><name>Morning</name><trkseg>${bank(-3)}</trkseg></trk>
    <trk><name>Evening</name><trkseg>${bank(3)}</trkseg></trk></gpx>`;
}
const file = (name: string, text: string) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(text),
});
const give = async (page: Page, name: string, text: string) => {
  await page.goto('/');
  await page.getByLabel('Name of the stream').fill('Walked water');
  await page.getByLabel(/^A beat file/).setInputFiles(file(name, text));
};

test('two tracks of a handheld become a survey: asked which bank is which, tried first', async ({
  page,
}) => {
  await give(page, 'walk.gpx', walked());
  const held = page.getByRole('region', { name: 'What walk.gpx holds' });
  await expect(held).toContainText('2 lines and 4 places. Nothing is kept yet.');
  await expect(held).toContainText('No line is the left bank yet: say which');
  const begin = held.getByRole('button', { name: 'Begin a survey with it' });
  await expect(begin).toBeDisabled();
  await held.getByLabel('Line A is').selectOption('left');
  await held.getByLabel('Line B is').selectOption('right');
  await expect(held).toContainText('A beat of 30.0 m, looking up-current 200° from north.');
  await expect(held).toContainText('1 stone.');
  await expect(held).toContainText('2 soundings.');
  await expect(held).toContainText('1 place is left, as you said.');
  // The other way round the water runs the other way.
  await held.getByLabel('Line A is').selectOption('right');
  await held.getByLabel('Line B is').selectOption('left');
  await expect(held).toContainText('looking up-current 20° from north.');
  await begin.click();
  await expect(page).toHaveURL(/\/make\/survey\//);
  await expect(page.getByLabel('Beat', { exact: true })).toHaveValue('walk');
  await page.getByRole('button', { name: 'Make the beat and read it' }).click();
  await expect(page).toHaveURL(/\/b\/[^/]+\/read/);
  // It leaves for a map where it was walked.
  const id = /\/b\/([^/]+)\//.exec(page.url())![1]!;
  const map = await (await page.request.get(`/api/v1/beats/${id}/file`)).json();
  const [lon, lat] = map.features[0].geometry.coordinates[0];
  expect(Math.hypot((lon - 8.2011) * 76_000, (lat - 46.5123) * 111_000)).toBeLessThan(40);
  expect(
    (
      await page.request.patch(`/api/v1/beats/${id}`, {
        headers: { origin: new URL(page.url()).origin },
        data: { deleted: true },
      })
    ).ok(),
  ).toBe(true);
});

test('what cannot be of a beat is said in a sentence, and nothing is kept', async ({ page }) => {
  const metres = { type: 'Point', coordinates: [2_600_000, 1_200_000] };
  await give(page, 'grid.geojson', JSON.stringify(metres));
  await expect(page.getByText(/"grid.geojson": A coordinate is \[2600000,1200000\]/)).toBeVisible();
  await give(page, 'half.gpx', '<gpx><wpt lat="1"');
  await expect(page.getByText(/"half.gpx": The file is not whole XML/)).toBeVisible();
  await give(page, 'notes.txt', 'a nice day');
  await expect(page.getByText('"notes.txt" is neither JSON nor GPX.')).toBeVisible();
});

test('readings come in from a table, tried first, and go out with everything else', async ({
  page,
}) => {
  await page.goto('/outings');
  await page
    .getByLabel('Readings (CSV)')
    .setInputFiles(
      file(
        'readings.csv',
        'taken,water_c,note\r\n2025-08-02T06:00:00Z,11.5,"cold, clear"\r\n2025-08-02T12:00:00Z,99,\r\n',
      ),
    );
  await expect(
    page.getByText('1 reading would be taken, 0 are here already, 1 left:'),
  ).toBeVisible();
  await expect(
    page.getByText('Line 3: water_c is "99"; a number from 0 to 30 is possible.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take 1' }).click();
  await expect(page.getByText('1 reading taken into the book.')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Readings (CSV)' }).click();
  const csv = readFileSync((await (await download).path())!, 'utf8');
  expect(csv).toContain('2025-08-02T06:00:00.000Z,0,UTC,,11.5,,,,,,,typed,"cold, clear"\r\n');
  for (const name of [
    'tries.csv',
    'outings.csv',
    'rigs.csv',
    'places.csv',
    'places.geojson',
    'places.gpx',
  ])
    expect((await page.request.get(`/api/v1/tables/${name}`)).status(), name).toBe(200);
  const none = await page.request.get('/api/v1/tables/fish.csv');
  expect(none.status()).toBe(404);
  expect((await none.json()).error.message).toContain('There is no table "fish.csv"; there are');
});

test('whose work it is made of stands in the application', async ({ page }) => {
  await page.goto('/settings');
  await page.getByRole('link', { name: 'Licences of what this program is made of' }).click();
  await expect(page.getByRole('row', { name: /^apexcharts 4\.7\.0 MIT$/ })).toBeVisible();
  const texts = await page.request.get('/licences.txt');
  expect(await texts.text()).toContain('SIL OPEN FONT LICENSE');
});
