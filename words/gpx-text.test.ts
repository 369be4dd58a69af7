import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { createTangentPlane, writeGpx, writePlaces, type BeatPlan } from '../core/formats/index';
import { takeGeoJson, type TakeLines, type TakenLines } from '../core/lines/index';
import { gpxFromText } from './gpx-text';

const folder = mkdtempSync(join(tmpdir(), 'pebble-lines-'));
const whole = (t: TakeLines): TakenLines => {
  if (!t.ok) throw new Error(t.problem);
  return t.taken;
};
const anchored = { name: 'Sike', anchor: { lat: 46.5, lon: 8.2 }, bearingDeg: 210 } as BeatPlan;
const wayOf = (places: [number, number][]) => places.map(([xM, yM]) => ({ xM, yM }));
const bankWalk = wayOf([
  [0, 3],
  [10, 2.5],
  [25, 3.2],
]);
const gpx = () =>
  writeGpx(anchored, {
    waypoints: [
      {
        place: { xM: 4, yM: 1 },
        name: 'Rock & "shelf" <2>',
        kind: 'fish',
        comment: 'rising',
        atMs: 1.7e12,
      },
      { place: { xM: 9, yM: 0 }, name: '0.45 m' },
    ],
    way: { name: 'Right bank', places: bankWalk },
  });

it('what is written as GPX is read by gpsbabel, and what that writes is read here: names, time, places', () => {
  const [own, theirs] = [join(folder, 'own.gpx'), join(folder, 'theirs.gpx')];
  writeFileSync(own, gpx());
  execFileSync('gpsbabel', ['-i', 'gpx', '-f', own, '-o', 'gpx,gpxver=1.1', '-F', theirs]);
  const xml = readFileSync(theirs, 'utf8');
  expect(xml).toContain('<time>2023-11-14T22:13:20Z</time>');
  expect(xml).toContain('<cmt>rising</cmt>');
  const [a, b] = [whole(gpxFromText(gpx())), whole(gpxFromText(xml))];
  expect(b.points.map((p) => p.name)).toEqual(['Rock & "shelf" <2>', '0.45 m']);
  expect(b.points[1]!.depthM).toBe(0.45);
  expect(b.lines[0]!.at).toHaveLength(3);
  // It keeps nine decimals of a degree; ours are eight: a millimetre.
  a.lines[0]!.at.forEach((at, i) => {
    expect(Math.abs(at[0] - b.lines[0]!.at[i]![0])).toBeLessThan(2e-8);
    expect(Math.abs(at[1] - b.lines[0]!.at[i]![1])).toBeLessThan(2e-8);
  });
});

it('whatever a place is called and wherever it lies, it goes out as GPX and comes in as it was', () => {
  const word = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }).map((w) => w.trim());
  const place = fc.record({
    name: word.filter((w) => w !== ''),
    place: fc.record({
      xM: fc.double({ min: -200, max: 400, noNaN: true }),
      yM: fc.double({ min: -200, max: 200, noNaN: true }),
    }),
  });
  fc.assert(
    fc.property(fc.array(place, { minLength: 1, maxLength: 6 }), (waypoints) => {
      const back = whole(gpxFromText(writeGpx({ ...anchored, altitudeM: 912 }, { waypoints })));
      const plane = createTangentPlane(anchored.anchor!, anchored.bearingDeg);
      // What XML cannot hold at all is left out of a name, and white space at its ends does not count.
      const held = (w: string) =>
        [...w]
          .filter((c) => c >= ' ' || '\t\n\r'.includes(c))
          .join('')
          .replace(/[\ufffe\uffff]/g, '');
      const same = (a: string, b: string) => a.replace(/\r\n?/g, '\n').trim() === b.trim();
      back.points.forEach((p, i) => {
        const was = waypoints[i]!;
        const name = held(was.name).trim();
        expect(name === '' || same(name, p.name)).toBe(true);
        const at = plane.toPlan(p.at[0], p.at[1]);
        expect(Math.hypot(at.xM - was.place.xM, at.yM - was.place.yM)).toBeLessThan(2e-3);
      });
      expect(back.points).toHaveLength(waypoints.length);
    }),
    { numRuns: 200 },
  );
});

