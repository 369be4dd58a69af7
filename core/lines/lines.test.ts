import fc from 'fast-check';
import { createTangentPlane, featuresOf } from '../formats/index';
import { distanceToPolyline, type Place } from '../grid/index';
import {
  planFromLines,
  suggestedUses,
  takeGeoJson,
  type LineUse,
  type TakeLines,
  type TakenLines,
} from './index';

const whole = (t: TakeLines): TakenLines => {
  if (!t.ok) throw new Error(t.problem);
  return t.taken;
};
const made = (taken: TakenLines, lines: LineUse[], points = suggestedUses(taken).points) => {
  const result = planFromLines(taken, { lines, points }, 'Sike');
  if (!result.ok) throw new Error(result.problem);
  return result.value;
};

/** A stream that winds, in some place of the earth, its banks as a stranger would have walked them. */
const stream = fc.record({
  lat: fc.double({ min: -60, max: 65, noNaN: true }),
  lon: fc.double({ min: -170, max: 170, noNaN: true }),
  bearingDeg: fc.integer({ min: 0, max: 359 }),
  lengthM: fc.integer({ min: 12, max: 120 }),
  widthM: fc.double({ min: 2, max: 9, noNaN: true }),
  swayM: fc.double({ min: 0, max: 3, noNaN: true }),
  backwards: fc.tuple(fc.boolean(), fc.boolean()),
});
type Stream = typeof stream extends fc.Arbitrary<infer T> ? T : never;

function walked(s: Stream) {
  const plane = createTangentPlane({ lat: s.lat, lon: s.lon }, s.bearingDeg);
  const bank = (y: number): Place[] =>
    Array.from({ length: 13 }, (_, i) => ({
      xM: (s.lengthM * i) / 12,
      yM: y + s.swayM * Math.sin((Math.PI * 2 * i) / 12),
    }));
  const told = (line: Place[], back: boolean) => {
    const at = line.map((p) => plane.toLonLat(p));
    return { type: 'LineString', coordinates: back ? at.toReversed() : at };
  };
  const [left, right] = [bank(-s.widthM / 2), bank(s.widthM / 2)];
  const stone = { xM: s.lengthM / 2, yM: 0 };
  return {
    plane,
    left,
    right,
    json: {
      type: 'FeatureCollection',
      features: [
        { type: 'Feature', properties: {}, geometry: told(right, s.backwards[1]) },
        { type: 'Feature', properties: {}, geometry: told(left, s.backwards[0]) },
        {
          type: 'Feature',
          properties: { name: 'Big rock', diameter: 0.9 },
          geometry: { type: 'Point', coordinates: plane.toLonLat(stone) },
        },
      ],
    },
    stone,
  };
}

it('whichever way they were walked, two banks become a beat: up-current, left and right, every place within a millimetre', () => {
  fc.assert(
    fc.property(stream, (s) => {
      const w = walked(s);
      const { plan } = made(whole(takeGeoJson(w.json)), ['right', 'left']);
      // The way the water comes from is known by the sides alone.
      const turn = Math.abs(((plan.bearingDeg - s.bearingDeg + 540) % 360) - 180);
      expect(turn).toBeLessThan(8);
      const back = createTangentPlane(plan.anchor!, plan.bearingDeg);
      const onEarth = (p: Place) => w.plane.toPlan(...back.toLonLat(p));
      for (const side of ['left', 'right'] as const) {
        const [bank] = featuresOf(plan, 'bank').filter((b) => b.side === side);
        const line = (bank!.shape as { line: Place[] }).line.map(onEarth);
        for (const p of line) expect(distanceToPolyline(p, w[side])).toBeLessThan(1e-3);
        expect(line.length).toBeGreaterThan(8);
      }
      expect(plan.lengthM).toBeGreaterThan(s.lengthM - 2 * s.widthM);
      const [stone] = featuresOf(plan, 'boulder');
      const lies = onEarth((stone!.shape as { place: Place }).place);
      expect(Math.hypot(lies.xM - w.stone.xM, lies.yM - w.stone.yM)).toBeLessThan(1e-3);
      expect(stone!.diameterM).toBe(0.9);
    }),
    { numRuns: 200 },
  );
});

