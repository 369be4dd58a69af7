import { clamp, type Place } from '../grid/index';
import { coverOf, type CoverChance } from '../chance/index';
import { castsFrom, SURE_SHARE, type ShotsQuestion, type StandBefore } from '../cast/index';
import { entriesOf } from '../formats/index';
import {
  fishView,
  movingExposuresInto,
  POSTURES,
  type Fish,
  type Posture,
  type Scene,
} from '../sight/index';
import {
  ALARM,
  cellPlace,
  stalkContext,
  waysBetween,
  waysOut,
  type StalkKeep,
  type StalkQuestion,
  type Watcher,
} from '../stalk/index';
import { createChannel } from '../water/index';
import { ROUTE } from './guesses';
import type { RouteCast, RouteGround, RouteLie, RouteStand } from './ground';

/** A target of a route: the fish in it, or thought to be in it, and what is known of it. */
export interface RouteTarget extends Omit<RouteLie, 'xM' | 'yM'> {
  fish: Fish;
  unmarked: boolean;
}

export interface RouteQuestion {
  targets: readonly RouteTarget[];
  /** As a search for shots would be asked, for any of them. */
  shots: Omit<ShotsQuestion, 'target' | 'others' | 'home' | 'unmarked'>;
  /** Fewer lies and stands: a first answer. */
  coarse?: boolean;
}

/** Grid of the stands, m, and of the ways. */
const STAND_M = 1;
const WAY_M = 0.5;
const NEAREST_M = 2;
const LOW_ENOUGH = 0.15;
const CASTING: readonly Posture[] = ['stand', 'crouch', 'kneel'];
const COARSE = { lies: 10, stands: 24 } as const;

/**
 * What a route stands on: the best stands for every lie, the chance of an honest look from each, how
 * each lie sees somebody there, and the ways between all of them. Some seconds; yields its progress.
 */
