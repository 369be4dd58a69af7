import { createRandom } from '../grid/index';
import { ROUTE } from './guesses';
import {
  afterStop,
  begin,
  liesFrom,
  run,
  workingOf,
  type RouteAsk,
  type RouteState,
  type RouteStep,
  type Stop,
  type Working,
} from './evaluate';
import type { RouteGround } from './ground';

/** Stops in order, as steps, and the state at their end. */
export interface Found {
  stops: Stop[];
  steps: RouteStep[];
  end: RouteState;
}

/** Longer than this no route is. */
const MOST_STOPS = 40;
/** Shares of the best lie of a stand from which on its lies are worked too. */
const SHARES = [0, 0.55, 0.85];
/** Moves taken at most; fewer where an earlier plan is gone on with. */
const WARM_BEAM = 6;
const MOST_MOVES = 60;
const WARM_MOVES = 12;

/**
 * The best order of stands that is found: first as if there were time without end; where that is too
 * long, at several prices of time as well. A beam, then moves until none helps, then rounds in which a
 * part is undone and made anew. The same question gives the same route, whatever the clock; with `warm`
 * the stops of an earlier one are gone on with, and little else is tried.
 */
export function searchRoute(
  ground: RouteGround,
  ask: RouteAsk,
  { warm, rounds = ROUNDS }: { warm?: readonly Stop[]; rounds?: number } = {},
): Found {
  let best: Found = { stops: [], steps: [], end: begin(workingOf(ground, ask, 1)) };
  const consider = (shadow: number, stops: readonly Stop[]) => {
    const { state, steps, stops: kept } = run(workingOf(ground, ask, shadow), stops);
    if (state.net > best.end.net + 1e-9) best = { stops: kept, steps, end: state };
    return kept.length === stops.length;
  };
  if (warm) {
    const w = workingOf(ground, ask, 1);
    for (const start of [warm, beam(w, WARM_BEAM)]) consider(1, improve(w, start, WARM_MOVES));
    return best;
  }
  const timeless = timelessRoute(ground, { ...ask, budgetS: null, turn: false }, rounds);
  if (consider(1, timeless)) return best;
  let last: Stop[] = timeless;
  for (const shadow of ROUTE.shadows) {
    const w = workingOf(ground, ask, shadow);
    for (const start of [beam(w, ROUTE.beam), last]) {
      last = improve(w, start, MOST_MOVES);
      consider(shadow, last);
    }
  }
  return best;
}

/** With time without end. Who may go as he likes may also go up, or down. */
function timelessRoute(ground: RouteGround, ask: RouteAsk, rounds: number): Stop[] {
  const w = workingOf(ground, ask, 1);
  const starts = [beam(w, ROUTE.beam)];
  if (ask.direction === 'free')
    for (const direction of ['up', 'down'] as const)
      starts.push(timelessRoute(ground, { ...ask, direction }, rounds));
  let best: Stop[] = [];
  let most = 0;
  for (const start of starts) {
    const stops = again(w, improve(w, start, MOST_MOVES), rounds);
    const { net } = run(w, stops).state;
    if (net > most) [best, most] = [stops, net];
  }
  return best;
}

/** Rounds in which some stops are taken out and the rest is improved anew; seeded, counted, never by the clock. */
function again(w: Working, start: readonly Stop[], rounds: number): Stop[] {
  const random = createRandom(SEED);
  let now = [...start];
  let most = run(w, now).state.net;
  for (let round = 0; round < rounds && now.length > 1; round++) {
    const from = Math.floor(random() * now.length);
    const many = 1 + Math.floor(random() * Math.min(3, now.length - 1));
    const tried = improve(w, [...now.slice(0, from), ...now.slice(from + many)], ROUND_MOVES);
    const { net } = run(w, tried).state;
    if (net > most + 1e-9) [now, most] = [tried, net];
  }
  return now;
}
const SEED = 7;
const ROUNDS = 8;
const ROUND_MOVES = 12;

interface Branch {
  state: RouteState;
  stops: Stop[];
  key: number;
}

/** Stand after stand, the most promising kept at each step. */
function beam(w: Working, width: number): Stop[] {
  let front: Branch[] = [{ state: begin(w), stops: [], key: 0 }];
  let best: Branch = front[0]!;
  for (let depth = 0; depth < MOST_STOPS && front.length > 0; depth++) {
    const next: Branch[] = [];
    for (const branch of front) {
      for (let stand = 0; stand < w.ground.stands.length; stand++) {
        const lies = liesFrom(w, branch.state, stand);
        if (lies.length === 0) continue;
        let before = -1;
        for (const share of SHARES) {
          const chosen = lies.filter((l) => l.net >= share * lies[0]!.net);
          if (chosen.length === before) continue;
          before = chosen.length;
          // Nearer lies first: the line over the others frightens them.
          const stop = {
            stand,
            lies: nearFirst(
              w,
              stand,
              chosen.map((l) => l.lie),
            ),
          };
          const after = afterStop(w, branch.state, stop);
          if (!after || after.state.net < branch.state.net - 0.05) continue;
          next.push({
            state: after.state,
            stops: [...branch.stops, stop],
            key: after.state.net + ROUTE.leftCounts * undisturbed(w, after.state),
          });
        }
      }
    }
    next.sort((a, b) => b.key - a.key || a.state.seconds - b.state.seconds);
    front = distinct(next, width);
    for (const b of front) if (b.state.net > best.state.net) best = b;
  }
  return best.stops;
}

