import { XMLParser } from 'fast-xml-parser';
import type { BeatPlan } from './index';
import { createTangentPlane, writeGpx, writePlaces } from './index';

const plan: BeatPlan = {
  version: 1,
  name: 'Fold Reach',
  lengthM: 30,
  slope: 0.01,
  bearingDeg: 40,
  anchor: { lat: 46, lon: 8 },
  levels: [],
  surveyedLevel: 'Fair',
  features: [],
};
const content = {
  waypoints: [
    {
      place: { xM: 12, yM: -3 },
      name: 'Fish 1',
      kind: 'fish',
      comment: 'sure & "holding"',
      atMs: Date.parse('2026-06-13T07:40:00Z'),
    },
    { place: { xM: 0, yM: 0 }, name: 'Entry' },
  ],
  way: { name: 'Stalk', places: [0, 1, 2].map((i) => ({ xM: i, yM: -i })) },
};

it('places and a way in longitude and latitude (RFC 7946), each where it lies to a millimetre', () => {
  const told = writePlaces(plan, content);
  const plane = createTangentPlane(plan.anchor!, plan.bearingDeg);
  expect(told.features.map((f) => f.geometry.type)).toEqual(['Point', 'Point', 'LineString']);
  const [lon, lat] = told.features[0]!.geometry.coordinates as [number, number];
  expect(Math.abs(lon)).toBeLessThanOrEqual(180);
  const back = plane.toPlan(lon, lat);
  expect(back.xM).toBeCloseTo(12, 2);
  expect(back.yM).toBeCloseTo(-3, 2);
  expect(told.features[0]!.properties).toEqual({
    name: 'Fish 1',
    kind: 'fish',
    comment: 'sure & "holding"',
    time: '2026-06-13T07:40:00.000Z',
  });
  expect(told.features[1]!.properties).toEqual({ name: 'Entry' });
  expect(() => writePlaces({ ...plan, anchor: undefined } as unknown as BeatPlan, content)).toThrow(
    'needs plan.anchor',
  );
});

it('GPX carries time, comment and kind, in the order of its schema', () => {
  const text = writeGpx(plan, content);
  const { gpx } = new XMLParser({ ignoreAttributes: false }).parse(text);
  expect(gpx.wpt[0]).toMatchObject({
    time: '2026-06-13T07:40:00.000Z',
    name: 'Fish 1',
    cmt: 'sure & "holding"',
    type: 'fish',
  });
  expect(Object.keys(gpx.wpt[0]).filter((k) => !k.startsWith('@'))).toEqual([
    'time',
    'name',
    'cmt',
    'type',
  ]);
});
