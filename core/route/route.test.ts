import { exactNet } from './fixtures/exact';
import { madeGround } from './fixtures/grounds';
import type { Stop } from './evaluate';
import { byRule, drawDay, RULES } from './fixtures/rules';
import {
  planRoute,
  ROUTE,
  searchRoute,
  type RouteAsk,
  type RouteGround,
  type WorkPlan,
} from './index';
import { kept } from '../../testing/kept';

const ASK: RouteAsk = {
  at: null,
  lambda: 4,
  budgetS: 1800,
  turn: false,
  direction: 'free',
  ticks: [],
};
const keptRoute = (g: RouteGround, ask: RouteAsk) =>
  kept('route', ['brief', g, ask], () => planRoute(g, ask, { brief: true }));
const keptSearch = (g: RouteGround, ask: RouteAsk, warm?: Stop[]) =>
  kept('route', ['search', g, ask, warm], () => searchRoute(g, ask, warm && { warm }));
const planned = (g: RouteGround, more: Partial<RouteAsk> = {}): WorkPlan => {
  const result = keptRoute(g, { ...ASK, ...more });
  if (result.kind !== 'route') throw new Error(result.kind);
  return result;
};

it('against every order on small cuts: never above it, mostly equal, at worst 6 % below', () => {
  const gaps: number[] = [];
  for (let seed = 1; seed <= 12; seed++) {
    const g = madeGround(seed, 4, 4);
    for (const budgetS of [720, 3600]) {
      const exact = kept('route', ['exact', g, budgetS], () => exactNet(g, { ...ASK, budgetS }));
      const fast = keptSearch(g, { ...ASK, budgetS }).end.net;
      expect(fast).toBeLessThanOrEqual(exact + 1e-9);
      if (exact > 0.05) gaps.push((exact - fast) / exact);
    }
  }
  gaps.sort((a, b) => a - b);
  expect(gaps.length).toBeGreaterThan(10);
  expect(gaps[Math.floor(gaps.length / 2)]).toBe(0);
  expect(gaps.at(-1)!).toBeLessThan(0.06);
});

it('the same question gives the same route; a mirrored stretch the mirrored one', () => {
  const [g, m] = [madeGround(5, 9, 14), madeGround(5, 9, 14, true)];
  expect(planRoute(g, ASK, { brief: true })).toEqual(planned(g));
  expect(planned(m).stops).toEqual(planned(g).stops);
});

it('up never steps back far, down neither; free nets no less than either', () => {
  const g = madeGround(8, 12, 20);
  const along = (direction: 'up' | 'down') =>
    planned(g, { direction }).steps.map((s) => g.stands[s.stand]!.xM);
  // Never farther back than a few steps from the farthest that was come.
  const back = (x: number[], sign: number) =>
    x.map((v, i) => Math.max(...x.slice(0, i + 1).map((u) => sign * u)) - sign * v);
  for (const b of back(along('up'), 1)) expect(b).toBeLessThanOrEqual(ROUTE.backM);
  for (const b of back(along('down'), -1)) expect(b).toBeLessThanOrEqual(ROUTE.backM);
  const free = planned(g, { budgetS: null }).net;
  for (const direction of ['up', 'down'] as const)
    expect(free).toBeGreaterThanOrEqual(planned(g, { direction, budgetS: null }).net - 1e-9);
});

it('more time is never less gain, and the end lies within it, back at the entry where one turns', () => {
  const g = madeGround(11, 12, 20);
  let before = 0;
  for (const budgetS of [600, 1200, 2400, 4800]) {
    const plan = planned(g, { budgetS, turn: true });
    const back = g.backS[plan.steps.at(-1)!.stand]!;
    expect(60 * plan.minutes + back).toBeLessThanOrEqual(budgetS);
    expect(plan.net).toBeGreaterThanOrEqual(before - 1e-9);
    before = plan.net;
  }
});

it('blanks lower a lie, and what is ticked off is not gone back to; taken back, the route is that of before', () => {
  const g = madeGround(3, 8, 12);
  const first = planned(g);
  const one = first.steps[0]!.lies[0]!;
  const looks = Array.from({ length: 6 }, () => one.cast.cover.look);
  const blank = planned(g, { ticks: [{ lieId: one.id, looks, closed: false }] });
  expect(blank.net).toBeLessThan(first.net);
  const closed = planned(g, { ticks: [{ lieId: one.id, looks: [], closed: true }] });
  expect(closed.steps.flatMap((s) => s.lies.map((l) => l.id))).not.toContain(one.id);
  expect(closed.leftOut.find((l) => l.id === one.id)!.because).toBe('covered');
  expect(planned(g, { ticks: [] })).toEqual(first);
});

it('going on from two stands keeps nearly all of what is left', () => {
  const g = madeGround(21, 14, 24);
  const whole = planned(g, { budgetS: null });
  const done = whole.stops.slice(0, 2);
  const ticks = done.flatMap((s) =>
    s.lies.map((l) => ({ lieId: g.lies[l]!.id, looks: [], closed: true })),
  );
  const ask = { ...ASK, budgetS: null, at: done[1]!.stand, ticks };
  const warm = keptSearch(g, ask, whole.stops.slice(2)).end.net;
  expect(warm).toBeGreaterThanOrEqual(0.95 * keptSearch(g, ask).end.net);
});

it('a poor lie below good ones is left out, and it is said why and what it would cost', () => {
  const g = madeGround(5, 9, 14);
  g.lies[0]!.home = 0.01;
  const result = planRoute(g, ASK);
  if (result.kind !== 'route') throw new Error(result.kind);
  const poor = result.leftOut.find((l) => l.id === 'l0')!;
  expect(poor.because).toBe('too poor');
  expect(poor.costs).toBeGreaterThanOrEqual(0);
  expect(result.beside.map((b) => b.direction)).toEqual(['up', 'down']);
  expect(result.looks.low).toBeLessThan(result.looks.best);
});

it('what cannot be planned is said by what is missing', () => {
  const g = madeGround(5, 6, 8);
  const said = (ground: RouteGround, more: Partial<RouteAsk> = {}) =>
    planRoute(ground, { ...ASK, ...more }).kind;
  expect(said({ ...g, entries: [] })).toBe('no entry');
  expect(said({ ...g, lies: [] })).toBe('no lies');
  expect(said({ ...g, stands: [], casts: [], seen: [] })).toBe('no stand');
  expect(said(g, { budgetS: 0 })).toBe('no time');
  const ticks = g.lies.map((l) => ({ lieId: l.id, looks: [], closed: true }));
  expect(said(g, { ticks })).toBe('all covered');
  expect(said(g, { lambda: 90 })).toBe('nothing pays');
});

it('seeded days: the route gives more honest looks an hour than the nearest, the best rated, or foot up', () => {
  const perHour = (steps: (g: RouteGround) => ReturnType<typeof byRule>) => {
    let looks = 0;
    let seconds = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const g = madeGround(100 + seed, 12, 20);
      const route = steps(g);
      for (let day = 0; day < 30; day++) {
        const drawn = drawDay(g, route, day);
        looks += drawn.looks;
        seconds += drawn.seconds;
      }
    }
    return (3600 * looks) / seconds;
  };
  const ours = perHour((g) => keptSearch(g, ASK).steps);
  for (const rule of RULES) expect(ours).toBeGreaterThan(perHour((g) => byRule(g, ASK, rule)));
});
