import type { Try } from '../core/log/index';
import { foldTry, triesAt } from '../core/log/index';
import type { BeatPack, LieState, PackTarget } from '../core/outing/index';
import type { PlannedStop, RouteAsk, Tick } from '../core/route/index';
import { isDue } from './next-thing';

/** Somebody so near a stand of the route is at it, m. */
const AT_STAND_M = 2;

/** What of the beat is done with, and where one is: what the route is asked from now on. */
export function routeAsk(
  pack: BeatPack,
  tries: readonly Try[],
  states: ReadonlyMap<string, LieState>,
  passed: ReadonlySet<string>,
  now: { lambda: number; nowMs: number; untilMs: number | null; direction: RouteAsk['direction'] },
): RouteAsk {
  const ground = pack.route!.ground;
  const here = tries.filter((t) => t.beatId === pack.beatId);
  const last = [...here].sort((a, b) => b.openedMs - a.openedMs)[0];
  const stood = last?.snapshot.cast?.stand;
  const away = (s: { xM: number; yM: number }) =>
    stood ? Math.hypot(s.xM - stood.xM, s.yM - stood.yM) : Infinity;
  const nearest = ground.stands.reduce(
    (best, s, i) => (away(s) < (best < 0 ? AT_STAND_M : away(ground.stands[best]!)) ? i : best),
    -1,
  );
  const ticks = ground.lies.flatMap((lie, l): Tick[] => {
    const state = states.get(lie.id);
    if (passed.has(lie.id)) return [{ lieId: lie.id, looks: [], closed: true }];
    if (!state) return [];
    const due = isDue(state, now.nowMs);
    const { markId } = pack.targets.find((t) => t.id === lie.id) ?? { markId: null };
    const blanks = triesAt({ beatId: pack.beatId, markId, place: lie }, here).reduce(
      (sum, t) => sum + foldTry(t.fly, t.events).casts,
      0,
    );
    const look = Math.max(0, ...ground.stands.map((_, s) => ground.casts[s]![l]?.look ?? 0));
    const covered = state.kind === 'covered' ? Array.from({ length: blanks }, () => look) : [];
    return [{ lieId: lie.id, looks: covered, closed: !due }];
  });
  return {
    at: nearest < 0 ? null : nearest,
    lambda: now.lambda,
    budgetS: now.untilMs === null ? null : (now.untilMs - now.nowMs) / 1000,
    turn: now.untilMs !== null,
    direction: now.direction,
    ticks,
  };
}

/** A target as it is fished from a stop of the route; where that is its own stand, as it was worked out. */
export function standingAt(target: PackTarget, pack: BeatPack, stop: PlannedStop): PackTarget {
  const { ground } = pack.route!;
  const stand = ground.stands[stop.stand]!;
  const worked = stop.lies.find((l) => l.id === target.id);
  const own = target.shot;
  if (!worked || !own || Math.hypot(own.stand.xM - stand.xM, own.stand.yM - stand.yM) < OWN_M)
    return target;
  const { cast, lie } = worked;
  const leadM = Math.hypot(cast.landing.xM - target.xM, cast.landing.yM - target.yM);
  const place = { xM: stand.xM, yM: stand.yM };
  return {
    ...target,
    shot: {
      ...own,
      stand: place,
      side: stand.side,
      posture: stand.posture,
      landing: cast.landing,
      lay: cast.lay,
      cast: cast.cast,
      distanceM: cast.distanceM,
      leadM,
      cleanS: { low: cast.cleanS, best: cast.cleanS, high: cast.cleanS },
      waySeconds: stop.waySeconds,
    },
    snapshot: {
      ...target.snapshot,
      cast: {
        stand: place,
        posture: stand.posture,
        landing: cast.landing,
        lay: cast.lay,
        mend: null,
        leadM,
        castKind: cast.cast,
        rig: target.snapshot.cast?.rig ?? { id: null, fly: own.fly, leaderM: null },
      },
      predicted: {
        cleanS: { low: cast.cleanS, best: cast.cleanS, high: cast.cleanS },
        calm: null,
        exposure: ground.seen[stop.stand]![lie]!,
        chance: {
          value: ground.lies[lie]!.home * (1 - (1 - cast.look) ** COVERS),
          parts: { look: cast.look },
        },
      },
    },
  };
}
/** A stand nearer than this to the one that was worked out is that one, m. */
const OWN_M = 0.8;
const COVERS = 3;
