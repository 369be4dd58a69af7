import type { PlaceWater } from '../log/index';
import { WILLING_PRIOR } from '../moves/index';

/** Chance that one cover is answered by a willing fish, and seconds a cover, by the water (our guesses). */
export const WATER_FACTS: Record<PlaceWater, { answers: number; coverS: number }> = {
  pocket: { answers: 0.5, coverS: 8 },
  riffle: { answers: 0.5, coverS: 8 },
  run: { answers: 0.4, coverS: 11 },
  undercut: { answers: 0.3, coverS: 13 },
  glide: { answers: 0.25, coverS: 13 },
  pool: { answers: 0.25, coverS: 14 },
};

/** All of these are ours, until the log refits them. */
export const PLACE = {
  /** Share of fish at home that feed. */
  willing: WILLING_PRIOR.blind,
  mostChance: 0.95,
  /** Colder than this a fish answers half as often, °C. */
  coldC: 6,
  coldShare: 0.5,
  /** Getting into place, and looking at each lie, s. */
  settleS: 30,
  lookS: 8,
  takeS: 50,
  /** Walking in and beside a stream, m/s, and reading the next place, s. */
  walkMps: 0.45,
  readS: 12,
  /** Metres from one place to the next where nobody counted. */
  apartM: 55,
  /** Lies of one place share what it shows, with this strength. */
  shares: 6,
  mostCovers: 8,
  /** Elsewhere never pays less than this, takes an hour. */
  leastLambda: 0.5,
  /** A pattern makes a place at most this much better. */
  mostFit: 3,
  /** What was learned on earlier outings of the same month and level says so much. */
  earlier: 0.3,
  /** Paces miss by this share of the way; a phone that knows less than this does not place. */
  pacesSpread: 0.1,
  mostAccuracyM: 50,
} as const;
