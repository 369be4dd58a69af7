import type { ShotAngler } from '../../core/cast/index';
import {
  fishInLie,
  flyFished,
  homeOfMark,
  plainFish,
  shotAngler,
  watchersOf,
} from '../../core/outing/index';
import { heatAt, type Heat } from '../../core/day/heat';
import {
  driftRigOf,
  findRig,
  floatsAs,
  rigInHand,
  rodLengthM,
  type FlyKind,
  type Rig,
  type RigPlan,
} from '../../core/rig/index';
import type { BeatPlan } from '../../core/formats/index';
import { fitHome } from '../../core/lies/home';
import type { Lie } from '../../core/lies/index';
import { memoizeByObject } from '../../core/grid/index';
import {
  ASSUMED_TEMP_C,
  homeAsked,
  priorsOf,
  type Mark,
  type Priors,
  type TempSource,
} from '../../core/log/index';
import type { Fish } from '../../core/sight/index';
import type { StalkWay, Watcher } from '../../core/stalk/index';
import { isStale, valueOf } from './answer';
import { SAME_HOUR_H } from '../../core/day/hour-temp';
import { dayHere, hourTempOf } from './day-here';
import type { WorkspaceState } from './state';

export const markOf = (s: WorkspaceState): Mark | null =>
  s.marks.find((m) => m.id === s.markId) ?? null;
export const lieOf = (s: WorkspaceState): Lie | null =>
  valueOf(s, 'lies')?.lies.find((l) => l.id === s.lieId) ?? null;
export const numberOfMark = (s: WorkspaceState, id: string) =>
  s.marks.findIndex((m) => m.id === id) + 1;

/** What the angler is after: the chosen mark, else a fish thought to lie in the chosen lie. */
export function targetOf(s: WorkspaceState): Fish | null {
  const mark = markOf(s);
  if (mark) return mark;
  const lie = lieOf(s);
  return lie && fishInLie(lie, s.settings.fishLengthCm);
}

/** How the target is called: "Fish 2", "The fish in the lie"; null without one. */
export function targetName(s: WorkspaceState): string | null {
  if (s.markId && numberOfMark(s, s.markId) > 0) return `Fish ${numberOfMark(s, s.markId)}`;
  return targetOf(s) ? 'The fish in the lie' : null;
}

/** The best way to the stand; null while there is none. */
export function bestWay(s: WorkspaceState): StalkWay | null {
  const stalk = valueOf(s, 'stalk');
  return stalk?.kind === 'way' ? stalk : null;
}

/** The way that is shown: the best, or one of the others; null while there is none. */
export function shownWay(s: WorkspaceState): StalkWay | null {
  if (s.stalkShown > 0) {
    const other = valueOf(s, 'stalkStudy')?.others[s.stalkShown - 1];
    if (other) return other;
  }
  return bestWay(s);
}

/**
 * Whether the drift or the way is drawn pale: stale, but for the frame or two by which it lags behind a
 * pointer that it follows. While a cast is dragged the way waits, and is pale.
 */
export const isPale = (s: WorkspaceState, name: 'drift' | 'stalk' | 'bench') =>
  isStale(s, name) && (s.dragging === null || (name === 'stalk' && s.step !== 'stalk'));

/** Water temperature that everything is reckoned with, C, and how it is known: the day's curve at this hour, once there is one. */
export const tempOf = (s: WorkspaceState) =>
  s.triedTempC ?? hourTempOf(s) ?? s.settings.waterTempC ?? ASSUMED_TEMP_C;
export function tempSourceOf(s: WorkspaceState): TempSource {
  if (s.triedTempC !== null) return 'tried-on';
  const curve = dayHere(s);
  if (curve) return curve.site.isRead ? 'curve' : 'assumed';
  return s.settings.waterTempC !== null ? 'read' : 'assumed';
}

/** The water's own constant in the chance of a fish at home, as its tries have shown it. */
export const homeFitOf = ({ tries, settings }: Pick<WorkspaceState, 'tries' | 'settings'>) =>
  homeFitBy(tries, priorsOf(settings));
