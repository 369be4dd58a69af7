import type { Reason } from '../core/units/index';
import {
  floatSecondsOver3m,
  formatDepth,
  formatFishLength,
  formatLength,
  formatSpeed,
  formatTemp,
  paceWord,
  type UnitSystem,
} from '../core/units/index';
import type { Species } from '../core/fish/index';
import type {
  Method,
  Needs,
  NoLies,
  PlaceSensitivity,
  WeighedName,
  WhatIf,
} from '../core/lies/index';
import type { Hindrance } from '../core/sight/index';
import type { DriftResult } from '../core/cast/index';
import type { Behaviour } from '../core/log/index';

import { inHundred } from './names';

/** How answers are said: plain and short, an angler's words. Data comes as reasons; only this file words them. */

export const needText = (need: number) => need.toFixed(2).replace(/^0/, '');

const NEED_NAMES: Record<keyof Needs, string> = {
  shelter: 'Shelter',
  food: 'Food',
  ease: 'Ease',
  air: 'Air',
};

const METHOD_NAMES: Record<Method, string> = {
  'energy-budget': 'Energy budget',
  'feed-lane': 'Feed lane',
  'soft-water': 'Soft water',
  'cover-first': 'Cover first',
  'thin-seams': 'Thin seams',
};
export const methodName = (m: Method) => METHOD_NAMES[m];

export const SPECIES_NAMES: Record<Species, string> = {
  brown: 'Brown',
  rainbow: 'Rainbow',
  brook: 'Brook',
  cutthroat: 'Cutthroat',
};

const WEIGHED_NAMES: Record<WeighedName, string> = {
  food: 'Food',
  ease: 'Ease',
  shelter: 'Shelter',
  oxygen: 'Air',
  profit: 'gain over cost',
};
export const weighedName = (name: WeighedName) => WEIGHED_NAMES[name];

/** Why there is no lie at all. */
export const NOTHING_WORDS: Record<NoLies, string> = {
  'no-water': 'No water stands here at this level.',
  'too-shallow': 'No water here is deep enough for a fish of that length.',
  'too-warm': 'The water is too warm for this trout: no place keeps it. Leave it alone today.',
  'none-good-enough':
    'No place here would keep such a fish today. Try another level, or another fish.',
};

/** A change of temperature as a difference: 2 °C, 3.6 °F. */
export const degreesText = (c: number, units: UnitSystem) =>
  units === 'us' ? `${+(1.8 * c).toFixed(1)} °F` : `${+c.toFixed(1)} °C`;

export function whatIfText(w: WhatIf, units: UnitSystem): string {
  if (w.change === 'warmer') return `${degreesText(w.amount!, units)} warmer`;
  if (w.change === 'cooler') return `${degreesText(w.amount!, units)} cooler`;
  if (w.change === 'shade') return 'In the shade';
  if (w.change === 'sun') return 'Once the sun is on it';
  if (w.change === 'stained') return 'In stained water';
  return `At ${w.level} level`;
}

/** What to measure, with the ends of the doubt. */
export function inputText(s: PlaceSensitivity['inputs'][number], units: UnitSystem): string {
  const ends = (text: (v: number) => string) => `${text(s.from)} to ${text(s.to)}`;
  if (s.input === 'depth') return `Depth, ${ends((v) => formatDepth(v, units))}`;
  if (s.input === 'pace') return `Pace, ${ends((v) => formatSpeed(v, units))} (mean)`;
  if (s.input === 'cover') return `Distance to cover, ${ends((v) => formatLength(v, units))}`;
  if (s.input === 'temperature') return `Temperature, ${ends((v) => formatTemp(v, units))}`;
  if (s.input === 'length') return `Length of the fish, ${ends((v) => formatFishLength(v, units))}`;
  if (s.input === 'clarity')
    return `Colour of the water, ${s.from.toFixed(0)} to ${s.to.toFixed(0)} NTU`;
  return 'How much drifts, a season poorer or richer';
}

const find = (why: readonly Reason[], what: string) => why.find((r) => r.what === what);

