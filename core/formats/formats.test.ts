import { FIRST_BEAT_FILE } from '../../demo/first-beat';
import { joinBank, planHash, readBeat, writeBeat, type BeatPlan } from './index';

/** A small beat of its own, deliberately uneven. */
const file = (change: { header?: object; features?: unknown[] } = {}) => ({
  type: 'FeatureCollection',
  pebbleLane: {
    version: 1,
    frame: 'plan',
    name: 'Rill',
    lengthM: 20,
    slope: 0.01,
    bearingDeg: 30,
    surveyedLevel: 'Fair',
    levels: [{ name: 'Fair', dischargeM3s: 0.8, how: 'float' }],
    ...change.header,
  },
  features: change.features ?? [
    {
      type: 'Feature',
      geometry: {
        type: 'LineString',
        coordinates: [
          [0, -3],
          [20, -3.5],
        ],
      },
      properties: { kind: 'bank', side: 'left', form: 'sloping' },
    },
    {
      type: 'Feature',
      geometry: {
        type: 'LineString',
        coordinates: [
          [20, 3],
          [0, 2.5],
        ],
      },
      properties: { kind: 'bank', side: 'right', form: 'undercut', cutM: 0.4 },
    },
    {
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [8, 0.3] },
      properties: { kind: 'sounding', depthM: 0.5 },
    },
  ],
});
const problemsOf = (json: unknown) => {
  const read = readBeat(json);
  return read.ok ? [] : read.problems.map((p) => p.message);
};
const planOf = (json: unknown): BeatPlan => {
  const read = readBeat(json);
  if (!read.ok) throw new Error(problemsOf(json).join(' '));
  return read.plan;
};

it('reads a beat and says which levels it guessed', () => {
  const read = readBeat(file());
  if (!read.ok) throw new Error('unreadable');
  expect(read.plan.levels.map((l) => [l.name, l.dischargeM3s, l.how])).toEqual([
    ['Thin', 0.4 * 0.8, 'guessed'],
    ['Fair', 0.8, 'float'],
    ['Full', 1.6, 'guessed'],
    ['Spate', 3.2, 'guessed'],
  ]);
  expect(read.notes).toHaveLength(3);
});

it('writes what it read, in metres and in true coordinates', () => {
  const plan = planOf(file({ header: { anchor: { lat: 47, lon: 9 } } }));
  expect(planOf(writeBeat(plan))).toEqual(plan);
  const geographic = JSON.parse(JSON.stringify(writeBeat(plan, { frame: 'lonlat' })));
  expect(planOf(geographic)).toEqual(plan);
  // Without the plan geometry beside them true coordinates are good to 5 mm.
  for (const f of geographic.features) delete f.planGeometry;
  const again = planOf(geographic);
  again.features.forEach((f, i) => {
    const flat = (b: typeof f) =>
      JSON.stringify(b.shape)
        .match(/-?\d+\.?\d*(e-?\d+)?/g)!
        .map(Number);
    flat(f).forEach((n, j) =>
      expect(Math.abs(n - flat(plan.features[i]!)[j]!)).toBeLessThan(0.005),
    );
  });
  expect(() => writeBeat(planOf(file()), { frame: 'lonlat' })).toThrow('needs plan.anchor');
});

it('outer rings go round to the left in true coordinates (RFC 7946, 3.1.6), and come back as they were drawn', () => {
  const square: [number, number][] = [
    [2, 1],
    [3, 1],
    [3, 2],
    [2, 2],
  ];
  const around = (ring: [number, number][]) => ({
    type: 'Feature',
    geometry: { type: 'Polygon', coordinates: [[...ring, ring[0]!]] },
    properties: { kind: 'weed', density: 'thick' },
  });
  for (const ring of [square, [...square].reverse()]) {
    const told = file({ header: { anchor: { lat: 47, lon: 9 } } });
    const plan = planOf({ ...told, features: [...told.features, around(ring)] });
    const written = writeBeat(plan, { frame: 'lonlat' });
    const outer = written.features.at(-1)!.geometry.coordinates as [number, number][][];
    const area = outer[0]!.reduce((sum, [x, y], i, all) => {
      const [nx, ny] = all[(i + 1) % all.length]!;
      return sum + x * ny - nx * y;
    }, 0);
    expect(area).toBeGreaterThan(0);
    expect(planOf(JSON.parse(JSON.stringify(written)))).toEqual(plan);
  }
});

it('names every problem by feature and property, and keeps nothing', () => {
  const bad = file({
    features: [
      {
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [1, 'a'] },
        properties: { kind: 'sounding', depthM: 0.2 },
      },
      {
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [1, 1] },
        properties: { kind: 'boulder', diameterM: 40 },
      },
      {
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [1, 1] },
        properties: { kind: 'castle' },
      },
      {
        type: 'Feature',
        geometry: {
          type: 'LineString',
          coordinates: [
            [0, 0],
            [0, 3],
          ],
        },
        properties: {
          kind: 'section',
          stations: [
            { offsetM: 0, depthM: 0 },
            { offsetM: 0, depthM: 9 },
          ],
        },
      },
    ],
  });
  const messages = problemsOf(bad);
  expect(messages).toContain(
    'Feature 0 (sounding): geometry point 0 is [1,"a"]; it must be two numbers.',
  );
  expect(messages).toContain(
    'Feature 1 (boulder): diameterM is 40; it must be a number from 0.1 to 12 m.',
  );
  expect(messages).toContain('Feature 1 (boulder): heightM is missing.');
  expect(messages.find((m) => m.startsWith('Feature 2: kind is "castle"'))).toBeDefined();
  expect(messages.find((m) => m.includes('station 1: depthM is 9'))).toBeDefined();
});

