import { bestCovers, gainOf, secondsOfCovers, MOST_COVERS } from '../moves/index';
import { ROUTE } from './guesses';
import type { RouteCast, RouteGround } from './ground';
import {
  DIRECTIONS,
  liesFrom,
  begin,
  run,
  workingOf,
  type Direction,
  type RouteAsk,
  type RouteStep,
  type Stop,
  type Working,
} from './evaluate';
import { searchRoute } from './search';

/** Why a lie is not on the route. */
export type LeftOutBecause =
  'no stand' | 'covered' | 'too poor' | 'seen' | 'out of time' | 'pays less';
export interface LeftOut {
  id: string;
  because: LeftOutBecause;
  /** What it would bring by itself, takes an hour; 0 where no cast can be made. */
  paysAnHour: number;
  /** What adding it would cost, takes over what the route nets; null: it cannot be added. */
  costs: number | null;
}

/** A stand of the route, in full: the lies from it in order, each with its cast. */
export interface PlannedStop extends Omit<RouteStep, 'lies'> {
  lies: (RouteStep['lies'][number] & { id: string; cast: RouteCast })[];
}

export interface WorkPlan {
  steps: PlannedStop[];
  stops: Stop[];
  leftOut: LeftOut[];
  /** Fish that get an honest look, and takes: to be expected, with the 10th and 90th percentile. */
  looks: { best: number; low: number; high: number };
  takes: number;
  /** Takes over what the time would bring elsewhere. */
  net: number;
  minutes: number;
  /** What the other directions would net. */
  beside: { direction: Direction; net: number; looks: number; minutes: number }[];
}

/** What cannot be planned at all. */
export type NoRoute = {
  kind: 'no entry' | 'no lies' | 'no stand' | 'no time' | 'all covered' | 'nothing pays';
};
export type RouteResult = ({ kind: 'route' } & WorkPlan) | NoRoute;

/** 80 % of a normal. */
const BAND_SD = 1.2816;

/**
 * The order of stands, what each covers and how often, what is left out and why. `warm`: the stops of the
 * plan before, tried first; `brief`: without what adding and other directions would bring. What cannot be
 * is data.
 */
export function planRoute(
  ground: RouteGround,
  ask: RouteAsk,
  { warm, brief = false }: { warm?: readonly Stop[]; brief?: boolean } = {},
): RouteResult {
  if (ask.budgetS !== null && ask.budgetS <= 0) return { kind: 'no time' };
  if (ground.lies.length === 0) return { kind: 'no lies' };
  if (ground.entries.length === 0) return { kind: 'no entry' };
  if (ground.stands.length === 0) return { kind: 'no stand' };
  const w = workingOf(ground, ask, 1);
  if (w.p0.every((p) => p === 0)) return { kind: 'all covered' };
  const found = searchRoute(ground, ask, warm ? { warm } : {});
  if (found.stops.length === 0) return { kind: 'nothing pays' };
  const looks = looksIn(ground, found.steps);
  return {
    kind: 'route',
    steps: found.steps.map((s) => ({
      ...s,
      lies: s.lies.map((l) => ({
        ...l,
        id: ground.lies[l.lie]!.id,
        cast: ground.casts[s.stand]![l.lie]!,
      })),
    })),
    stops: found.stops,
    leftOut: leftOut(w, found.stops, found.end.net, brief),
    looks,
    takes: found.end.takes,
    net: found.end.net,
    minutes: found.end.seconds / 60,
    beside: !brief
      ? DIRECTIONS.filter((d) => d !== ask.direction).map((direction) => {
          const other = searchRoute(ground, { ...ask, direction }, { rounds: 0 });
          return {
            direction,
            // Who may go as he likes may also go as asked.
            net: direction === 'free' ? Math.max(other.end.net, found.end.net) : other.end.net,
            looks: other.end.looks,
            minutes: other.end.seconds / 60,
          };
        })
      : [],
  };
}

/** Fish that get an honest look: the sum of the chances, its spread as if they did not hang together. */
function looksIn(ground: RouteGround, steps: readonly RouteStep[]): WorkPlan['looks'] {
  let best = 0;
  let variance = 0;
  for (const s of steps)
    for (const { lie, covers, p } of s.lies) {
      const { look } = ground.casts[s.stand]![lie]!.cover;
      const chance = p * (1 - (1 - look) ** covers);
      best += chance;
      variance += chance * (1 - chance);
    }
  const spread = BAND_SD * Math.sqrt(variance);
  return { best, low: Math.max(0, best - spread), high: best + spread };
}

function leftOut(w: Working, stops: readonly Stop[], net: number, brief: boolean): LeftOut[] {
  const { ground } = w;
  const worked = new Set(stops.flatMap((s) => s.lies));
  return ground.lies.flatMap((l, lie): LeftOut[] => {
    if (worked.has(lie)) return [];
    const casts = ground.stands.flatMap((_, s) => ground.casts[s]![lie] ?? []);
    const best = casts.reduce<RouteCast | null>(
      (a, c) => (a && a.cover.look >= c.cover.look ? a : c),
      null,
    );
    if (!best) return [{ id: l.id, because: 'no stand', paysAnHour: 0, costs: null }];
    if (w.p0[lie] === 0) return [{ id: l.id, because: 'covered', paysAnHour: 0, costs: null }];
    const one = {
      p: w.p0[lie]!,
      a: best.cover.look * l.answers,
      coverS: l.coverS,
      takeS: ROUTE.takeS,
      worth: l.worth,
    };
    const n = Math.max(1, bestCovers(one, w.price, MOST_COVERS));
    const seconds = ROUTE.standS + secondsOfCovers(one, n);
    const paysAnHour = (3600 * gainOf(one, n)) / seconds;
    const costs = brief ? null : costOfAdding(w, stops, lie, net);
    const fresh = begin(w);
    const paysAtAll = ground.stands.some((_, s) =>
      liesFrom(w, fresh, s).some((x) => x.lie === lie),
    );
    const timeless = workingOf(ground, { ...w.ask, budgetS: null, turn: false }, 1);
    const because: LeftOutBecause = !paysAtAll
      ? 'too poor'
      : w.ask.budgetS !== null && !brief && bestWith(timeless, stops, lie) > net + 1e-9
        ? 'out of time'
        : ground.stands.every((_, s) => !ground.casts[s]![lie] || ground.seen[s]![lie]! > SEEN)
          ? 'seen'
          : 'pays less';
    return [{ id: l.id, because, paysAnHour, costs }];
  });
}
/** Seen more than this from every stand, a lie is hardly fished calm. */
const SEEN = 0.5;

/** The best net of the same stops and one more for a lie that must be worked. */
function bestWith(w: Working, stops: readonly Stop[], lie: number): number {
  const must: Working = { ...w, must: lie };
  let best = -Infinity;
  for (let stand = 0; stand < w.ground.stands.length; stand++) {
    if (!w.ground.casts[stand]![lie]) continue;
    for (let i = 0; i <= stops.length; i++) {
      const tried = run(must, [...stops.slice(0, i), { stand, lies: [lie] }, ...stops.slice(i)]);
      if (tried.steps.some((s) => s.lies.some((l) => l.lie === lie)))
        best = Math.max(best, tried.state.net);
    }
  }
  return best;
}

function costOfAdding(w: Working, stops: readonly Stop[], lie: number, net: number): number | null {
  const best = bestWith(w, stops, lie);
  return best === -Infinity ? null : Math.max(0, net - best);
}