/** Some sentences on a lie: what holds it back, what a fish does there, cover, what is special. */
export function lieWhy(
  why: readonly Reason[],
  units: UnitSystem,
): { lead: string; rest: string[] } {
  const shallow = find(why, 'too-shallow');
  if (shallow)
    return {
      lead: 'Too shallow for such a fish.',
      rest: [`It needs ${formatDepth(shallow.value, units)}.`],
    };
  const worst = find(why, 'holds-back');
  const nose = find(why, 'nose-pace')!;
  const best = find(why, 'best-pace-in-reach')!;
  const name = worst?.about ? NEED_NAMES[worst.about as keyof Needs] : 'Nothing';
  const rest: string[] = [];
  if (worst?.about === 'ease')
    rest.push(`${formatSpeed(nose.value, units)} at the nose: it pays to hold there.`);
  else
    rest.push(
      `${formatSpeed(nose.value, units)} at the nose, ${formatSpeed(best.value, units)} within its reach.`,
    );
  rest.push(coverText(why, units));
  const oxygen = find(why, 'oxygen');
  if (worst?.about === 'air' && oxygen)
    rest.push(
      `The water carries ${oxygen.value.toFixed(1)} mg/L of oxygen; the temperature suits it ${inHundred(find(why, 'temperature')!.value)}.`,
    );
  const shade = find(why, 'shade');
  if (shade && shade.value > 0.5) rest.push('In the shade now.');
  const spring = find(why, 'spring-water');
  if (spring) rest.push(`Spring water keeps it at ${formatTemp(spring.value, units)}.`);
  if (find(why, 'clarity')) rest.push('Stained water: it sees less far, and feels safer.');
  if (find(why, 'borrowed')) rest.push('Reckoned with relations borrowed from brown trout.');
  const small = find(why, 'boulder-too-small');
  if (small)
    rest.push(
      `The rock beside it is too small to solve at ${formatLength(small.value, units)}: no pocket is rated there.`,
    );
  return { lead: `${name} holds it back.`, rest };
}

/** Farther than this a bolt-hole is none, m. */
const BOLT_FAR_M = 20;

function coverText(why: readonly Reason[], units: UnitSystem): string {
  const bolt = find(why, 'bolt-hole')!;
  if (bolt.value < 0.05) return 'Cover where it lies.';
  if (bolt.value > BOLT_FAR_M) return 'No cover to bolt to.';
  return `Cover to bolt to, ${formatLength(bolt.value, units)} off.`;
}

/** "stroll (a leaf takes 12 s over 3 m)". */
export function paceText(surfaceMps: number, units: UnitSystem): string {
  const seconds = floatSecondsOver3m(surfaceMps);
  const distance = formatLength(3, units);
  return seconds > 60
    ? paceWord(surfaceMps)
    : `${paceWord(surfaceMps)}, a leaf takes ${seconds.toFixed(seconds < 10 ? 1 : 0)} s over ${distance}`;
}

export const PASS_WORDS: Record<NonNullable<DriftResult['passesFish']>, string> = {
  clean: 'Passes it clean',
  micro: 'Passes it with a little drag',
  wake: 'Passes it dragging',
  misses: 'Does not pass it',
};

/** Why the drift ends when it does. */
export function driftWhy(best: DriftResult, units: UnitSystem): string {
  if (best.status === 'unknown')
    return 'Not known: the fly lands on dry ground, or the line could not be followed.';
  if (!best.reason) return 'No drag while it was followed.';
  const at = best.firstMicroS === null ? '' : ` at ${best.firstMicroS.toFixed(1)} s`;
  const speed = formatSpeed(best.reason.value, units);
  if (best.reason.what === 'tongue-between')
    return `The water between you runs ${speed} and draws the line tight${at}.`;
  if (best.reason.what === 'slack-between')
    return `Slow water between you, ${speed}, holds the line while the fly runs on: tight${at}.`;
  return `The line comes to its end${at}: the fly has run as far as it lets it.`;
}

export const depthText = (m: number, units: UnitSystem) => formatDepth(m, units);

/** Lookouts are told apart by letters, A the best. */
export const lookoutLetter = (index: number) => 'ABCDEFGH'[index] ?? '';

const HINDRANCE_WORDS: Record<Exclude<Hindrance, null>, string> = {
  mirror: 'the surface mirrors the sky there',
  glitter: 'the sun glitters on the surface',
  stain: 'so much water dims it',
  broken: 'broken water scrambles the view',
  dark: 'there is too little light on the bed',
  small: 'the fish is small for that distance',
};
/** What takes away most of the glances; '' where nothing much does. */
export const hindranceText = (h: Hindrance) => (h === null ? '' : HINDRANCE_WORDS[h]);

/** "7 in 10": a share of glances. */
export const inTen = (share: number) => {
  const n = Math.round(10 * share);
  if (n === 0) return 'fewer than 1 in 10 glances';
  return n === 10 ? 'nearly all glances' : `${n} in 10 glances`;
};

export const BEHAVIOUR_WORDS: Record<Behaviour, string> = {
  holding: 'Holding',
  rising: 'Rising',
  nymphing: 'Nymphing',
  cruising: 'Cruising',
  glued: 'On the bottom',
  gone: 'Gone',
};