it.each([
  ['not GeoJSON', 7, 'it must be a GeoJSON FeatureCollection'],
  ['no header', { type: 'FeatureCollection', features: [] }, 'The header pebbleLane is missing'],
  ['no left bank', file({ features: file().features.slice(1) }), 'there is no left bank'],
  ['no depths', file({ features: file().features.slice(0, 2) }), 'no section and no sounding'],
  [
    'a level twice',
    file({
      header: {
        levels: [
          { name: 'Fair', dischargeM3s: 1 },
          { name: 'Fair', dischargeM3s: 2 },
        ],
      },
    }),
    'level Fair is given twice',
  ],
  [
    'a steep slope',
    file({ header: { slope: 3 } }),
    'slope is 3; it must be a number from 0 to 0.2',
  ],
  [
    'ledges higher than the fall',
    file({
      features: [
        ...file().features,
        {
          type: 'Feature',
          geometry: {
            type: 'LineString',
            coordinates: [
              [5, -3],
              [5, 3],
            ],
          },
          properties: { kind: 'ledge', dropM: 0.5 },
        },
      ],
    }),
    'ledges drop 0.50 m',
  ],
])('%s: a sentence', (_, json, sentence) => {
  expect(problemsOf(json).join(' ')).toContain(sentence);
});

it('crossing banks and a sharp bend are refused', () => {
  const banks = (left: number[][], right: number[][]) =>
    file({
      features: [
        {
          type: 'Feature',
          geometry: { type: 'LineString', coordinates: left },
          properties: { kind: 'bank', side: 'left', form: 'cut' },
        },
        {
          type: 'Feature',
          geometry: { type: 'LineString', coordinates: right },
          properties: { kind: 'bank', side: 'right', form: 'cut' },
        },
        {
          type: 'Feature',
          geometry: { type: 'Point', coordinates: [8, 0.3] },
          properties: { kind: 'sounding', depthM: 0.5 },
        },
      ],
    });
  expect(
    problemsOf(
      banks(
        [
          [0, 3],
          [20, 3],
        ],
        [
          [0, -3],
          [20, -3],
        ],
      ),
    ).join(' '),
  ).toContain('they cross or meet');
  expect(
    problemsOf(
      banks(
        [
          [0, -3],
          [9, -3],
          [11, 17],
          [20, 17],
        ],
        [
          [0, 3],
          [9, 3],
          [11, 23],
          [20, 23],
        ],
      ),
    ).join(' '),
  ).toContain('Make it two beats');
});

it('joins bank pieces, notes a small gap, refuses a large one', () => {
  const pieces = (x: number) => {
    const plan = planOf(file());
    const left = { kind: 'bank' as const, side: 'left' as const, form: 'sloping' as const };
    return joinBank(
      {
        lengthM: 20,
        features: [
          {
            ...left,
            shape: {
              type: 'LineString',
              line: [
                { xM: 0, yM: -3 },
                { xM: 9, yM: -3 },
              ],
            },
          },
          {
            ...left,
            shape: {
              type: 'LineString',
              line: [
                { xM: x, yM: -3 },
                { xM: 20, yM: -3 },
              ],
            },
          },
          ...plan.features,
        ].slice(0, 2) as BeatPlan['features'],
      },
      'left',
    );
  };
  expect(pieces(10)).toMatchObject({
    problem: null,
    notes: ['A gap of 1.00 m in the left bank at x 9.0 m was closed straight.'],
  });
  expect(pieces(13).problem).toContain('gap of 4.0 m');
});

it('the hash of a plan does not depend on the order of keys, and changes with any figure', () => {
  const plan = planOf(file());
  const turned = Object.fromEntries(Object.entries(plan).reverse()) as unknown as BeatPlan;
  expect(planHash(turned)).toBe(planHash(plan));
  expect(planHash({ ...plan, slope: 0.0101 })).not.toBe(planHash(plan));
});

it.each([
  [{ lat: 52 }, 'Latitude 52 stands alone'],
  [{ lon: -3, lat: null }, 'Longitude -3 stands alone'],
])('a place with one of its two figures is refused with a sentence: %j', (anchor, sentence) => {
  const file = { ...FIRST_BEAT_FILE, pebbleLane: { ...FIRST_BEAT_FILE.pebbleLane, anchor } };
  const read = readBeat(file);
  expect(read.ok).toBe(false);
  expect(!read.ok && read.problems.map((p) => p.message).join(' ')).toContain(sentence);
});
