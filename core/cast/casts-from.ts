import type { Scene } from '../sight/index';
import { createDriftEstimate, estimateKey, estimateSecondsInto } from './drift-estimate';
import { castTip } from './lays';
import { obstaclesOf } from './room-behind';
import { shotsInput, type ShotsQuestion } from './shots-input';
import {
  candidate,
  castOf,
  driftOf,
  shotContext,
  type Candidate,
  type SearchStats,
} from './shot-candidate';
import { simulateDrift } from './simulate-drift';
import { standsAt, type StandBefore } from './stands';

const COARSE = { nodeM: 0.5, dtS: 0.2, roughly: true } as const;

/**
 * The best cast at one fish from each of many stands, by the quick estimate; with `followed` the best two
 * of each are followed too (coarsely), which is slower and truer. null: none can be made from there.
 */
export function castsFrom(
  scene: Scene,
  question: ShotsQuestion,
  befores: readonly StandBefore[],
  followed: boolean,
): (Candidate | null)[] {
  const input = shotsInput(scene.plan, question);
  const looked: SearchStats = { stands: 0, candidates: 0, simulated: 0, unknown: 0 };
  const ground = shotContext(scene, input, looked);
  const obstacles = obstaclesOf(scene.plan);
  const found = new Map<StandBefore['place'], Candidate[]>();
  const estimate = createDriftEstimate();
  const keys = [...new Set(input.lays.map(estimateKey))];
  const sets = keys.map((key) => input.lays.filter((lay) => estimateKey(lay) === key));
  for (const aim of ground.aims) {
    for (const stand of standsAt(scene, input, aim.place, obstacles, befores)) {
      for (const set of sets) {
        const lays = set.filter((lay) => castOf(ground, stand, lay) !== null);
        if (lays.length === 0) continue;
        const tip = castTip(stand.place, aim.place, input.angler.rodM, lays[0]!.kind);
        estimateSecondsInto(
          estimate,
          ground.current,
          tip,
          aim.place,
          lays,
          aim.upRad,
          aim.followedS,
        );
        lays.forEach((lay, l) => {
          const cast = castOf(ground, stand, lay)!;
          const known = { cleanS: estimate.seconds[l]! };
          const list = found.get(stand.place) ?? [];
          list.push(candidate(ground, stand, aim, lay, cast, known));
          found.set(stand.place, list);
        });
      }
    }
  }
  return befores.map(({ place }) => {
    const list = (found.get(place) ?? []).sort((a, b) => b.chance.value - a.chance.value);
    if (!followed) return list[0] ?? null;
    const followedUp = list.slice(0, FOLLOWED).flatMap((c) => {
      const drift = simulateDrift(scene.flow, {
        ...driftOf(ground, c.stand.place, c.aim, c.lay),
        ...COARSE,
        seconds: c.aim.followedS,
        stopAtDrag: true,
      });
      return drift.status === 'ok' ? [candidate(ground, c.stand, c.aim, c.lay, c.cast, drift)] : [];
    });
    return followedUp.sort((a, b) => b.chance.value - a.chance.value)[0] ?? null;
  });
}
const FOLLOWED = 2;
