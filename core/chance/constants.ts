import type { Fish } from '../sight/index';
import { DEFAULT_RIG, type FlyKind } from '../rig/index';

type Surety = Fish['surety'];

/**
 * Every figure of the chance that nobody has measured, with its unit: what Learn may refit, and what
 * a try is stored with. Choosing a cast with any one of them wrong costs little; the number itself
 * moves by ten points and more, so it is told rounded and with a band.
 */
export const CHANCE = {
  /** A fish rises at this pace, m/s, after this long to decide, s; fish differ by this, in the logarithm. */
  riseMps: 0.35,
  decideS: 0.3,
  needSpread: 0.4,
  /** Length of what floats or hangs, mm. */
  flyMm: { dry: 8, 'dry-dropper': 8, indicator: 6, sunk: 6 } satisfies Record<FlyKind, number>,
  /** A fish takes at least this far ahead and aside, and at most this far aside, m. */
  leastAheadM: 0.35,
  leastAsideM: 0.35,
  mostAsideM: 1.2,
  leastBehindM: 0.2,
  /** A riser drops back at this share of the surface pace, under which it holds. */
  dropBackShare: 0.85,
  /** Slower than this it may take from any side, m/s. */
  slowMps: 0.15,
  /** A dwell shorter than this is none, s. */
  leastDwellS: 0.05,
  /** How well the place of a fish is known, m. */
  placeM: { sure: 0.15, likely: 0.25, maybe: 0.4 } satisfies Record<Surety, number>,
  unmarkedPlaceM: 0.4,
  /** What "lands within half a metre" means: 8 of 10 casts, so this is sigma at the sure distance, m. */
  sigmaAtSureM: 0.279,
  leastSigmaM: 0.08,
  /** Cross wind beyond a light air spreads the casts by this for each m/s and 10 m. */
  crossSpread: 0.02,
  crossFreeMps: 2,
  /** An angler's own scatter is told apart to here, and from there on, m; its wind is whole so much over the free one, m/s. */
  nearM: 6,
  farM: 12,
  windyByMps: 3,
  sideCast: 0.9,
  /** A fly that lands on its nose frightens with this chance, fading over this, m. */
  splash: 0.3,
  splashM: 0.3,
  /** What falls as heavy as the usual dry, mg; heavier by the root of its energy's root, within these. */
  splashMg: DEFAULT_RIG.landsMg,
  splashPower: 0.25,
  splashRange: [0.1, 0.6],
  /** A fly that drags within reach puts down with this chance. */
  dragged: 0.2,
  /** Line that falls near: chance by its part, and how near, m. */
  lined: { tippet: 0.2, leader: 0.35, line: 0.6 },
  linedM: 0.35,
  /** One cover: s of it, of which the arms move so long; share of the body; hand, m/s. */
  coverS: 6,
  armsS: 2,
  armsShare: 0.3,
  handMps: 1,
  noticed: 0.1,
  /** What casts at one fish have in common. */
  shared: 0.5,
  /** What is left out: the first to be learned. */
  leftOut: 0.85,
  /** Log spread of the clean seconds. */
  cleanSpread: 0.3,
  covers: 3,
  /** The band in the logit, until the log narrows it. */
  band: { low: -0.9, high: 0.5 },
  /** Mark: how surely it is there at all, and how fast that falls, min. */
  home: { sure: 0.95, likely: 0.75, maybe: 0.45 } satisfies Record<Surety, number>,
  homeFloor: 0.6,
  halfMin: { rising: 15, other: 120 },
  /** Strike: to see and lift, s; what it keeps the fly for, s; spread; what of it holds. */
  reactS: 0.35,
  reactIndicatorS: 0.45,
  keepsS: { dry: 1, smallChar: 0.7, nymph: 0.6 },
  smallCharCm: 25,
  keepsSpread: 0.45,
  holds: 0.85,
} as const;

/** Raised when what a stored chance means changes. */
export const CHANCE_VERSION = 1;
