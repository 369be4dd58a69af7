import type { Place } from '../grid/index';
import { planStalkOn, type StalkContext, type StalkInput, type StalkWay } from './plan-stalk';
import type { Forbidden } from './walk-grid';

/** A way counts as another when less than this share of it lies near the first (our guess). */
const MOST_SHARED = 0.5;
const NEAR_M = 2;
/** Left free round start and stand, m: every way begins and ends there. */
const ENDS_M = 4;
/** Spots taken out along the way, this far apart and this wide, m. */
const SPOT_EVERY_M = 2;
const SPOT_M = 1.5;
/** A way that weighs more than this many times the best is no choice. */
const MOST_COST = 4;
const MOST_WAYS = 3;

/** Share of a way's places that lie near the other. */
export function sameWay(a: StalkWay, b: StalkWay): number {
  const near = a.moments.filter((m) =>
    b.moments.some((o) => Math.hypot(m.place.xM - o.place.xM, m.place.yM - o.place.yM) < NEAR_M),
  );
  return near.length / a.moments.length;
}

/**
 * Truly different ways to the same stand, the best first: each is the best that avoids the middles
 * of those before it. Fewer than three where the land allows no more.
 */
export function otherWays(
  ground: StalkContext,
  regrid: (forbidden: readonly Forbidden[]) => StalkContext,
  input: StalkInput,
): StalkWay[] {
  const first = planStalkOn(ground, input);
  if (first.kind !== 'way') return [];
  const ways = [first];
  while (ways.length < MOST_WAYS) {
    const spots = ways
      .flatMap((w) => middleOf(w, input.to))
      .map((p) => ({ ...p, radiusM: SPOT_M }));
    if (spots.length === 0) break;
    const next = planStalkOn(regrid([...(input.forbidden ?? []), ...spots]), input);
    if (next.kind !== 'way' || next.cost > MOST_COST * first.cost) break;
    if (ways.some((w) => sameWay(next, w) > MOST_SHARED)) break;
    ways.push(next);
  }
  return ways;
}

function middleOf(way: StalkWay, to: Place): Place[] {
  const out: Place[] = [];
  const start = way.moments[0]!.place;
  let last = -Infinity;
  for (const m of way.moments) {
    const fromStart = Math.hypot(m.place.xM - start.xM, m.place.yM - start.yM);
    const toStand = Math.hypot(m.place.xM - to.xM, m.place.yM - to.yM);
    if (m.atM - last < SPOT_EVERY_M || fromStart < ENDS_M || toStand < ENDS_M) continue;
    out.push(m.place);
    last = m.atM;
  }
  return out;
}
