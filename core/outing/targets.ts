import type { ShotAngler } from '../cast/index';
import { markAtHome } from '../chance/index';
import type { Lie } from '../lies/index';
import { priorsOf, type Mark, type Settings } from '../log/index';
import { lieAt } from '../planning/index';
import { rodLengthM, type FlyKind, type RigPlan } from '../rig/index';
import type { Fish } from '../sight/index';
import { SAME_LIE_M } from '../terms/index';
import type { Watcher } from '../stalk/index';

/** The fish thought to lie in a lie. The same lie gives the same fish, so that who compares sees no change. */
export function fishInLie(lie: Lie, totalLengthCm: number): Fish {
  const known = inLies.get(lie);
  if (known?.totalLengthCm === totalLengthCm) return known;
  const fish: Fish = {
    id: lie.id,
    xM: lie.xM,
    yM: lie.yM,
    fishDepthM: 0.75 * lie.depthM,
    headingRad: lie.headingRad,
    totalLengthCm,
    surety: 'maybe',
  };
  inLies.set(lie, fish);
  return fish;
}
const inLies = new WeakMap<Lie, Fish>();

/** Only what a fish is to those who ask how it sees: notes and history stay here. */
export const plainFish = (f: Watcher): Watcher => ({
  id: f.id,
  xM: f.xM,
  yM: f.yM,
  fishDepthM: f.fishDepthM,
  headingRad: f.headingRad,
  totalLengthCm: f.totalLengthCm,
  surety: f.surety,
});

/** Chance that a marked fish is home: by how surely and how lately it was seen, and by the lie it is in. */
export function homeOfMark(
  mark: Pick<Mark, 'xM' | 'yM' | 'surety' | 'seenMs' | 'behaviour'>,
  lies: readonly Pick<Lie, 'xM' | 'yM' | 'rating'>[],
  nowMs: number,
): number {
  const near = lieAt(lies, mark);
  const minutes = mark.seenMs > 0 ? (nowMs - mark.seenMs) / 60_000 : 0;
  return markAtHome(mark.surety, minutes, mark.behaviour === 'rising', (near?.rating ?? 0) / 100);
}

/** The best lies look too, a little, where no marked fish lies near: how many, how good, how far off. */
const LOOKING_LIES = { most: 3, leastRating: 35, apartM: SAME_LIE_M, weight: 0.3 };

/** Everyone who may see the angler coming: marks that are not gone, the target, and the best lies. */
export function watchersOf(
  marks: readonly Mark[],
  target: Fish | null,
  lies: readonly Lie[],
  fishLengthCm: number,
): Watcher[] {
  const fish: Fish[] = marks.filter((m) => m.behaviour !== 'gone');
  const seen = target && !marks.some((m) => m.id === target.id) ? [...fish, target] : fish;
  const looking = lies
    .filter(
      (lie) =>
        lie.rating >= LOOKING_LIES.leastRating &&
        seen.every((f) => Math.hypot(f.xM - lie.xM, f.yM - lie.yM) > LOOKING_LIES.apartM),
    )
    .slice(0, LOOKING_LIES.most)
    .map((lie) => ({
      ...fishInLie(lie, fishLengthCm),
      weight: (LOOKING_LIES.weight * lie.rating) / 100,
    }));
  return [...seen.map(plainFish), ...looking];
}

/** What is fished at a target: after takes on top the dropper is cut, for who holds with it. */
export const flyFished = (
  fly: FlyKind,
  dropper: Settings['methods']['dropper'],
  mark: Pick<Mark, 'behaviour'> | null,
): FlyKind =>
  fly === 'dry-dropper' && dropper === 'cut-when-up' && mark?.behaviour === 'rising' ? 'dry' : fly;

/** What the record says of the angler's casts and strikes; nothing as long as it says nothing. */
function learnedOf(s: Settings): Pick<ShotAngler, 'learned'> {
  const { scatter, hook } = priorsOf(s);
  const isPlain = hook === 0 && Object.values(scatter).every((v) => v === 1);
  return isPlain ? {} : { learned: { scatter, hook } };
}

/** The angler as a search for shots asks for one, with the rod that the rig is on. */
export const shotAngler = (s: Settings, rig: RigPlan): ShotAngler => ({
  heightM: s.anglerHeightM,
  massKg: s.anglerMassKg,
  maxWadeM: s.maxWadeM,
  rodM: rodLengthM(rig, s.tackle, s.rodM),
  rodHand: s.rodHand,
  landsWithinHalfMetreToM: s.landsWithinHalfMetreToM,
  comfortableM: s.comfortableM,
  ...learnedOf(s),
});