const homeFitBy = (tries: WorkspaceState['tries'], priors: Priors) => homeFits(tries)(priors);
const homeFits = memoizeByObject((tries: WorkspaceState['tries']) =>
  memoizeByObject((priors: Priors) => {
    const { trials, prior, slope } = homeAsked(tries, priors);
    return fitHome(trials, prior, slope);
  }),
);

/** Chance that the target is home: by how surely and how lately it was seen, or by its lie's rating. */
export function homeOf(s: WorkspaceState): number {
  const mark = markOf(s);
  return mark
    ? homeOfMark(mark, valueOf(s, 'lies')?.lies ?? [], s.atMs)
    : (lieOf(s)?.rating ?? 100) / 100;
}

/** Chance that the way to the stand leaves the target calm; 1 while no way is known. */
export function calmWayOf(s: WorkspaceState): number {
  const target = targetOf(s);
  const way = bestWay(s) && shownWay(s);
  return way?.calm.find((c) => c.fishId === target?.id)?.best ?? 1;
}

/** What is fished at the target. */
export const flyOf = (s: WorkspaceState): FlyKind =>
  flyFished(s.fly, s.settings.methods.dropper, markOf(s));

/** The rig that is cast: the one that was chosen where it floats as said, else the one in the hand, else the usual. */
export const rigOf = (s: WorkspaceState): RigPlan => {
  const { tackle } = s.settings;
  const chosen = findRig(tackle, s.rigId);
  return chosen && floatsAs(chosen) === s.fly ? chosen : rigInHand(tackle, s.fly);
};
/** The same as the drift takes it. */
export const driftRigNow = (s: WorkspaceState): Rig =>
  driftRigOf(rigOf(s), s.settings.tackle, flyOf(s));

/** What is known of the water's temperature at this hour, C; null: nobody has read it. */
export function toldTempOf(s: WorkspaceState): number | null {
  const curve = dayHere(s);
  if (!curve) return s.settings.waterTempC;
  if (!curve.site.isRead) return null;
  // A reading at its own hour is the thermometer's; one over the limit holds until a later one is under it.
  const { overSinceH } = curve.site.stop;
  const since = curve.site.readings.filter((r) => r.h <= curve.h + SAME_HOUR_H).at(-1);
  const isOver = overSinceH !== null && curve.h >= overSinceH - SAME_HOUR_H;
  if (since && (isOver || curve.h - since.h <= SAME_HOUR_H))
    return isOver ? Math.max(since.tempC, hourTempOf(s)!) : since.tempC;
  return hourTempOf(s);
}

/** What the water's temperature means at this hour; nothing while it has not been read. */
export const heatOf = (s: WorkspaceState): Heat =>
  heatAt(toldTempOf(s), {
    school: s.settings.methods.heat,
    species: s.settings.species,
    legalC: s.settings.legalLimitC,
  });

/** The fish marked, as they came, that are not gone. */
const present = (s: WorkspaceState) => s.marks.filter((m) => m.behaviour !== 'gone');

/** As many as can be put in order. */
const MOST_TARGETS = 8;

/** The fish that are put in order. */
export const targetsInOrder = (s: WorkspaceState): Fish[] =>
  present(s).slice(0, MOST_TARGETS).map(plainFish);

/** The marked fish beside the target that are still there. */
export const othersOf = (s: WorkspaceState): Watcher[] => {
  const target = targetOf(s);
  return present(s)
    .filter((m) => m.id !== target?.id)
    .map(plainFish);
};

/** Everyone who may see the angler coming. */
export const watchers = (s: WorkspaceState): Watcher[] =>
  watchersOf(s.marks, targetOf(s), valueOf(s, 'lies')?.lies ?? [], s.settings.fishLengthCm);

export const anglerOf = (s: WorkspaceState): ShotAngler => shotAngler(s.settings, rigOf(s));
/** Length of the rod that the rig is cast with, m. */
export const rodMOf = (s: WorkspaceState): number =>
  rodLengthM(rigOf(s), s.settings.tackle, s.settings.rodM);

/** North of the line, or thought to be. */
export const latitudeOf = (plan: BeatPlan) => plan.anchor?.lat ?? 1;
