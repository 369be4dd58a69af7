import { CHANCE, withinCovers } from '../chance/index';
import type { Lie } from '../lies/index';
import { paysToday } from '../moves/index';
import type { FlyKind } from '../rig/index';
import { planRoute, prepareRoute, type RouteGround } from '../route/index';
import type { Conditions, Scene } from '../sight/index';
import type { StalkKeep } from '../stalk/index';
import type { BeatPack, PackOrder, PackShot } from './pack-shape';
import { directionOf, routeQuestion } from './route-targets';

/** The route's ground, and the best stops on it; null where no route can be made. */
export function routeOf(
  { flow, marks, settings, nowMs }: PackOrder,
  scene: Scene,
  lies: readonly Lie[],
  light: Conditions,
  waterTempC: number,
  keep: StalkKeep,
  onProgress: (share: number) => void,
): BeatPack['route'] | null {
  const told = { marks, lies, flow, settings, light, waterTempC, nowMs };
  const steps = prepareRoute(scene, routeQuestion(told), keep);
  let step = steps.next();
  while (!step.done) {
    onProgress(step.value);
    step = steps.next();
  }
  const ground = step.value;
  const result = planRoute(
    ground,
    {
      at: null,
      lambda: paysToday(0, 0),
      budgetS: null,
      turn: false,
      direction: directionOf(settings),
      ticks: [],
    },
    { brief: true },
  );
  return ground.stands.length === 0
    ? null
    : { ground, stops: result.kind === 'route' ? result.stops : [] };
}

/** The best cast of a route's ground at one lie, as a target is told. */
export function shotOfRoute(ground: RouteGround, lie: number, fly: FlyKind): PackShot | null {
  const casts = ground.stands.flatMap((stand, s) => {
    const cast = ground.casts[s]![lie];
    return cast ? [{ stand, cast, s }] : [];
  });
  const best = casts.reduce<(typeof casts)[number] | null>(
    (a, c) => (a && a.cast.look >= c.cast.look ? a : c),
    null,
  );
  if (!best) return null;
  const { stand, cast, s } = best;
  const chance = ground.lies[lie]!.home * withinCovers(cast.look, 1, CHANCE.covers);
  const shifted = (by: number) => {
    const odds = (chance / (1 - chance)) * Math.exp(by);
    return odds / (1 + odds);
  };
  return {
    stand: { xM: stand.xM, yM: stand.yM },
    side: stand.side,
    posture: stand.posture,
    landing: cast.landing,
    lay: cast.lay,
    cast: cast.cast,
    distanceM: cast.distanceM,
    leadM: Math.hypot(
      cast.landing.xM - ground.lies[lie]!.xM,
      cast.landing.yM - ground.lies[lie]!.yM,
    ),
    cleanS: { low: cast.cleanS, best: cast.cleanS, high: cast.cleanS },
    chance: { low: shifted(CHANCE.band.low), best: chance, high: shifted(CHANCE.band.high) },
    waySeconds: Math.min(
      ...ground.entries.map((_, i) => ground.ways.seconds[ground.stands.length + i]![s] ?? 0),
    ),
    fly,
  };
}
