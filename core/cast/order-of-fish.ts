import type { FlyKind } from '../rig/index';
import type { Fish, Scene } from '../sight/index';
import {
  createStalkKeep,
  planStalkOn,
  stalkContext,
  type StalkInput,
  type StalkKeep,
} from '../stalk/index';
import { quickShot, type Shot } from './find-shots';
import { sequenceTargets, type Sequence, type SequenceTarget } from './sequence-targets';
import type { ShotAngler } from './shots-input';

/** Ways to stands that may never be walked are asked on this grid, m. */
const COARSE_M = 0.5;

export interface FishInOrder extends Omit<Sequence, 'shots'> {
  /** Expected number of honest shots, at fish that are still calm. */
  expected: number;
  /** The cast to begin from, by fish; null: nothing can be cast at it from anywhere, and it comes last. */
  shots: (Shot | null)[];
}

/**
 * Which of several fish first: a cast to begin from for each (the quick search), the way to its stand
 * and what that leaves of the others' calm, then the order with the most honest shots. `how` is the way
 * as it would be asked for; its end is taken from each cast. Up to eight fish; a second or so.
 */
export function orderOfFish(
  scene: Scene,
  fish: readonly Fish[],
  how: StalkInput,
  { angler, fly }: { angler: ShotAngler; fly: FlyKind },
  keep: StalkKeep = createStalkKeep(),
): FishInOrder {
  const start = 'xM' in how.from ? how.from : how.from[0]!;
  const { from, conditions, wading, hiding, forbidden, alarm } = how;
  const shots = fish.map((target) =>
    quickShot(
      scene,
      {
        target,
        others: fish.filter((f) => f !== target),
        angler,
        fly,
        from,
        conditions,
        ...(wading && { wading }),
        ...(hiding && { hiding }),
        ...(forbidden && { forbidden }),
        ...(alarm && { alarm }),
      },
      keep,
    ),
  );
  // A fish that lies on dry land at this level has no shot, and sees nobody come.
  const seeing = fish.filter((_, i) => shots[i] !== null);
  const targets = fish.map((target, i): SequenceTarget => {
    const shot = shots[i];
    const none = { fish: target, stand: start, calmOf: fish.map(() => 0) };
    if (!shot) return none;
    const to = { ...how, fish: seeing, to: shot.stand, endPosture: shot.posture, via: [] };
    const input = { ...to, cellM: COARSE_M };
    const way = planStalkOn(stalkContext(scene, input, keep), input);
    // A stand that no way leads to leaves nobody calm: it comes last.
    if (way.kind !== 'way') return none;
    const calm = new Map(way.calm.map((c) => [c.fishId, c.best]));
    return { fish: target, stand: shot.stand, calmOf: fish.map((g) => calm.get(g.id) ?? 0) };
  });
  const { shots: expected, ...sequence } = sequenceTargets(scene, targets, start);
  return { ...sequence, expected, shots };
}