/** Two branches that did the same and stand alike are one. */
function distinct(list: readonly Branch[], width: number): Branch[] {
  const seen = new Set<string>();
  const out: Branch[] = [];
  for (const b of list) {
    const name = `${b.state.at} ${b.state.done.join('')}`;
    if (seen.has(name)) continue;
    seen.add(name);
    out.push(b);
    if (out.length >= width) break;
  }
  return out;
}

function nearFirst({ ground }: Working, stand: number, lies: readonly number[]): number[] {
  const s = ground.stands[stand]!;
  const away = (l: number) => Math.hypot(ground.lies[l]!.xM - s.xM, ground.lies[l]!.yM - s.yM);
  return [...lies].sort((a, b) => away(a) - away(b) || a - b);
}

/** What is left: of each lie the best that any stand would bring, as calm as it is now. */
function undisturbed(w: Working, s: RouteState): number {
  let sum = 0;
  for (let lie = 0; lie < w.ground.lies.length; lie++) {
    if (s.done[lie] || w.p0[lie] === 0) continue;
    sum += bestAlone(w, lie) * Math.exp(-s.dose[lie]!);
  }
  return sum;
}
const alone = new WeakMap<Working, Float64Array>();
function bestAlone(w: Working, lie: number): number {
  let known = alone.get(w);
  if (!known) {
    known = new Float64Array(w.ground.lies.length);
    const fresh = begin(w);
    for (let stand = 0; stand < w.ground.stands.length; stand++)
      for (const l of liesFrom(w, fresh, stand)) known[l.lie] = Math.max(known[l.lie]!, l.net);
    alone.set(w, known);
  }
  return known[lie]!;
}

/** Moves until none helps: drop, move, swap, reverse, another stand, one lie more, one stop more. */
function improve(w: Working, start: readonly Stop[], rounds: number): Stop[] {
  let now = run(w, start);
  for (let round = 0; round < rounds; round++) {
    let moved = false;
    // The first that helps is taken, and the moves go on from there.
    const before = prefixes(w, now.stops);
    for (const stops of neighbours(w, now.stops)) {
      const net = netOf(w, before, now.stops, stops);
      if (net <= now.state.net + 1e-9) continue;
      now = run(w, stops);
      moved = true;
      break;
    }
    if (!moved) break;
  }
  return now.stops;
}

/** States before each stop of a plan, and at its end. */
function prefixes(w: Working, stops: readonly Stop[]): RouteState[] {
  const out = [begin(w)];
  for (const stop of stops) out.push(afterStop(w, out.at(-1)!, stop)?.state ?? out.at(-1)!);
  return out;
}

/** What a plan nets that begins like another one: only what differs is gone through. */
function netOf(
  w: Working,
  before: readonly RouteState[],
  known: readonly Stop[],
  stops: readonly Stop[],
): number {
  let same = 0;
  while (same < known.length && same < stops.length && known[same] === stops[same]) same++;
  let state = before[same]!;
  for (let i = same; i < stops.length; i++) state = afterStop(w, state, stops[i]!)?.state ?? state;
  return state.net;
}

function* neighbours(w: Working, stops: readonly Stop[]): Generator<Stop[]> {
  const n = stops.length;
  const without = (i: number) => stops.filter((_, k) => k !== i);
  for (let i = 0; i < n; i++) yield without(i);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (i === j) continue;
      const rest = without(i);
      yield [...rest.slice(0, j), stops[i]!, ...rest.slice(j)];
    }
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j <= n; j++)
      yield [...stops.slice(0, i), ...stops.slice(i, j).reverse(), ...stops.slice(j)];
  // The same lies from elsewhere, and with what else is in reach there.
  const worked = new Set(stops.flatMap((s) => s.lies));
  for (let stand = 0; stand < w.ground.stands.length; stand++) {
    const reach = w.ground.casts[stand]!;
    for (let i = 0; i < n; i++) {
      const held = stops[i]!.lies.filter((l) => reach[l]);
      const spare = reach.flatMap((c, l) => (c && !worked.has(l) && w.p0[l]! > 0 ? [l] : []));
      const put = (lies: number[]) => [
        ...stops.slice(0, i),
        { stand, lies: nearFirst(w, stand, lies) },
        ...stops.slice(i + 1),
      ];
      if (held.length > 0 && stand !== stops[i]!.stand) yield put(held);
      for (const l of spare) yield put([...held, l]);
    }
    for (let i = 0; i <= n; i++) {
      const takes = reach.flatMap((c, l) => (c && w.p0[l]! > 0 ? [l] : []));
      if (takes.length === 0) continue;
      // A new stop takes what is left over; or takes lies over from those before and after.
      const spare = takes.filter((l) => !worked.has(l));
      if (spare.length > 0)
        yield [
          ...stops.slice(0, i),
          { stand, lies: nearFirst(w, stand, spare) },
          ...stops.slice(i),
        ];
      const over = takes.slice(0, 6);
      yield [
        ...stops.slice(0, i).map((s) => ({ ...s, lies: s.lies.filter((l) => !over.includes(l)) })),
        { stand, lies: nearFirst(w, stand, over) },
        ...stops.slice(i).map((s) => ({ ...s, lies: s.lies.filter((l) => !over.includes(l)) })),
      ];
    }
  }
}
