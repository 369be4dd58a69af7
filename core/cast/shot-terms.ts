import type { Part, ShotChance } from '../chance/index';
import type { WadingSchool } from '../stalk/index';
import type { Reason } from '../units/index';
import type { LayKind } from './lays';
import type { CastKind } from './room-behind';

/** Everything about one shot that its chance and its order rest on. Lengths m, angles rad. */
export interface ShotFacts {
  /** Seconds of clean fly within reach of the fish, and what the fish needs. */
  dwellS: number;
  needS: number;
  leadM: number;
  /** E of the angler, still, at the stand: to the target, and the worst to another fish, weighed. */
  exposure: number;
  othersExposure: number;
  /** Chance that the target was not alarmed on the way there. */
  calm: number;
  /** The line as laid to the target, and to the nearest other fish. */
  liningM: number;
  othersLiningM: number;
  /** From straight below the fish (0) to straight above (pi), against its local current. */
  angleRad: number;
  distanceM: number;
  /** What this angler lands within half a metre, in this posture, wind and lay. */
  sureM: number;
  cast: CastKind;
  roomLeftM: number;
  headMps: number;
  crossMps: number;
  ontoBody: boolean;
  /** 0 on land, 1 in water of class H1, 2 of H2. */
  wade: number;
  /** 0-1: how good the water is to land it in. */
  landing: number;
  /** Line lies over a log or a rock that stands out. */
  snag: boolean;
  /** Chance that the fly hangs up in what is ahead, alone and with a dropper. */
  hungUp: { plain: number; dropper: number };
  strikeLow: boolean;
  lay: LayKind;
}

/** What an angler would rather: points of the order, never of the chance. */
export interface Wishes {
  nearer?: boolean;
  dryFeet?: boolean;
  shortWay?: boolean;
}

/** Straight below and above are shunned within this, unless the cast is short enough to hold the line off. */
export const STRAIGHT_RAD = (15 * Math.PI) / 180;
const SHORT: readonly LayKind[] = ['high-stick', 'bow-and-arrow'];

export type CastFrom = 'any-angle' | 'below' | 'above' | 'straight-above';

/** How far off straight below or above, rad. */
export const offStraightRad = (angleRad: number) => Math.min(angleRad, Math.PI - angleRad);
export const mayCastAt = (angleRad: number, lay: LayKind, from: CastFrom = 'any-angle') =>
  SHORT.includes(lay) ||
  // Feeding straight down to it, for who has chosen so: the fly comes before the line.
  (from === 'straight-above' && lay === 'feed' && angleRad > Math.PI / 2) ||
  offStraightRad(angleRad) >= STRAIGHT_RAD - 1e-9;

/** Points that wading must earn, by school and hazard class; and wishes, by what they cost (our guesses). */
const WADE_POINTS = { 'never-unless': [0, 0.15, 0.3], 'for-the-angle': [0, 0.02, 0.08] } as const;
const WISH = { nearerPerM: 0.02, nearerFromM: 4, wade: 0.4, perMinute: 0.03 } as const;
/** A line over wood, and the wrong side of the fish for who has chosen one, leave this share. */
const SNAGGED = 0.7;
const WRONG_SIDE = 0.2;
/** Another fish that sees or is lined costs at most so many points. */
const OTHERS = 0.1;
const OTHERS_LINED_M = 0.6;

/**
 * What shots are ordered by: the chance of a look within three covers times that of a hook once it
 * takes, less what wading and wishes ask. Not shown: it is no chance of anything.
 */
export function orderOf(
  chance: Pick<ShotChance, 'value' | 'hooked'>,
  f: ShotFacts,
  how: {
    from: CastFrom;
    wading: WadingSchool;
    wishes: Wishes;
    waySeconds: number;
    dropper: boolean;
  },
): number {
  const wrongSide =
    (how.from === 'below' && f.angleRad > Math.PI / 2) ||
    (how.from === 'above' && f.angleRad < Math.PI / 2) ||
    (how.from === 'straight-above' && f.angleRad < Math.PI - 2 * STRAIGHT_RAD);
  const hungUp = how.dropper ? f.hungUp.dropper : f.hungUp.plain;
  const lined = Math.max(0, 1 - f.othersLiningM / OTHERS_LINED_M);
  return (
    chance.value *
      chance.hooked *
      (f.snag ? SNAGGED : 1) *
      (wrongSide ? WRONG_SIDE : 1) *
      (1 - hungUp) -
    WADE_POINTS[how.wading][f.wade as 0 | 1 | 2] -
    OTHERS * Math.max(f.othersExposure, lined) -
    (how.wishes.nearer ? WISH.nearerPerM * Math.max(0, f.distanceM - WISH.nearerFromM) : 0) -
    (how.wishes.dryFeet && f.wade > 0 ? WISH.wade : 0) -
    (how.wishes.shortWay ? (WISH.perMinute * how.waySeconds) / 60 : 0)
  );
}

/** Factors this good speak for a shot; this bad against it. */
const SPEAKS_FOR = 0.85;
const SPEAKS_AGAINST = 0.8;
const MOST_REASONS = 4;
const NOTABLE = { wind: 3, hungUp: 0.1, landing: 0.5 };

/** The figure that a factor rests on, as data. `home` is of the fish, not of the shot. */
export function reasonFor(part: Part, f: ShotFacts, chance: Pick<ShotChance, 'parts'>): Reason {
  const share = chance.parts[part];
  const of: Record<Part, Omit<Reason, 'what'>> = {
    home: { value: share, unit: '', source: 'rating' },
    calm: { value: f.calm, unit: '', source: 'alarm' },
    seen: { value: f.exposure, unit: '', source: 'exposure' },
    lands: { value: f.distanceM, unit: 'm', source: 'settings' },
    clean: { value: f.dwellS, unit: 's', source: 'chain' },
    lined: { value: f.liningM, unit: 'm', source: 'lining' },
  };
  return { what: part, ...of[part] };
}

const OF_THE_SHOT: readonly Part[] = ['calm', 'seen', 'lands', 'clean', 'lined'];

/** What speaks for and against a shot: its factors by their share of -ln of the product, the weightiest first. */
export function forAndAgainst(
  chance: Pick<ShotChance, 'parts'>,
  f: ShotFacts,
): { for: Reason[]; against: Reason[] } {
  const { parts } = chance;
  const good = OF_THE_SHOT.filter((p) => parts[p] >= SPEAKS_FOR).sort(
    (a, b) => parts[b] - parts[a],
  );
  const bad = OF_THE_SHOT.filter((p) => parts[p] < SPEAKS_AGAINST).sort(
    (a, b) => parts[a] - parts[b],
  );
  const against = bad.map((p) => reasonFor(p, f, chance));
  const wind = Math.hypot(f.headMps, f.crossMps);
  if (f.wade > 0) against.push({ what: 'wading', value: f.wade, unit: '', source: 'hazard' });
  if (f.snag) against.push({ what: 'snag', value: 1, unit: '', source: 'flow' });
  if (f.hungUp.plain > NOTABLE.hungUp)
    against.push({ what: 'boughs', value: f.hungUp.plain, unit: '', source: 'plan' });
  if (wind > NOTABLE.wind)
    against.push({ what: 'wind', value: wind, unit: 'm/s', source: 'common practice' });
  if (f.landing < NOTABLE.landing)
    against.push({ what: 'landing', value: f.landing, unit: '', source: 'common practice' });
  return {
    for: good.slice(0, MOST_REASONS).map((p) => reasonFor(p, f, chance)),
    against: against.slice(0, MOST_REASONS),
  };
}
