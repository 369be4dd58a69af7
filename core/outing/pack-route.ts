import type { Lie } from '../lies/index';
import { paysToday } from '../moves/index';
import { flyInHand, rigInHand, type FlyKind } from '../rig/index';
import { NO_CAST, type Prediction } from '../planning/index';
import { planRoute, prepareRoute, wayFromEntry, type RouteGround } from '../route/index';
import type { Conditions, Scene } from '../sight/index';
import type { StalkKeep } from '../stalk/index';
import type { BeatPack, PackOrder, PackShot } from './pack-shape';
import { castFromStand } from './stand-cast';
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
  const fly = flyInHand(settings.tackle, 'dry-dropper');
  const rig = rigInHand(settings.tackle, fly);
  const told = { marks, lies, flow, settings, light, waterTempC, nowMs, rig, fly };
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

/** The best cast of a route's ground at one lie, come to straight from an entry. */
export function shotOfRoute(
  ground: RouteGround,
  lie: number,
  fly: FlyKind,
): { shot: PackShot | null; predicted: Prediction } {
  const lookFrom = (stand: number) => ground.casts[stand]![lie]?.cover.look ?? 0;
  const stand = ground.stands.reduce((best, _, s) => (lookFrom(s) > lookFrom(best) ? s : best), 0);
  const way = wayFromEntry(ground, stand);
  const come = {
    home: ground.lies[lie]!.home,
    calm: way && Math.exp(-way.dose[lie]!),
    waySeconds: way?.seconds ?? 0,
  };
  return castFromStand(ground, stand, lie, come, fly) ?? { shot: null, predicted: NO_CAST };
}
