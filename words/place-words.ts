import type { Along } from '../core/places/index';
import type { PlaceWater } from '../core/log/index';
import type { PlacePlan, PlannedPlace } from '../core/outing/index';
import {
  clockText,
  formatDepth,
  formatLength,
  formatMinutes,
  formatSpeed,
  type UnitSystem,
} from '../core/units/index';

/** Places that nobody drew, said. */

export const WATER_WORDS: Record<PlaceWater, string> = {
  pocket: 'pocket water',
  riffle: 'riffle',
  run: 'run',
  undercut: 'undercut bank',
  glide: 'glide',
  pool: 'pool',
};

/** "Work it: four casts at each of 3." */
export function verdictTitle(p: PlannedPlace): string {
  if (p.left === 0) return 'All of it is covered: on.';
  if (p.covers === 0) return 'Walk on.';
  const casts = `${p.covers} ${p.covers === 1 ? 'cast' : 'casts'}`;
  return p.left === 1 ? `${casts} here.` : `${casts} at each of ${p.left}.`;
}

/** Why, in figures. */
export function verdictWhy(p: PlannedPlace, { lambda, by }: PlacePlan): string {
  const elsewhere = `elsewhere pays ${lambda.toFixed(1)} takes an hour${by === 'pace' ? ', with time enough for all of it' : ''}`;
  if (p.left === 0) return `What is left of this water: ${elsewhere}.`;
  const chance = `${Math.round(100 * p.lies.p)} in 100 that a lie here holds one that feeds`;
  if (p.covers === 0) return `${chance}; ${elsewhere}.`;
  return `${chance}: ${p.takes.toFixed(1)} takes in ${formatMinutes(p.seconds / 60)}; ${elsewhere}.`;
}

/** What today's fish have said of depth and pace; null: nothing yet. */
export function patternWords(
  { pattern }: Pick<PlacePlan, 'pattern'>,
  units: UnitSystem,
): string | null {
  if (!pattern) return null;
  const { depthM, meanSpeedMps } = pattern.pattern;
  return `Fish lay ${formatDepth(depthM.low, units)} to ${formatDepth(depthM.high, units)} deep, in ${formatSpeed(meanSpeedMps.low, units)} to ${formatSpeed(meanSpeedMps.high, units)}: ${pattern.found} of ${pattern.looked} looked at today.`;
}

/** What fits ahead, from days before; null: nothing is known there. */
export function aheadWords({ ahead, here }: PlacePlan, units: UnitSystem): string | null {
  if (ahead.length === 0) return null;
  const better = ahead.filter((a) => (a.fit ?? 1) > (here?.fit ?? 1));
  const last = ahead.at(-1)!.aheadM;
  if (better.length === 0)
    return `${ahead.length} known in the next ${formatLength(last, units, 0)}: none fits better than this one.`;
  return `${better.length} that ${better.length === 1 ? 'fits' : 'fit'} better in the next ${formatLength(last, units, 0)}, the first ${formatLength(better[0]!.aheadM, units, 0)} on.`;
}

const HOW: Record<Along['how'], string> = {
  phone: 'by the phone',
  paces: 'by paces',
  tape: 'by tape',
  guessed: 'a usual way on',
};
/** "95 m on, by paces (86 to 104 m)". */
export function alongWords(a: Along, units: UnitSystem): string {
  if (a.best === 0 && a.low === a.high) return 'the first';
  const spread =
    a.high - a.low < 1
      ? ''
      : ` (${formatLength(Math.max(0, a.low), units, 0)} to ${formatLength(a.high, units, 0)})`;
  return `${formatLength(a.best, units, 0)} on, ${HOW[a.how]}${spread}`;
}

/** A phone that does not know well enough where it is. */
export const roughPosition = (accuracyM: number, mostM: number, units: UnitSystem): string =>
  `The phone knows where it is to ${formatLength(accuracyM, units, 0)} only; ${formatLength(mostM, units, 0)} or less sets a place. It is kept; say paces from the place before, or try again under open sky.`;

export const timeIsUp = (untilMs: number, zone: string | undefined): string =>
  `It is past ${clockText(untilMs, zone)}: no time is left. Set another hour, or turn back the way you came.`;