it('ogrinfo reads both of what is written: as many places, where they are, in WGS84', () => {
  const about = (file: string, text: string, layer?: string) => {
    const path = join(folder, file);
    writeFileSync(path, text);
    return execFileSync('ogrinfo', ['-al', path, ...(layer ? [layer] : [])], { encoding: 'utf8' });
  };
  const places = writePlaces(anchored, {
    waypoints: [{ place: { xM: 0, yM: 0 }, name: 'Stand', kind: 'stand' }],
    way: { name: 'Stalk', places: bankWalk },
  });
  const json = about('places.geojson', JSON.stringify(places));
  expect(json).toContain('Feature Count: 2');
  expect(json).toMatch(/POINT \(8\.2 46\.5\)/);
  expect(json).toContain('WGS 84');
  const points = about('places.gpx', gpx(), 'waypoints');
  expect(points).toContain('Feature Count: 2');
  expect(points).toContain('name (String) = Rock & "shelf" <2>');
  expect(about('tracks.gpx', gpx(), 'tracks')).toContain('Feature Count: 1');
});

it('a height that is known goes along, in the third figure and as ele', () => {
  const high = { ...anchored, altitudeM: 912 };
  const content = { waypoints: [{ place: { xM: 0, yM: 0 }, name: 'Stand' }] };
  expect(writePlaces(high, content).features[0]!.geometry.coordinates).toEqual([8.2, 46.5, 912]);
  const path = join(folder, 'high.gpx');
  writeFileSync(path, writeGpx(high, content));
  const told = execFileSync('ogrinfo', ['-al', path, 'waypoints'], { encoding: 'utf8' });
  expect(told).toContain('ele (Real) = 912');
});

it.each<[string, string, RegExp]>([
  ['half', '<gpx><wpt lat="1" lon="2">', /not whole XML: line 1/],
  ['other', '<kml></kml>', /its root is not gpx/],
  ['entities', '<!DOCTYPE x [<!ENTITY a "b">]><gpx/>', /declares entities/],
  ['places', '<gpx><wpt lat="91" lon="2"/></gpx>', /^A place is lat="91" lon="2"/],
])('a GPX that is %s is refused with a sentence', (_, xml, words) => {
  const read = gpxFromText(xml);
  expect(read.ok ? '' : read.problem).toMatch(words);
});

describe('a file that was made to harm', () => {
  const said = (t: TakeLines) => (t.ok ? 'taken' : t.problem);
  it.each([
    [
      'nested a thousand deep',
      `<gpx>${'<a>'.repeat(1000)}${'</a>'.repeat(1000)}</gpx>`,
      'cannot be read',
    ],
    [
      'an element named as no element is',
      '<gpx><__proto__><x/></__proto__></gpx>',
      /cannot be read|no line/,
    ],
    [
      'a hundred thousand places',
      `<gpx><trk><trkseg>${'<trkpt lat="1" lon="2"/>'.repeat(100_000)}</trkseg></trk></gpx>`,
      'at most 20000 are read',
    ],
  ])('%s is refused with a sentence', (_what, xml, words) => {
    expect(said(gpxFromText(xml))).toMatch(words);
  });

  it('GeoJSON within GeoJSON without end is refused with a sentence', () => {
    let geometry: object = { type: 'Point', coordinates: [1, 2] };
    for (let n = 0; n < 50_000; n++)
      geometry = { type: 'GeometryCollection', geometries: [geometry] };
    expect(said(takeGeoJson({ type: 'Feature', properties: {}, geometry }))).toContain('20 deep');
    let list: unknown = 1;
    for (let n = 0; n < 50_000; n++) list = [list];
    expect(said(takeGeoJson({ type: 'LineString', coordinates: list }))).toContain(
      'a list of lists',
    );
  });

  it('texts of a hundred thousand spaces are looked through no longer than others', () => {
    const far = ' '.repeat(100_000);
    const read = takeGeoJson({
      type: 'Feature',
      properties: { name: `depth${far}x`, depth: `1${far}x` },
      geometry: { type: 'Point', coordinates: [1, 2] },
    });
    expect(whole(read).points[0]!.depthM).toBe(1);
  });
});
