import type { LargestHere, LieClass, LieStretch, QuickColour } from '../core/lies/index';
import { formatFishLength, formatLength, type UnitSystem } from '../core/units/index';
import { lieName } from './names';

/** What is said of a lie beside its rating. */

export const CLASS_WORDS: Record<LieClass, string> = {
  prime: 'Prime: shelter and food',
  holding: 'A holding place',
  feeding: 'A feeding place',
  small: 'For smaller fish',
};

/** "Keeps 22 cm; at dusk 46 cm comes here, from shelter 4 m off." */
export function largestText(l: LargestHere, units: UnitSystem): string {
  const keeps = l.keepsCm === null ? 'Keeps none' : `Keeps ${formatFishLength(l.keepsCm, units)}`;
  if (l.duskCm === null || l.duskCm <= (l.keepsCm ?? 0)) return `${keeps}.`;
  const from = l.shelterM === null ? '' : `, from shelter ${formatLength(l.shelterM, units)} off`;
  const now =
    l.feedsCm !== null && l.feedsCm > (l.keepsCm ?? 0)
      ? `; ${formatFishLength(l.feedsCm, units)} feeds here now`
      : '';
  return `${keeps}${now}; at dusk ${formatFishLength(l.duskCm, units)} comes here${from}.`;
}

export const willingText = (willing: number): string => {
  const share = `${Math.round(100 * willing)} of 100`;
  if (willing >= 0.7) return `readily (${share})`;
  return willing >= 0.35 ? `a little way (${share})` : `hardly: put it on its nose (${share})`;
};

/** An even edge in one sentence: "undercut, 9 m: two or three fish". */
export function stretchText(s: LieStretch, units: UnitSystem): string {
  const fish =
    s.low === s.high ? `about ${s.high}` : `${s.low === 0 ? 'none' : s.low} to ${s.high}`;
  return `${lieName(s.kind)}, ${formatLength(s.lengthM, units, 0)}: ${fish} fish, anywhere along it.`;
}

/** The colour of the water by one's own boots (common practice). */
export const SEEN_WORDS: Record<QuickColour, string> = {
  clear: 'boots seen in waist-deep water',
  tinged: 'boots lost below the knee',
  stained: 'boots lost at the shin, a hand deep',
  muddy: 'boots gone at the ankle',
};