export function* prepareRoute(
  scene: Scene,
  q: RouteQuestion,
  keep?: StalkKeep,
): Generator<number, RouteGround> {
  const targets = [...q.targets]
    .sort((a, b) => b.home * b.worth - a.home * a.worth || (a.id < b.id ? -1 : 1))
    .slice(0, q.coarse ? COARSE.lies : ROUTE.mostLies);
  const mostStands = q.coarse ? COARSE.stands : ROUTE.mostStands;
  const lies = targets.map(({ fish, unmarked: _, ...lie }): RouteLie => ({
    ...lie,
    xM: fish.xM,
    yM: fish.yM,
  }));
  const conditions = q.shots.conditions!;
  const angler = q.shots.angler! as StalkQuestion['angler'] & { landsWithinHalfMetreToM: number };
  const entries = entriesIn(q.shots.from) ?? entriesOf(scene.plan);
  const watchers = targets.map((t): Watcher => ({ ...t.fish, weight: t.home }));
  const question: StalkQuestion = {
    from: entries,
    fish: watchers,
    angler,
    conditions,
    ...(q.shots.wading && { wading: q.shots.wading }),
    ...(q.shots.hiding && { hiding: q.shots.hiding }),
    ...(q.shots.alarm && { alarm: q.shots.alarm }),
    ...(q.shots.forbidden && { forbidden: q.shots.forbidden }),
    cellM: WAY_M,
  };
  const context = stalkContext(scene, question, keep);
  yield 0.1;
  const ways = waysOut(context, question);
  const tauS = q.shots.alarm?.tauS ?? ALARM.tauS;
  const empty: RouteGround = {
    lies,
    stands: [],
    casts: [],
    seen: [],
    ways: { seconds: [], wadedM: [], dose: [] },
    entries: [...entries],
    backS: [],
    tauS,
  };
  if (!ways || lies.length === 0) return empty;
  yield 0.15;

  // Every open metre that some way leads to, once; then, for each lie, how it is seen there.
  const { grid } = ways;
  const cells = grid.nx * grid.ny;
  const open: { place: Place; cell: number }[] = [];
  const skip = Math.round(STAND_M / WAY_M);
  for (let cell = 0; cell < cells; cell++) {
    const [i, j] = [cell % grid.nx, Math.floor(cell / grid.nx)];
    if (i % skip !== 0 || j % skip !== 0 || grid.closed[cell]) continue;
    if (CASTING.some((p) => ways.cost[POSTURES.indexOf(p) * cells + cell]! < Infinity))
      open.push({ place: cellPlace(grid, cell), cell });
  }
  const e = new Float64Array(POSTURES.length);
  const views = targets.map((t) => fishView(scene, t.fish, conditions));
  const exposures = (lie: number, place: Place) => {
    movingExposuresInto(scene, views[lie]!, place, angler.heightM, conditions, e, 0);
    return e;
  };
  const shotsOf = (t: RouteTarget): ShotsQuestion => ({
    ...q.shots,
    target: t.fish,
    others: [],
    home: 1,
    unmarked: t.unmarked,
  });
  const reachable = (posture: Posture, cell: number) =>
    ways.cost[POSTURES.indexOf(posture) * cells + cell]! < Infinity;
  const beforeAt = (lie: number, place: Place, posture: Posture): StandBefore => ({
    place,
    posture,
    exposure: exposures(lie, place)[POSTURES.indexOf(posture)]!,
    othersExposure: 0,
    calm: 1,
    waySeconds: 0,
    wade: 0,
  });
  const channel = createChannel(scene.plan);
  const sideOf = (p: Place): RouteStand['side'] => {
    const n = channel.across(clamp(p.xM, 0, scene.plan.lengthM), p.yM);
    return n <= 0 ? 'left' : n >= 1 ? 'right' : 'water';
  };
  const first: { stand: RouteStand; value: number; lie: number; below: boolean }[] = [];
  for (const [l, t] of targets.entries()) {
    yield 0.15 + (0.35 * l) / targets.length;
    const befores: StandBefore[] = [];
    for (const { place, cell } of open) {
      const away = Math.hypot(place.xM - t.fish.xM, place.yM - t.fish.yM);
      if (away < NEAREST_M || away > 1.2 * angler.landsWithinHalfMetreToM) continue;
      const seenBy = [...exposures(l, place)];
      const postures = CASTING.filter((p) => reachable(p, cell));
      const low =
        postures.find((p) => seenBy[POSTURES.indexOf(p)]! <= LOW_ENOUGH) ??
        postures.reduce<Posture | null>(
          (best, p) =>
            best === null || seenBy[POSTURES.indexOf(p)]! < seenBy[POSTURES.indexOf(best)]! - 0.01
              ? p
              : best,
          null,
        );
      if (low === null) continue;
      const farthest = angler.landsWithinHalfMetreToM * SURE_SHARE[low] * 1.1;
      if (away > farthest) continue;
      befores.push({
        ...beforeAt(l, place, low),
        exposure: seenBy[POSTURES.indexOf(low)]!,
      });
    }
    const casts = castsFrom(scene, shotsOf(t), befores, false);
    const found = casts.flatMap((c, i) =>
      c && c.chance.look >= ROUTE.leastLook
        ? [
            {
              stand: {
                ...befores[i]!.place,
                posture: befores[i]!.posture,
                side: sideOf(befores[i]!.place),
              },
              value: c.chance.value,
              lie: l,
              below: isBelow(befores[i]!.place, t.fish),
            },
          ]
        : [],
    );
    first.push(...bestOf(found));
  }
  const stands = pickStands(first, targets, mostStands);
  if (stands.length === 0) return empty;

  const casts: (RouteCast | null)[][] = stands.map(() => lies.map(() => null));
  const seen = stands.map((s) => lies.map((_, l) => exposures(l, s)[POSTURES.indexOf(s.posture)]!));
  for (const [l, t] of targets.entries()) {
    yield 0.5 + (0.25 * l) / targets.length;
    const befores = stands.map((s) => beforeAt(l, { xM: s.xM, yM: s.yM }, s.posture));
    castsFrom(scene, shotsOf(t), befores, true).forEach((c, s) => {
      if (!c || c.chance.look < ROUTE.leastLook) return;
      casts[s]![l] = {
        cover: rounded(coverOf(c.chance)),
        cleanS: c.cleanS,
        distanceM: c.facts.distanceM,
        lay: c.lay,
        cast: c.cast,
        landing: c.aim.place,
      };
    });
  }
  const standing = stands.map((s) => ({ place: { xM: s.xM, yM: s.yM }, posture: s.posture }));
  const starts = [...standing, ...entries.map((place) => ({ place, posture: 'stand' as const }))];
  const between = waysBetween(context, question, starts, standing);
  let step = between.next();
  while (!step.done) {
    yield 0.75 + 0.25 * step.value;
    step = between.next();
  }
  const { seconds, wadedM, dose, fish } = step.value;
  const row = <T>(a: number, of: (at: number) => T) =>
    stands.map((_, b) => of(a * stands.length + b));
  const all = starts.map((_, a) => a);
  const secondsOf = all.map((a) =>
    row(a, (at) => (seconds[at]! < Infinity ? Math.round(seconds[at]!) : null)),
  );
  return {
    lies,
    stands,
    casts,
    seen: seen.map((r) => r.map(round)),
    ways: {
      seconds: secondsOf,
      wadedM: all.map((a) => row(a, (at) => round(wadedM[at]!))),
      dose: all.map((a) => row(a, (at) => lies.map((_, f) => round(dose[at * fish + f]!)))),
    },
    entries: [...entries],
    // The way out is the way in, walked back.
    backS: stands.map((_, b) => {
      const known = entries.flatMap((_e, i) => secondsOf[stands.length + i]![b] ?? []);
      return known.length > 0 ? Math.min(...known) : null;
    }),
    tauS,
  };
}

