import { always, byWhatItPays, DAYS, makeDay, workDay } from './fixtures/days';
import {
  afterDone,
  alongStream,
  bestRate,
  metresBetween,
  ownConversion,
  paceFor,
  paysNow,
  placeLies,
  placeWorth,
  todaysPattern,
  type PlaceAhead,
} from './index';

/** Forty places of the page: 50 m apart, two lies of rating 60 (.36 home), a .45, 10 s. */
const lies = { count: 2, p: 0.6 * 0.6 * 0.85, answers: 0.45, coverS: 10 };
const forty: PlaceAhead[] = Array.from({ length: 40 }, () => ({ lies, apartM: 50 }));

describe('how fast to go (route.md, section 2)', () => {
  it('a place of the mix: four covers, .556 takes in 141.7 s', () => {
    const worth = placeWorth(lies, bestRate(forty));
    expect(worth.covers).toBe(4);
    expect(worth.takes).toBeCloseTo(0.556, 3);
    expect(worth.seconds).toBeCloseTo(141.7, 1);
  });
  it('2 km in 3 h go at 5.78 an hour; in 2 h at 14.75, so that the best rate is used', () => {
    expect(paceFor(forty, 2000, 3 * 3600)).toBeCloseTo(5.78, 2);
    expect(paceFor(forty, 2000, 2 * 3600)).toBeCloseTo(14.75, 2);
    expect(paysNow(forty, 2000, 3 * 3600).by).toBe('pace');
    expect(paysNow(forty, 2000, 2 * 3600)).toEqual({ lambda: bestRate(forty), by: 'rate' });
    expect(paysNow(forty, null, null).by).toBe('rate');
  });
  it('the best rate is that of the whole, walks among it (by hand: .556 takes in 141.7 + 123.1 s)', () => {
    expect(bestRate(forty)).toBeCloseTo((3600 * 0.555998) / (141.675 + 50 / 0.45 + 12), 2);
  });
  it('more time is never fewer takes an hour asked; what does not pay its settling is walked past', () => {
    const paces = [1, 2, 4, 8].map((h) => paceFor(forty, 2000, h * 3600));
    expect([...paces].sort((a, b) => b - a)).toEqual(paces);
    expect(placeWorth({ ...lies, p: 0.02 }, 7)).toMatchObject({ covers: 0, seconds: 0 });
  });
});

it('what one lie of a place shows tells of the others', () => {
  const one = { count: 3, p: 0.31, answers: 0.45, coverS: 10 };
  expect(afterDone(one, { blanks: [3, 3], takes: 0 })).toBeCloseTo(0.243, 3);
  expect(afterDone(one, { blanks: [3], takes: 1 })).toBeCloseTo(0.365, 3);
});

it('own success by kind is drawn to what was promised and to the others', () => {
  const own = ownConversion({
    pocket: { lies: 31, took: 17, promised: 0.3 },
    glide: { lies: 20, took: 2, promised: 0.25 },
    pool: { lies: 4, took: 0, promised: 0.35 },
    run: { lies: 9, took: 5, promised: 0.2 },
  });
  const told = Object.values(own).map((r) => r.best);
  [0.503, 0.152, 0.239, 0.408].forEach((page, i) => expect(told[i]).toBeCloseTo(page, 3));
  for (const r of Object.values(own)) {
    expect(r.low).toBeLessThan(r.best);
    expect(r.high).toBeGreaterThan(r.best);
  }
});

it.each(['rich', 'short, known', 'winter'])(
  'seeded days: going by what it pays takes no fewer than three casts and on (%s)',
  (name) => {
    let ours = 0;
    let three = 0;
    for (let seed = 0; seed < 8; seed++) {
      const day = makeDay(DAYS[name]!, 1000 + seed);
      ours += workDay(day, byWhatItPays(), seed);
      three += workDay(day, always(3), seed);
    }
    expect(ours).toBeGreaterThanOrEqual(0.97 * three);
    if (name !== 'short, known') expect(ours).toBeGreaterThan(1.1 * three);
  },
  60_000,
);

