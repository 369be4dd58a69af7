import type { Heat } from '../core/day/index';
import {
  meaningOf,
  type Changed,
  type EventMeaning,
  type FellAt,
  type FlyAnswer,
  type HookedIn,
  type LossCause,
  type MissCause,
  type MissedSize,
  type Reading,
  type TryEvent,
  type TryFold,
} from '../core/log/index';
import type { Rest } from '../core/moves/index';
import type { FlyKind } from '../core/rig/index';
import type { Sky } from '../core/sight/index';
import {
  convert,
  formatFishLength,
  formatLength,
  formatTemp,
  type UnitSystem,
} from '../core/units/index';

/** What happens in a try, said; and what was read beside it. */

export const MISS_WORDS: Record<MissCause, string> = {
  early: 'early',
  late: 'late',
  'never-touched': 'never touched',
  'pulled-off': 'pulled off',
};
export const LOSS_WORDS: Record<LossCause, string> = {
  'hook-came-out': 'hook came out',
  'line-broke': 'line broke',
  wrapped: 'wrapped on something',
  'slack-line': 'slack line',
  'at-the-net': 'at the net',
};
export const FELL_WORDS: Record<FellAt, string> = {
  on: 'on it',
  short: 'fell short',
  long: 'fell long',
  left: 'left',
  right: 'right',
};
export const SIZE_WORDS: Record<MissedSize, string> = {
  small: 'small',
  fair: 'fair',
  large: 'large',
};
export const CHANGED_WORDS: Record<Changed, string> = {
  fly: 'fly',
  depth: 'depth',
  rig: 'rig',
  side: 'side',
};
export const HOOKED_IN_WORDS: Record<HookedIn, string> = {
  lip: 'lip',
  corner: 'corner of the mouth',
  tongue: 'tongue',
  gill: 'gill',
  outside: 'outside the mouth',
};

/** The flies of a rig, as an angler tells them apart. */
export const FLIES_OF: Record<FlyKind, readonly string[]> = {
  dry: ['the dry'],
  'dry-dropper': ['the dry', 'the nymph below'],
  indicator: ['the upper nymph', 'the point fly'],
  sunk: ['the dropper', 'the point fly'],
};

/** What the fish in the hand needs at this temperature: said while it is on, not after. */
export function handlingWords(heat: Heat): string {
  if (heat.kind === 'none' || heat.kind === 'stop')
    return 'Too warm to play it: break it off or land it at once, hand under water, no photograph.';
  if (heat.kind === 'near')
    return 'Warm water: side pressure, land it fast, keep it in the water, no photograph.';
  return 'Wet hands, barbless, side pressure; in the water all the while.';
}

const DID_WORDS: Record<FlyAnswer, string> = {
  looked: 'It looked.',
  turned: 'It turned away.',
  missed: 'It came and missed.',
  took: 'It took.',
};

/** Why it rests, or what to do instead. */
export function restWords(rest: Rest, did: Pick<EventMeaning, 'answer' | 'ends'>): string {
  const what = did.answer
    ? DID_WORDS[did.answer]
    : did.ends === 'lost'
      ? 'It came off.'
      : 'It was put down.';
  if (rest.kind === 'beside') return `${what} Let it settle.`;
  if (rest.kind === 'come back')
    return `${what} Fish elsewhere, and come back in ${Math.round(rest.minutes)} minutes.`;
  if (rest.kind === 'leave') return `${what} Elsewhere pays better: leave it.`;
  return '';
}

/** What was told of an event beside its name, in a few words. */
export function detailWords(e: TryEvent, units: UnitSystem): string {
  return [
    e.lengthCm !== undefined ? formatFishLength(e.lengthCm, units) : '',
    e.species ?? '',
    e.weightG !== undefined ? weightWords(e.weightG, units) : '',
    e.missed ? MISS_WORDS[e.missed] : '',
    e.missedSize ? SIZE_WORDS[e.missedSize] : '',
    e.lost ? LOSS_WORDS[e.lost] : '',
    e.fellAt ? FELL_WORDS[e.fellAt] : '',
    e.dragged === undefined ? '' : e.dragged ? 'it dragged' : 'it ran clean',
    e.changed && meaningOf(e.code).move === 'changed' ? CHANGED_WORDS[e.changed] : '',
    e.fly ?? '',
    e.hookedIn ? hookedWords(e.hookedIn) : '',
    e.foughtS !== undefined ? `fought ${Math.round(e.foughtS)} s` : '',
    e.outOfWaterS !== undefined ? `${Math.round(e.outOfWaterS)} s out of the water` : '',
    e.kept === true ? 'kept' : '',
    e.note ?? '',
  ]
    .filter((w) => w !== '')
    .join(', ');
}

const hookedWords = (at: HookedIn) =>
  `hooked ${at === 'outside' ? '' : 'in the '}${HOOKED_IN_WORDS[at]}`;

export const G_PER_OZ = 28.349523125;

export function weightWords(g: number, units: UnitSystem): string {
  if (units === 'metric') return g < 1000 ? `${Math.round(g)} g` : `${(g / 1000).toFixed(2)} kg`;
  const oz = Math.round(g / G_PER_OZ);
  return oz < 16 ? `${oz} oz` : `${Math.floor(oz / 16)} lb ${oz % 16} oz`;
}

export const END_WORDS: Record<TryFold['state'], string> = {
  open: 'going on',
  hooked: 'fish on',
  landed: 'landed',
  lost: 'came off',
  'put down': 'put down',
  'foul-hooked': 'foul-hooked',
  'let be': 'let be',
  left: 'left',
};

/** "1:40". */
export const minutesSeconds = (s: number): string =>
  `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;

/** What a colour is by where one's boots are lost sight of. */
export const SIGHT_WORDS = [
  ['never', 'boots seen at the waist', 1],
  ['waist', 'lost at the waist', 8],
  ['knee', 'lost at the knee', 25],
  ['ankle', 'lost at the ankle', 53],
] as const;

export const SKY_WORDS: Record<Sky, string> = {
  clear: 'clear',
  broken: 'broken',
  overcast: 'overcast',
};
export const WIND_WORDS = {
  unknown: 'not said',
  upstream: 'from upstream',
  downstream: 'from downstream',
  'true-left': 'from true left',
  'true-right': 'from true right',
} as const;

/** "16.5 °C water, .41 m, clear (simulated)". */
export const readingWords = (r: Reading, units: UnitSystem): string =>
  [
    r.waterTempC !== null ? `water ${formatTemp(r.waterTempC, units)}` : '',
    r.airTempC !== null ? `air ${formatTemp(r.airTempC, units)}` : '',
    r.levelM !== null ? `level ${formatLength(r.levelM, units, 2)}` : '',
    r.turbidityNtu !== null ? `colour ${r.turbidityNtu} NTU` : '',
    r.sky !== null ? `sky ${SKY_WORDS[r.sky]}` : '',
    r.windMps !== null
      ? `wind ${units === 'us' ? `${convert.mpsToMph(r.windMps).toFixed(0)} mph` : `${r.windMps} m/s`}`
      : '',
    r.windFrom !== null ? `wind ${WIND_WORDS[r.windFrom]}` : '',
    r.note,
  ]
    .filter((w) => w !== '')
    .join(', ');
