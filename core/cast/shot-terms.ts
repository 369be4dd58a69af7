import type { WadingSchool } from '../stalk/index';
import { clamp, smoothstep } from '../grid/index';
import type { Reason } from '../units/index';
import { PAST_FISH_M } from './drift-result';
import type { LayKind } from './lays';
import type { CastKind } from './room-behind';

/** What a shot is judged by. Each is shown; the total is only a sort order. */
export const TERMS = [
  'clean',
  'unseen',
  'way',
  'lining',
  'angle',
  'distance',
  'room',
  'wind',
  'wading',
  'landing',
  'snag',
] as const;
export type Term = (typeof TERMS)[number];
export type TermWeights = Record<Term, number>;

/** What each term weighs unless the angler says otherwise (our guesses). */
export const TERM_WEIGHTS: TermWeights = {
  clean: 4,
  unseen: 3,
  way: 1.5,
  lining: 1.5,
  angle: 1,
  distance: 1.5,
  room: 0.5,
  wind: 0.5,
  wading: 1.5,
  landing: 0.5,
  snag: 2,
};

/** Everything about one shot that a term looks at. Lengths m, angles rad. */
export interface ShotFacts {
  /** Useful drift, and what would be all of it: lead and 1 m past. */
  usefulM: number;
  leadM: number;
  /** E of the angler, still, at the stand: to the target, and the worst to another fish, weighed. */
  exposure: number;
  othersExposure: number;
  /** Chance that nothing was alarmed on the way there. */
  calm: number;
  /** The line as laid to the target, and to the nearest other fish. */
  liningM: number;
  othersLiningM: number;
  /** From straight below the fish (0) to straight above (pi), against its local current. */
  angleRad: number;
  distanceM: number;
  /** What this angler lands within half a metre, in this posture and wind. */
  sureM: number;
  /** Up to here a longer cast is no worse. */
  easyM: number;
  cast: CastKind;
  roomLeftM: number;
  headMps: number;
  crossMps: number;
  ontoBody: boolean;
  /** 0 on land, 1 in water of class H1, 2 of H2. */
  wade: number;
  landing: number;
  /** Line lies over a log or a rock that stands out. */
  snag: boolean;
  lay: LayKind;
}

/** Straight below and above are shunned within this, unless the cast is short enough to hold the line off. */
export const STRAIGHT_RAD = (15 * Math.PI) / 180;
const AT_EASE_RAD = (35 * Math.PI) / 180;
const SHORT: readonly LayKind[] = ['high-stick', 'bow-and-arrow'];

export type CastFrom = 'any-angle' | 'below' | 'above';

/** How far off straight below or above, rad. */
export const offStraightRad = (angleRad: number) => Math.min(angleRad, Math.PI - angleRad);
export const mayCastAt = (angleRad: number, lay: LayKind) =>
  SHORT.includes(lay) || offStraightRad(angleRad) >= STRAIGHT_RAD - 1e-9;

/** A line laid farther off than this alarms nobody, m (our guess). */
const LINING_EASE_M = 0.6;
const WADE_QUALITY = { 'never-unless': [1, 0.35, 0.15], 'for-the-angle': [1, 0.9, 0.6] } as const;

/** A drift that drags before the fish is half a drift at best. */
export const cleanQuality = (usefulM: number, leadM: number): number =>
  usefulM < leadM
    ? (0.5 * usefulM) / Math.max(0.01, leadM)
    : 0.5 + 0.5 * clamp((usefulM - leadM) / PAST_FISH_M);

/** 1 as far as it is easy, .4 where half a metre is all that is sure, 0 a third beyond that. */
function distanceQuality({ distanceM, easyM, sureM }: ShotFacts): number {
  const easy = Math.min(easyM, sureM);
  if (distanceM <= easy) return 1;
  if (distanceM <= sureM) return 1 - (0.6 * (distanceM - easy)) / (sureM - easy);
  return clamp(0.4 - (1.2 * (distanceM - sureM)) / sureM);
}