/** Of a cover more than three figures after the point is known of nothing, and it travels. */
function rounded(c: CoverChance): CoverChance {
  const to = (x: number) => Math.round(x * 1000) / 1000;
  return Object.fromEntries(
    Object.entries(c).map(([name, v]: [string, number | null]) => [name, v === null ? v : to(v)]),
  ) as unknown as CoverChance;
}
/** Two figures after the point are more than is known. */
const round = (x: number) => Math.round(x * 100) / 100;
const entriesIn = (from: Place | readonly Place[] | undefined): readonly Place[] | null =>
  from === undefined ? null : 'xM' in from ? [from] : from;

/** Behind the fish, which looks where it heads. */
const isBelow = (p: Place, fish: Fish) =>
  (p.xM - fish.xM) * Math.cos(fish.headingRad) + (p.yM - fish.yM) * Math.sin(fish.headingRad) < 0;

type Found = { stand: RouteStand; value: number; lie: number; below: boolean };
/** Of one lie: the best three, three more from below and one from above, apart from one another. */
function bestOf(found: readonly Found[]): Found[] {
  const sorted = [...found].sort(
    (a, b) =>
      b.value - a.value || a.stand.xM - b.stand.xM || Math.abs(a.stand.yM) - Math.abs(b.stand.yM),
  );
  const out: Found[] = [];
  const take = (list: readonly Found[], most: number) => {
    let taken = 0;
    for (const f of list) {
      if (taken >= most) return;
      if (out.some((o) => apart(o.stand, f.stand) < ROUTE.spacedM)) continue;
      out.push(f);
      taken++;
    }
  };
  take(sorted, 3);
  take(
    sorted.filter((f) => f.below),
    3,
  );
  take(
    sorted.filter((f) => !f.below),
    1,
  );
  return out;
}

const apart = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);

/** The best stand of every lie first, then the next best of all; two that are nearly one are one. */
function pickStands(
  found: readonly Found[],
  targets: readonly RouteTarget[],
  most: number,
): RouteStand[] {
  const out: RouteStand[] = [];
  const add = (s: RouteStand) => {
    if (out.length >= most) return;
    if (out.some((o) => o.posture === s.posture && apart(o, s) < ROUTE.sameM)) return;
    out.push(s);
  };
  for (let rank = 0; rank < 7; rank++)
    for (let l = 0; l < targets.length; l++) {
      const own = found.filter((f) => f.lie === l);
      if (own[rank]) add(own[rank]!.stand);
    }
  return out;
}
