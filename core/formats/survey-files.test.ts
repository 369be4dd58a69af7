import { planHash, readBeat, writeBeat, type BeatPlan } from './index';

/** What a surveyed file may carry beside its features, and what is kept of one that is not whole. */
const file = (header: object = {}, more: object[] = []) => ({
  type: 'FeatureCollection',
  pebbleLane: {
    version: 1,
    frame: 'plan',
    name: 'Rill',
    lengthM: 20,
    slope: 0.01,
    bearingDeg: 0,
    surveyedLevel: 'Fair',
    levels: [{ name: 'Fair', dischargeM3s: 1, how: 'float' }],
    ...header,
  },
  features: [bank('left', -3), bank('right', 3), sounding(10, 0, 0.5), ...more],
});
const bank = (side: string, y: number) => ({
  type: 'Feature',
  geometry: {
    type: 'LineString',
    coordinates: [
      [0, y],
      [20, y],
    ],
  },
  properties: { kind: 'bank', side, form: 'sloping' },
});
const sounding = (x: number, y: number, depthM: number) => ({
  type: 'Feature',
  geometry: { type: 'Point', coordinates: [x, y] },
  properties: { kind: 'sounding', depthM },
});
const messages = (json: unknown) => {
  const read = readBeat(json);
  return read.ok ? [] : read.problems.map((p) => p.message);
};
const fall = [
  { xM: 0, share: 0 },
  { xM: 12, share: 0.2 },
  { xM: 20, share: 1 },
];
const fit = { roughness: 1.2, points: 30, depthRmsM: 0.05, speedRmsMps: 0.1 };

it('a fall told by places and a calibration go through the file and change the hash', () => {
  const read = readBeat(file({ fallProfile: fall, calibration: fit }));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  expect(read.plan.fallProfile).toEqual(fall);
  expect(read.plan.calibration).toEqual(fit);
  expect(readBeat(JSON.parse(JSON.stringify(writeBeat(read.plan))))).toMatchObject({
    ok: true,
    plan: read.plan,
  });
  const bare = (readBeat(file()) as { plan: BeatPlan }).plan;
  const { calibration: _fit, ...unfitted } = read.plan;
  expect(new Set([bare, read.plan, unfitted].map(planHash)).size).toBe(3);
});

it.each([
  [[{ xM: 0, share: 0 }]],
  [
    [
      { xM: 0, share: 0.1 },
      { xM: 20, share: 1 },
    ],
  ],
  [
    [
      { xM: 0, share: 0 },
      { xM: 19, share: 1 },
    ],
  ],
  [
    [
      { xM: 0, share: 0 },
      { xM: 12, share: 0.6 },
      { xM: 10, share: 0.8 },
      { xM: 20, share: 1 },
    ],
  ],
  [
    [
      { xM: 0, share: 0 },
      { xM: 12, share: 0.6 },
      { xM: 15, share: 0.5 },
      { xM: 20, share: 1 },
    ],
  ],
  ['steep'],
])('a fall that cannot be is refused %#', (fallProfile) => {
  expect(messages(file({ fallProfile }))[0]).toMatch(
    /^fallProfile is .*; it must be a list of \{xM, share\}, growing, from share 0 at 0 to share 1 at 20 m\.$/,
  );
});

it('a calibration that cannot be names its figure', () => {
  expect(messages(file({ calibration: { ...fit, roughness: 40 } }))).toEqual([
    'calibration.roughness is 40; it must be a number from 0.1 to 10 (times).',
  ]);
  expect(messages(file({ calibration: 7 })).length).toBe(4);
});

it('a sounding on land is named with how far off it is; on the edge it is the tape', () => {
  expect(messages(file({}, [sounding(8, 3.2, 0.1)]))).toEqual([]);
  expect(messages(file({}, [sounding(8, 9, 0)]))).toEqual([]);
  expect(messages(file({}, [sounding(8, 5.5, 0.4)]))).toEqual([
    "Feature 3 (sounding): lies 2.5 m outside the water's edge at x 8.0, y 5.5 m, yet is 0.4 m deep; move it into the water or the bank out.",
  ]);
  expect(messages(file({}, [sounding(26, 0, 0.4)]))[0]).toMatch(/lies 6\.0 m outside/);
});

describe('what is good of a bad file', () => {
  it('is given beside the problems: the header and every feature that reads', () => {
    const read = readBeat(file({}, [sounding(4, 0, -2), sounding(6, 0, 0.3)]));
    if (read.ok) throw new Error('it must be refused');
    expect(read.problems).toHaveLength(1);
    expect(read.partial!.name).toBe('Rill');
    expect(read.partial!.features.map((f) => f.kind)).toEqual([
      'bank',
      'bank',
      'sounding',
      'sounding',
    ]);
  });
  it('is nothing when the header does not read', () => {
    expect(readBeat(file({ lengthM: 0 }))).toMatchObject({ ok: false, partial: null });
    expect(readBeat([])).toMatchObject({ ok: false, partial: null });
  });
});