/** How well a shot does in each term, 0-1. */
export function qualitiesOf(
  f: ShotFacts,
  school: { from: CastFrom; wading: WadingSchool },
): TermWeights {
  const wrongSide =
    (school.from === 'below' && f.angleRad > Math.PI / 2) ||
    (school.from === 'above' && f.angleRad < Math.PI / 2);
  const angle = SHORT.includes(f.lay)
    ? 1
    : smoothstep(0.8 * STRAIGHT_RAD, AT_EASE_RAD, offStraightRad(f.angleRad));
  return {
    clean: cleanQuality(f.usefulM, f.leadM),
    unseen: 1 - clamp(Math.max(f.exposure, 0.7 * f.othersExposure)),
    way: f.calm,
    lining: Math.min(
      clamp(f.liningM / LINING_EASE_M),
      0.3 + 0.7 * clamp(f.othersLiningM / LINING_EASE_M),
    ),
    angle: angle * (wrongSide ? 0.2 : 1),
    distance: distanceQuality(f),
    room:
      f.cast === 'overhead' ? 0.6 + 0.4 * clamp(f.roomLeftM / 2) : f.cast === 'side' ? 0.5 : 0.6,
    wind: clamp(
      1 - 0.07 * Math.abs(f.crossMps) - 0.08 * Math.max(0, f.headMps) - (f.ontoBody ? 0.3 : 0),
    ),
    wading: WADE_QUALITY[school.wading][f.wade as 0 | 1 | 2],
    landing: f.landing,
    snag: f.snag ? 0 : 1,
  };
}

export const sumOf = (weights: TermWeights) => TERMS.reduce((sum, t) => sum + weights[t], 0);

/** Weighed mean of the qualities, 0-100; 0 when nothing weighs. */
export function totalOf(q: TermWeights, weights: TermWeights): number {
  const all = sumOf(weights);
  return all > 0 ? (100 * TERMS.reduce((sum, t) => sum + weights[t] * q[t], 0)) / all : 0;
}

/** Terms this good speak for a shot, this bad against it. */
const SPEAKS_FOR = 0.75;
const SPEAKS_AGAINST = 0.5;
const MOST_REASONS = 4;

/** The figure that a term rests on, as data. */
export function reasonFor(term: Term, f: ShotFacts, cleanS: number): Reason {
  const of: Record<Term, Omit<Reason, 'what'>> = {
    clean: { value: cleanS, unit: 's', source: 'chain' },
    unseen: {
      value: Math.max(f.exposure, f.othersExposure),
      unit: '',
      source: 'exposure',
      about: f.othersExposure > f.exposure ? 'others' : 'target',
    },
    way: { value: f.calm, unit: '', source: 'alarm' },
    lining: {
      value: Math.min(f.liningM, f.othersLiningM),
      unit: 'm',
      source: 'lining',
      about: f.othersLiningM < f.liningM ? 'others' : 'target',
    },
    angle: { value: f.angleRad, unit: 'rad', source: 'common practice' },
    distance: { value: f.distanceM, unit: 'm', source: 'settings' },
    room: { value: f.roomLeftM, unit: 'm', source: 'room', about: f.cast },
    wind: { value: Math.hypot(f.headMps, f.crossMps), unit: 'm/s', source: 'common practice' },
    wading: { value: f.wade, unit: '', source: 'hazard' },
    landing: { value: f.landing, unit: '', source: 'common practice' },
    snag: { value: f.snag ? 1 : 0, unit: '', source: 'flow' },
  };
  return { what: term, ...of[term] };
}

/** What speaks for and against a shot, the weightiest first. */
export function forAndAgainst(
  q: TermWeights,
  weights: TermWeights,
  f: ShotFacts,
  cleanS: number,
): { for: Reason[]; against: Reason[] } {
  const by = (terms: Term[], weight: (t: Term) => number) =>
    terms
      .sort((a, b) => weight(b) - weight(a))
      .slice(0, MOST_REASONS)
      .map((t) => reasonFor(t, f, cleanS));
  return {
    // That nothing snags, or that nobody wades, is no news.
    for: by(
      TERMS.filter((t) => q[t] >= SPEAKS_FOR && t !== 'snag' && t !== 'wading' && t !== 'wind'),
      (t) => weights[t] * q[t],
    ),
    against: by(
      TERMS.filter((t) => q[t] < SPEAKS_AGAINST),
      (t) => weights[t] * (1 - q[t]),
    ),
  };
}
