import type { FlyKind, Rig } from '../rig/index';
import type { Fish, Scene } from '../sight/index';
import {
  createStalkKeep,
  planStalkOn,
  stalkContext,
  type StalkInput,
  type StalkKeep,
} from '../stalk/index';
import { quickShot } from './find-shots';
import type { Shot } from './shots-found';
import {
  afterCovers,
  sequenceTargets,
  type Sequence,
  type SequenceTarget,
} from './sequence-targets';
import type { ShotAngler, ShotsQuestion } from './shots-input';

/** Ways to stands that may never be walked are asked on this grid, m. */
const COARSE_M = 0.5;

export interface OrderAsked extends Pick<
  ShotsQuestion,
  'castFrom' | 'windSchool' | 'landingDraws'
> {
  angler: ShotAngler;
  fly: FlyKind;
  rig: Rig;
  /** What is known of each fish beside where it lies, and what is fished at it, by its id. */
  fishes?: Record<
    string,
    Partial<Pick<ShotsQuestion, 'home' | 'species' | 'waterTempC' | 'fly' | 'rig'>>
  >;
  /** What a look at a fish is worth, by its id; 1 where nothing is said. */
  worth?: Record<string, number>;
}

export interface FishInOrder extends Omit<Sequence, 'shots'> {
  /** Expected number of fish that get an honest look. */
  expected: number;
  /** The cast to begin from, by fish; null: nothing can be cast at it from anywhere, and it comes last. */
  shots: (Shot | null)[];
}

/**
 * Which of several fish first: a cast to begin from for each (the quick search), the way to its stand
 * and what that leaves of the others' calm, then the order in which most of them get an honest look. `how` is the way
 * as it would be asked for; its end is taken from each cast. Up to eight fish; a second or so.
 */
export function orderOfFish(
  scene: Scene,
  fish: readonly Fish[],
  how: StalkInput,
  { angler, fly, rig, fishes = {}, worth = {}, castFrom, windSchool, landingDraws }: OrderAsked,
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
        rig,
        ...fishes[target.id],
        from,
        conditions,
        ...(wading && { wading }),
        ...(hiding && { hiding }),
        ...(forbidden && { forbidden }),
        ...(alarm && { alarm }),
        ...(castFrom && { castFrom }),
        ...(windSchool && { windSchool }),
        ...(landingDraws !== undefined && { landingDraws }),
      },
      keep,
    ),
  );
  // A fish that lies on dry land at this level has no shot, and sees nobody come.
  const seeing = fish.filter((_, i) => shots[i] !== null);
  const targets = fish.map((target, i): SequenceTarget => {
    const shot = shots[i];
    const none = {
      fish: target,
      stand: start,
      calmOf: fish.map(() => 0),
      value: 0,
      hooked: 0,
      spooked: 0,
    };
    if (!shot) return none;
    const to = { ...how, fish: seeing, to: shot.stand, endPosture: shot.posture, via: [] };
    const input = { ...to, cellM: COARSE_M };
    const way = planStalkOn(stalkContext(scene, input, keep), input);
    // A stand that no way leads to leaves nobody calm: it comes last.
    if (way.kind !== 'way') return none;
    const calm = new Map(way.calm.map((c) => [c.fishId, c.best]));
    return {
      fish: target,
      stand: shot.stand,
      calmOf: fish.map((g) => calm.get(g.id) ?? 0),
      value: shot.chance.found,
      worth: worth[target.id] ?? 1,
      ...afterCovers(shot.chance),
    };
  });
  const { shots: expected, ...sequence } = sequenceTargets(scene, targets, start);
  return { ...sequence, expected, shots };
}
