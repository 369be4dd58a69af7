import { temperatureSuitability, type Species } from '../fish/index';
import type { DaySun } from './regimes';

/** What an hour is worth against a good one, beside its temperature: our guesses, of common practice. */
export const HOUR = {
  /** The last light: so much more at sunset, over so many minutes to both sides. */
  dusk: { more: 0.8, sdH: 21 / 60 },
  dawn: { more: 0.3, afterH: 0.75, sdH: 0.75 },
  /** In winter the middle of the day. */
  winter: { times: 1.5, fromH: 11, toH: 15 },
  /** A warm day after cold ones, in cold water. */
  afterCold: 1.3,
  /** Flies on the water: as the table has them, and as they were seen. */
  hatch: 1.2,
  hatchSeen: 1.5,
  /** Light before sunrise and after sunset in which one still casts, h. */
  twilightH: 0.5,
  /** Fish in water that is as cold as can be still feed, a little. */
  leastShare: 0.12,
} as const;

/** Share of full feeding at a temperature, 0-1: the trapezoid that Read rates lies by. */
export const feedingAt = (tempC: number, species: Species): number =>
  Math.max(HOUR.leastShare, temperatureSuitability(species, tempC));

/** What the light of an hour adds. */
export function lightWorth(h: number, sun: DaySun, winter: boolean): number {
  let worth = 1;
  if (sun.setH !== null)
    worth += HOUR.dusk.more * Math.exp(-0.5 * ((h - sun.setH) / HOUR.dusk.sdH) ** 2);
  if (sun.riseH !== null)
    worth +=
      HOUR.dawn.more * Math.exp(-0.5 * ((h - sun.riseH - HOUR.dawn.afterH) / HOUR.dawn.sdH) ** 2);
  return winter && h >= HOUR.winter.fromH && h < HOUR.winter.toH
    ? worth * HOUR.winter.times
    : worth;
}

/** Hours are planned in quarters. */
const QUARTER_H = 0.25;

/** First and last quarter hour with light enough; a day without sun has its noon twilight, one without night all of it. */
export function lightHours(sun: DaySun): { fromH: number; toH: number } {
  if (sun.riseH === null || sun.setH === null)
    return sun.neverSets ? { fromH: 0, toH: 24 } : { fromH: 11, toH: 13 };
  return {
    fromH: Math.max(0, Math.ceil((sun.riseH - HOUR.twilightH) / QUARTER_H) * QUARTER_H),
    toH: Math.min(24, Math.floor((sun.setH + HOUR.twilightH) / QUARTER_H) * QUARTER_H),
  };
}