describe('the line along a stream', () => {
  const at = (id: string, takenMs: number, where: Parameters<typeof alongStream>[0][0]['at']) => ({
    id,
    takenMs,
    at: where,
  });
  it('a degree of latitude is 111.2 km on a sphere (by hand: 6371.0088 km π/180)', () => {
    expect(metresBetween({ lat: 45, lon: 7 }, { lat: 46, lon: 7 })).toBeCloseTo(111_195.1, 0);
  });
  it('paces add up with their error, tape without, the phone straight; order by time', () => {
    const line = alongStream([
      at('c', 3, { by: 'tape', afterId: 'b', metres: 20 }),
      at('a', 1, null),
      at('b', 2, { by: 'paces', afterId: 'a', metres: 40 }),
    ]);
    expect(line.map((l) => [l.id, l.best])).toEqual([
      ['a', 0],
      ['b', 40],
      ['c', 60],
    ]);
    expect([line[2]!.low, line[2]!.high]).toEqual([56, 64]);
  });
  it('a phone that is out by 200 m places nothing: a usual way on is taken, and it is said how', () => {
    const rough = { by: 'phone', lat: 45, lon: 7, accuracyM: 200 } as const;
    const line = alongStream([at('a', 1, { ...rough, accuracyM: 5 }), at('b', 2, rough)]);
    expect(line[1]).toMatchObject({ how: 'guessed', best: 55 });
    const good = alongStream([
      at('a', 1, { ...rough, accuracyM: 5 }),
      at('b', 2, { by: 'phone', lat: 45.001, lon: 7, accuracyM: 8 }),
    ]);
    expect(good[1]!.how).toBe('phone');
    expect(good[1]!.best).toBeCloseTo(111.2, 1);
  });
});

it('a pattern over places and beats: four feet and slow, five of six; poor water fits less than the mean', () => {
  const deep = { depthM: 1.2, meanSpeedMps: 0.2 };
  const thin = { depthM: 0.3, meanSpeedMps: 0.6 };
  const looks = [
    ...Array.from({ length: 5 }, () => ({ ...deep, found: true })),
    { ...deep, found: false },
    ...Array.from({ length: 8 }, () => ({ ...thin, found: false })),
  ];
  const today = todaysPattern(looks)!;
  expect(today.found).toBe(5);
  expect(today.fit(1.2, 0.2)).toBeGreaterThan(1.3);
  expect(today.fit(0.3, 0.6)).toBeLessThan(0.5);
  expect(todaysPattern(looks.slice(5))).toBeNull();
  // What was learned earlier says less than what was learned today.
  const earlier = todaysPattern(looks.map((l) => ({ ...l, earlier: true })))!;
  expect(earlier.fit(0.3, 0.6)).toBeGreaterThanOrEqual(today.fit(0.3, 0.6) - 1e-9);
});

it('a season before tells where to begin; what is found today soon says more', () => {
  const before = {
    depthM: { best: 1.2, low: 1, high: 1.45 },
    meanSpeedMps: { best: 0.25, low: 0.18, high: 0.35 },
  };
  const thin = { depthM: 0.3, meanSpeedMps: 0.6, found: false };
  expect(todaysPattern([], before)).toBeNull();
  const first = todaysPattern([thin], before)!;
  expect(first.fit(1.2, 0.25)).toBeGreaterThan(1);
  expect(first.found).toBe(0);
  const shallow = todaysPattern(
    Array.from({ length: 6 }, () => ({ ...thin, found: true })),
    before,
  )!;
  expect(shallow.fit(0.3, 0.6)).toBeGreaterThan(shallow.fit(1.2, 0.25));
});

it('cold water halves the answers, own success and fit move the chance, never beyond 19 in 20', () => {
  const told = { water: 'pool', count: 1, rating: 50, waterTempC: 12 } as const;
  expect(placeLies(told)).toMatchObject({ p: 0.425, answers: 0.25 });
  expect(placeLies({ ...told, waterTempC: 4 }).answers).toBeCloseTo(0.125, 12);
  expect(placeLies({ ...told, ownFactor: 1.5, fit: 9 }).p).toBe(0.95);
});
