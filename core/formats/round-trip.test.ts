import fc from 'fast-check';
import type { Place } from '../grid/index';
import { readBeat, writeBeat, type BeatFeature, type BeatPlan } from './index';

const mm = (min: number, max: number) =>
  fc.integer({ min: Math.ceil(1000 * min), max: Math.floor(1000 * max) }).map((v) => v / 1000);
/** As a reader keeps them: without white space at their ends. */
const words = (maxLength: number) =>
  fc
    .string({ unit: 'grapheme', minLength: 1, maxLength })
    .map((w) => w.trim())
    .filter((w) => w !== '');
const LENGTH_M = 40;
const inside = fc.record({ xM: mm(0.5, LENGTH_M - 0.5), yM: mm(-1.8, 1.8) });
const point = (place: Place) => ({ type: 'Point' as const, place });
const feature: fc.Arbitrary<BeatFeature> = fc.oneof(
  fc.record({ at: inside, depthM: mm(0.05, 1.5) }).map(({ at, depthM }): BeatFeature => ({
    kind: 'sounding',
    shape: point(at),
    depthM,
  })),
  fc.record({ at: inside, d: mm(0.2, 1.5) }).map(({ at, d }): BeatFeature => ({
    kind: 'boulder',
    shape: point(at),
    diameterM: d,
    heightM: d / 2,
  })),
  fc
    .record({ at: inside, note: words(80) })
    .map(({ at, note }): BeatFeature => ({ kind: 'hazard', shape: point(at), note })),
  fc.record({ at: inside, w: mm(0.3, 2), l: mm(0.3, 2) }).map(({ at, w, l }): BeatFeature => ({
    kind: 'weed',
    density: 'sparse',
    shape: {
      type: 'Polygon',
      ring: [
        at,
        { xM: at.xM + l, yM: at.yM },
        { xM: at.xM + l, yM: at.yM + w },
        { xM: at.xM, yM: at.yM + w },
      ],
    },
  })),
);
const bank = (side: 'left' | 'right', sway: number[]): BeatFeature => ({
  kind: 'bank',
  side,
  form: 'sloping',
  shape: {
    type: 'LineString',
    line: sway.map((s, i) => ({
      xM: (LENGTH_M * i) / (sway.length - 1),
      yM: (side === 'left' ? -1 : 1) * (2 + s),
    })),
  },
});
const plan: fc.Arbitrary<BeatPlan> = fc
  .record({
    name: words(60),
    slope: mm(0.001, 0.1),
    bearingDeg: fc.integer({ min: 0, max: 359 }),
    lat: fc.integer({ min: -80_000, max: 80_000 }).map((v) => v / 1000),
    lon: fc.integer({ min: -179_000, max: 179_000 }).map((v) => v / 1000),
    sway: fc.array(mm(0, 1.5), { minLength: 3, maxLength: 9 }),
    features: fc.array(feature, { maxLength: 8 }),
    altitudeM: fc.option(fc.integer({ min: 0, max: 2500 }), { nil: undefined }),
  })
  .map(({ lat, lon, sway, features, altitudeM, ...header }): BeatPlan => ({
    version: 1,
    lengthM: LENGTH_M,
    ...header,
    ...(altitudeM !== undefined && { altitudeM }),
    anchor: { lat, lon },
    levels: (['Thin', 'Fair', 'Full', 'Spate'] as const).map((name, i) => ({
      name,
      dischargeM3s: 0.5 * 2 ** i,
      how: 'float',
    })),
    surveyedLevel: 'Fair',
    features: [
      bank('left', sway),
      bank('right', sway),
      { kind: 'sounding', shape: point({ xM: 20, yM: 0 }), depthM: 0.5 },
      ...features,
    ],
  }));

it.each(['plan', 'lonlat'] as const)(
  'whatever a beat holds, wherever it lies, it comes back from its file as it was (frame %s)',
  (frame) => {
    fc.assert(
      fc.property(plan, (told) => {
        const read = readBeat(JSON.parse(JSON.stringify(writeBeat(told, { frame }))));
        if (!read.ok) throw new Error(read.problems.map((p) => p.message).join(' '));
        expect(read.plan).toEqual(told);
      }),
      { numRuns: 150 },
    );
  },
);
