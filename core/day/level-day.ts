import { LEVEL_NAMES, type LevelName } from '../formats/index';
import type { Season } from '../lies/index';

/** What a level usually brings, before this stream has been read at it: our guesses. */
interface LevelUsual {
  turbidityNtu: number;
  /** Against the day's mean, C: low water warms, rain and melt cool. */
  meanC: number;
}
const USUAL: Record<LevelName, LevelUsual> = {
  Thin: { turbidityNtu: 0.7, meanC: 0.6 },
  Fair: { turbidityNtu: 1.5, meanC: 0 },
  Full: { turbidityNtu: 6, meanC: -0.5 },
  Spate: { turbidityNtu: 40, meanC: -1.5 },
};
/** Spread of the logarithm of clarity: of the guess, and of one reading. */
const GUESS_SD = 0.9;
const READ_SD = 0.5;
const BAND_SD = 1.2816;

/** Clarity read on a day at a level. */
export interface ColourReading {
  level: LevelName;
  turbidityNtu: number;
}

/** Colour and temperature that a level proposes, and by how many readings of this stream. */
export interface LevelProposal {
  level: LevelName;
  turbidityNtu: { low: number; best: number; high: number };
  meanC: number;
  readings: number;
}

/** What each level brings to this stream: the usual, corrected by what was read at it (normal in the logarithm). */
export function levelProposals(readings: readonly ColourReading[]): LevelProposal[] {
  return LEVEL_NAMES.map((level) => {
    const usual = USUAL[level];
    const own = readings.filter((r) => r.level === level);
    let precision = GUESS_SD ** -2;
    let sum = Math.log(usual.turbidityNtu) * precision;
    for (const r of own) {
      precision += READ_SD ** -2;
      sum += Math.log(Math.max(0.1, r.turbidityNtu)) / READ_SD ** 2;
    }
    const centre = sum / precision;
    const sd = Math.sqrt(1 / precision + READ_SD ** 2);
    return {
      level,
      turbidityNtu: {
        low: Math.exp(centre - BAND_SD * sd),
        best: Math.exp(centre),
        high: Math.exp(centre + BAND_SD * sd),
      },
      meanC: usual.meanC,
      readings: own.length,
    };
  });
}

/** At-a-station hydraulic geometry: depth goes with discharge to this power (Leopold & Maddock 1953). */
const DEPTH_POWER = 0.4;

/** Mean depth at a level, from that at which it was surveyed. */
export const depthAtLevel = (depthM: number, surveyedM3s: number, levelM3s: number): number =>
  depthM * (levelM3s / surveyedM3s) ** DEPTH_POWER;

/** Where to look first at this level and time of year (common practice). */
export type LevelAdvice =
  | 'soft edges, own feet first'
  | 'edges of the thread'
  | 'any water'
  | 'depth and cover'
  | 'larger water late';

/** High water sends fish to the edges; low water to depth; late in the year the better ones drop to larger water. */
export function levelAdvice(level: LevelName, season: Season): LevelAdvice[] {
  const out: LevelAdvice[] = [
    level === 'Spate'
      ? 'soft edges, own feet first'
      : level === 'Full'
        ? 'edges of the thread'
        : level === 'Thin'
          ? 'depth and cover'
          : 'any water',
  ];
  if (season === 'autumn' || season === 'winter') out.push('larger water late');
  return out;
}
