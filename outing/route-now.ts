import { metresApart } from '../core/grid/index';
import { foldTry, triesAt, type Settings, type Try } from '../core/log/index';
import { castComeTo, castFromStand, castOfShot } from '../core/outing/stand-cast';
import type { BeatPack, LieState, PackTarget } from '../core/outing/index';
import { snapshotWith } from '../core/planning/index';
import type { PlannedStop, RouteAsk, RouteGround, Tick } from '../core/route/index';
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
    const look = Math.max(0, ...ground.stands.map((_, s) => ground.casts[s]![l]?.cover.look ?? 0));
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
export function standingAt(
  target: PackTarget,
  ground: RouteGround,
  stop: PlannedStop,
  settings: Settings,
): PackTarget {
  const worked = stop.lies.find((l) => l.id === target.id);
  const own = target.shot;
  if (!worked || !own) return target;
  const come = { home: worked.home, calm: worked.calm, waySeconds: stop.waySeconds };
  // Where the stand is the one that was worked out for it, its cast was followed closely.
  const isOwn = metresApart(own.stand, ground.stands[stop.stand]!) < OWN_STAND_M;
  const found = isOwn
    ? castComeTo(own, come)
    : castFromStand(ground, stop.stand, worked.lie, come, own.fly);
  if (!found) return target;
  const { shot, predicted } = found;
  return {
    ...target,
    shot,
    snapshot: snapshotWith(target.snapshot, settings, {
      cast: castOfShot(shot, settings),
      predicted,
    }),
  };
}
/** A stand nearer than this to the one that was worked out is that one, m. */
const OWN_STAND_M = 0.8;