it('any geometry is understood, in collections and in parts; words suggest what a place is', () => {
  const taken = whole(
    takeGeoJson({
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          properties: { name: 'left bank' },
          geometry: {
            type: 'MultiLineString',
            coordinates: [
              [
                [8, 46],
                [8.0001, 46],
              ],
              [
                [8.0001, 46],
                [8.0002, 46],
              ],
            ],
          },
        },
        {
          type: 'Feature',
          properties: { name: 'pool', depth: '0,8' },
          geometry: { type: 'MultiPoint', coordinates: [[8, 46]] },
        },
        {
          type: 'Feature',
          properties: { note: 'a big boulder' },
          geometry: {
            type: 'GeometryCollection',
            geometries: [{ type: 'Point', coordinates: [8, 46, 900] }],
          },
        },
        {
          type: 'Feature',
          properties: { name: 'field' },
          geometry: {
            type: 'Polygon',
            coordinates: [
              [
                [8, 46],
                [8.1, 46],
                [8, 46.1],
                [8, 46],
              ],
            ],
          },
        },
        { type: 'Feature', properties: { name: 'nowhere' }, geometry: null },
        {
          type: 'Feature',
          properties: { name: 'odd' },
          geometry: { type: 'Circle', coordinates: [8, 46] },
        },
      ],
    }),
  );
  expect(taken.lines.map((l) => l.name)).toEqual(['left bank', 'left bank', 'field']);
  expect(suggestedUses(taken)).toEqual({
    lines: ['left', 'left', 'none'],
    points: ['sounding', 'boulder'],
  });
  expect(taken.left).toEqual(['"nowhere" lies nowhere.', '"odd" is a Circle: not understood.']);
});

const bare = (a: unknown, b: unknown) => ({
  type: 'Feature',
  geometry: { type: 'LineString', coordinates: [a, b] },
});
it.each<[string, unknown, RegExp]>([
  [
    'metres',
    bare([2600000, 1200000], [2600010, 1200000]),
    /^A coordinate is \[2600000,1200000\]; it must be longitude/,
  ],
  ['no numbers', bare(['8', 46], [8, 46]), /^A coordinate is \["8",46\]/],
  [
    'another frame',
    {
      ...bare([8, 46], [8, 47]),
      crs: { type: 'name', properties: { name: 'urn:ogc:def:crs:EPSG::2056' } },
    },
    /are in "urn:ogc:def:crs:EPSG::2056"/,
  ],
  ['nothing', { type: 'FeatureCollection', features: [] }, /no line and no place/],
  ['no GeoJSON', [1, 2], /not GeoJSON/],
])('a file in %s is refused with a sentence', (_, json, words) => {
  const read = takeGeoJson(json);
  expect(read.ok ? '' : read.problem).toMatch(words);
});
describe('what is left is said', () => {
  const short = {
    ...walked({
      lat: 46,
      lon: 8,
      bearingDeg: 90,
      lengthM: 40,
      widthM: 4,
      swayM: 0,
      backwards: [false, false],
    }),
  };
  const taken = whole(takeGeoJson(short.json));
  it('no bank, or no stretch where both are', () => {
    expect(planFromLines(taken, { lines: ['right', 'none'], points: ['boulder'] }, 'x')).toEqual({
      ok: false,
      problem: 'No line is the left bank yet: say which, looking down-current.',
    });
    const apart = structuredClone(taken);
    apart.lines[1]!.at = apart.lines[1]!.at.map(([lon, lat]) => [lon + 0.01, lat]);
    const read = planFromLines(apart, { lines: ['right', 'left'], points: [] }, 'x');
    expect(read.ok ? '' : read.problem).toMatch(
      /beside each other for 0\.0 m; a beat is 5 m to 150 m/,
    );
  });
  it('a place off the beat, a sounding without a depth, a stretch that is too long', () => {
    const more = structuredClone(taken);
    const [lon, lat] = short.plane.toLonLat({ xM: 20, yM: 60 });
    more.points.push({ ...more.points[0]!, name: 'far', at: [lon, lat] });
    const { left, took } = made(more, ['right', 'left'], ['sounding', 'boulder']);
    expect(left).toEqual([
      '"Big rock" is left: it says no depth.',
      '"far" is left: it lies off the beat.',
    ]);
    expect(took[0]).toMatch(/^A beat of 40\.0 m, looking up-current 90° from north/);
    const long = walked({
      lat: 46,
      lon: 8,
      bearingDeg: 0,
      lengthM: 400,
      widthM: 4,
      swayM: 0,
      backwards: [true, false],
    });
    const cut = made(whole(takeGeoJson(long.json)), ['right', 'left']);
    expect(cut.plan.lengthM).toBe(150);
    expect(cut.left[0]).toMatch(/^250 m up-current are left/);
  });
});
