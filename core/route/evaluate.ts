import { memoizeByObject } from '../grid/index';
import { alarmedBy } from '../cast/index';
import { bestCovers, expectedCovers, gainOf, MOST_COVERS, type Coverable } from '../moves/index';
import { ROUTE } from './guesses';
import type { RouteGround } from './ground';

/** Which way a route goes. */
export const DIRECTIONS = ['up', 'down', 'free'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** What was done already, by lie: covers with their looks, and whether it is done with. */
export interface Tick {
  lieId: string;
  /** Chance of a look of each cover that nothing answered. */
  looks: readonly number[];
  /** Gone, taken, or passed by: not gone back to. */
  closed: boolean;
}

export interface RouteAsk {
  /** Where one is: a stand by its number, or null at the entries. */
  at: number | null;
  lambda: number;
  /** Time there is, s; null: no end. */
  budgetS: number | null;
  /** Back at the entry within it. */
  turn: boolean;
  direction: Direction;
  ticks: readonly Tick[];
}

export interface StepLie {
  lie: number;
  covers: number;
  /** Chance that a willing calm fish is there when it is come to, and of a take. */
  p: number;
  gain: number;
  /** Of p: that a fish is home, after what was tried there today, and that it is calm by then. */
  home: number;
  calm: number;
}
export interface RouteStep {
  stand: number;
  waySeconds: number;
  wadedM: number;
  lies: StepLie[];
  seconds: number;
}

/** A stand, and the lies worked from it in order. */
export interface Stop {
  stand: number;
  lies: readonly number[];
}

/** Where a route has got to. */
export interface RouteState {
  at: number | null;
  /** The farthest that was come, along the direction, m; null: nowhere yet. */
  frontM: number | null;
  seconds: number;
  /** Share of the alarm time, by lie, as it is now. */
  dose: Float64Array;
  done: Uint8Array;
  takes: number;
  looks: number;
  net: number;
}

/** What does not change while one question is asked. */
export interface Working {
  ground: RouteGround;
  ask: RouteAsk;
  /** Price of a second while covers are chosen, which may be more than λ where time is short. */
  price: number;
  /** Chance of a willing fish, by lie, ticks among it; 0: closed. */
  p0: Float64Array;
  /** Covers at every lie, whatever pays: how a rule fishes; or at least one at this lie. */
  covers?: number;
  must?: number;
}

export function workingOf(ground: RouteGround, ask: RouteAsk, shadow: number): Working {
  const p0 = Float64Array.from(ground.lies, ({ home }) => home * ROUTE.willing);
  for (const t of ask.ticks) {
    const i = ground.lies.findIndex((l) => l.id === t.lieId);
    if (i < 0) continue;
    if (t.closed) p0[i] = 0;
    for (const look of t.looks) {
      const none = 1 - look * ground.lies[i]!.answers;
      p0[i] = (p0[i]! * none) / (1 - p0[i]! + p0[i]! * none);
    }
  }
  return { ground, ask, price: ask.lambda * shadow, p0 };
}

export const begin = ({ ground, ask }: Working): RouteState => ({
  at: ask.at,
  frontM: ask.at === null ? null : ground.stands[ask.at]!.xM,
  seconds: 0,
  dose: new Float64Array(ground.lies.length),
  done: new Uint8Array(ground.lies.length),
  takes: 0,
  looks: 0,
  net: 0,
});

/** A way along the ground: its seconds, what of it is waded, and what it does to each lie's peace. */
export interface RouteWay {
  seconds: number;
  wadedM: number;
  /** Share of the alarm time, by lie. */
  dose: readonly number[];
}

/** The way to a stand, from where one is: the quickest of the entries' at the beginning; null: none. */
export const wayTo = ({ ground }: Working, from: number | null, stand: number): RouteWay | null =>
  from === null ? wayFromEntry(ground, stand) : wayBetween(ground, [from], stand);

/** The quickest way to a stand from any entry; null: none. */
export const wayFromEntry = (ground: RouteGround, stand: number): RouteWay | null =>
  wayBetween(
    ground,
    ground.entries.map((_, i) => ground.stands.length + i),
    stand,
  );

function wayBetween(
  { ways }: RouteGround,
  rows: readonly number[],
  stand: number,
): RouteWay | null {
  let best: { row: number; seconds: number } | null = null;
  for (const row of rows) {
    const seconds = ways.seconds[row]?.[stand];
    if (seconds != null && (best === null || seconds < best.seconds)) best = { row, seconds };
  }
  return (
    best && {
      seconds: best.seconds,
      wadedM: ways.wadedM[best.row]![stand]!,
      dose: ways.dose[best.row]![stand]!,
    }
  );
}

/** Whether the direction lets one go to a stand from as far as one has come. */
export function mayGo({ ground, ask }: Working, frontM: number | null, stand: number): boolean {
  if (frontM === null || ask.direction === 'free') return true;
  const dx = ground.stands[stand]!.xM - frontM;
  return ask.direction === 'up' ? dx >= -ROUTE.backM : dx <= ROUTE.backM;
}

const coverable = (w: Working, lie: number, p: number, look: number): Coverable => {
  const l = w.ground.lies[lie]!;
  return { p, a: look * l.answers, coverS: l.coverS, takeS: ROUTE.takeS, worth: l.worth };
};

/** Lies of a stand that could be worked from here, best first. */
export function liesFrom(w: Working, s: RouteState, stand: number): { lie: number; net: number }[] {
  const out: { lie: number; net: number }[] = [];
  for (let lie = 0; lie < w.ground.lies.length; lie++) {
    const cast = w.ground.casts[stand]![lie];
    if (!cast || s.done[lie] || w.p0[lie] === 0) continue;
    const one = coverable(w, lie, w.p0[lie]! * Math.exp(-s.dose[lie]!), cast.cover.look);
    const n = bestCovers(one, w.price, MOST_COVERS);
    if (n === 0) continue;
    const perS = w.price / 3600;
    out.push({
      lie,
      net:
        gainOf(one, n) - perS * (one.coverS * expectedCovers(one, n) + one.takeS * gainOf(one, n)),
    });
  }
  return out.sort((a, b) => b.net - a.net || a.lie - b.lie);
}

/**
 * The state after a stop, and the stop as a step; null when no way leads there, when the direction or
 * the time does not allow it, or when nothing there pays a cover.
 */
export function afterStop(
  w: Working,
  s: RouteState,
  stop: Stop,
): { state: RouteState; step: RouteStep } | null {
  const { ground, ask } = w;
  if (!mayGo(w, s.frontM, stop.stand)) return null;
  const way = wayTo(w, s.at, stop.stand);
  if (!way) return null;
  const stay = s.at === stop.stand;
  const dose = Float64Array.from(s.dose);
  let passed = way.seconds + (stay ? 0 : ROUTE.standS);
  for (let i = 0; i < dose.length; i++)
    dose[i] = dose[i]! * Math.exp(-passed / ROUTE.forgetsS) + way.dose[i]!;
  const done = Uint8Array.from(s.done);
  const steps: StepLie[] = [];
  let takes = 0;
  let looks = 0;
  let value = 0;
  const { still, harms } = disturbance(ground)[stop.stand]!;
  for (const lie of stop.lies) {
    const cast = ground.casts[stop.stand]![lie];
    if (!cast || done[lie] || w.p0[lie] === 0) continue;
    // Nobody stands there unseen: the lie that is worked most, the others half as much.
    for (let i = 0; i < dose.length; i++)
      if (!done[i]) dose[i]! += still[i]! * (i === lie ? 1 : ROUTE.stillOthers);
    const calm = Math.exp(-dose[lie]!);
    const p = w.p0[lie]! * calm;
    const one = coverable(w, lie, p, cast.cover.look);
    const pays = w.covers ?? bestCovers(one, w.price, MOST_COVERS);
    const covers = w.must === lie ? Math.max(1, pays) : pays;
    if (covers === 0) continue;
    done[lie] = 1;
    const gain = gainOf({ ...one, worth: 1 }, covers);
    const made = expectedCovers(one, covers);
    const seconds = one.coverS * made + ROUTE.takeS * gain;
    takes += gain;
    value += one.worth! * gain;
    looks += p * (1 - (1 - cast.cover.look) ** covers);
    passed += seconds;
    steps.push({ lie, covers, p, home: w.p0[lie]! / ROUTE.willing, calm, gain });
    const { lined, fight } = harms[lie]!;
    const fade = Math.exp(-seconds / ROUTE.forgetsS);
    for (let i = 0; i < dose.length; i++) {
      if (done[i]) continue;
      const fought = Math.max(0.02, 1 - gain * ROUTE.fights * fight[i]!);
      dose[i] = dose[i]! * fade + lined[i]! * made - Math.log(fought);
    }
  }
  if (steps.length === 0) return null;
  const seconds = s.seconds + passed;
  const backS = ask.turn ? ground.backS[stop.stand] : 0;
  if (backS == null) return null;
  if (ask.budgetS !== null && seconds + backS > ask.budgetS) return null;
  return {
    state: {
      at: stop.stand,
      frontM: farther(ask.direction, s.frontM, ground.stands[stop.stand]!.xM),
      seconds,
      dose,
      done,
      takes: s.takes + takes,
      looks: s.looks + looks,
      net: s.net + value - (ask.lambda / 3600) * passed,
    },
    step: {
      stand: stop.stand,
      waySeconds: way.seconds,
      wadedM: way.wadedM,
      lies: steps,
      seconds: passed,
    },
  };
}

interface Harm {
  /** What one cover at this lie frightens another with, and how much of a fight reaches it, by lie. */
  lined: Float64Array;
  fight: Float64Array;
}

/** What working from each stand does to every lie: it hangs on the ground alone. */
const disturbance = memoizeByObject<RouteGround, { still: Float64Array; harms: (Harm | null)[] }[]>(
  (ground) =>
    ground.stands.map((stand, s) => ({
      still: Float64Array.from(
        ground.seen[s]!,
        (e) => (Math.max(0, e - ROUTE.stillFree) / ground.tauS) * ROUTE.stillS,
      ),
      harms: ground.lies.map((at, l) => {
        const cast = ground.casts[s]![l];
        if (!cast) return null;
        return {
          lined: Float64Array.from(
            ground.lies,
            (o) =>
              ROUTE.linedBy * Math.exp(-((offLine(o, stand, cast.landing) / ROUTE.linedM) ** 2)),
          ),
          fight: Float64Array.from(ground.lies, (o) => alarmedBy(o, at, stand, ROUTE.fightM)),
        };
      }),
    })),
);

/** Distance from a place to the line as it lies, m. */
function offLine(
  p: { xM: number; yM: number },
  a: { xM: number; yM: number },
  b: { xM: number; yM: number },
): number {
  const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
  const d2 = dx * dx + dy * dy;
  const t = d2 > 0 ? Math.min(1, Math.max(0, ((p.xM - a.xM) * dx + (p.yM - a.yM) * dy) / d2)) : 0;
  return Math.hypot(p.xM - a.xM - t * dx, p.yM - a.yM - t * dy);
}

const farther = (direction: Direction, frontM: number | null, xM: number): number =>
  frontM === null ? xM : direction === 'down' ? Math.min(frontM, xM) : Math.max(frontM, xM);

/** A whole plan; stops that cannot be made are left out. */
export function run(
  w: Working,
  stops: readonly Stop[],
): { state: RouteState; steps: RouteStep[]; stops: Stop[] } {
  let state = begin(w);
  const steps: RouteStep[] = [];
  const kept: Stop[] = [];
  for (const stop of stops) {
    const next = afterStop(w, state, stop);
    if (!next) continue;
    state = next.state;
    steps.push(next.step);
    kept.push({ stand: stop.stand, lies: next.step.lies.map((l) => l.lie) });
  }
  return { state, steps, stops: kept };
}
