import { PLACE, type TodaysPattern } from '../places/index';
import type { RouteGround } from '../route/index';
import type { PackTarget } from './pack-shape';

/** No lie is surer than this. */
const MOST_HOME = 0.95;

/** A route's ground with the lies that are like where fish were found today the likelier, and the others less. */
export function groundByPattern(
  ground: RouteGround,
  targets: readonly PackTarget[],
  pattern: Pick<TodaysPattern, 'fit'>,
): RouteGround {
  return {
    ...ground,
    lies: ground.lies.map((lie) => {
      const target = targets.find((t) => t.id === lie.id);
      const speed = target?.snapshot.target?.meanSpeedMps;
      // A fish that was seen is there whatever the pattern says.
      if (!target || target.markId !== null || speed == null) return lie;
      const fit = Math.min(PLACE.mostFit, pattern.fit(target.depthM, speed));
      return { ...lie, home: Math.min(MOST_HOME, lie.home * fit) };
    }),
  };
}
