import type { LevelName } from '../formats/index';
import type { HatchSeen } from './hatches';
import type { HeatRule } from './heat';
import type { LapsePair } from './lapse';
import type { DayAir, DaySun, Regime } from './regimes';
import type { Season } from '../lies/index';

/** A beat, or the places of a stream, on one day. Hours are of the day's clock. */
export interface DaySite {
  id: string;
  name: string;
  kind: 'beat' | 'places';
  streamId: string;
  streamName: string;
  altitudeM: number | null;
  /** Mean at the day's level, m. */
  depthM: number;
  regime: Regime;
  /** Share of its water in shade, 0-1, by hour 0 to 23; and what the angler said of it instead. */
  shadeByHour: readonly number[];
  /** Whether it is fished at all: its own closure. */
  closed: boolean;
  opensH: number | null;
  shutsH: number | null;
  note: string;
  /** Honest looks that a fresh beat has in it at its best temperature, and how that is known. */
  looks: number;
  looksKnown: 'route' | 'places' | 'length';
}

/** A reading of water at a site, on this day or up to two before. */
export interface DayReading {
  id: string;
  siteId: string;
  atMs: number;
  tempC: number;
}

/** All that a day is planned from. */
export interface DayAsked {
  /** Noon of the day by its clock, and the zone. */
  noonMs: number;
  timeZone: string | null;
  sites: readonly DaySite[];
  readings: readonly DayReading[];
  /** Pairs of readings of earlier days, by stream. */
  pairs: Readonly<Record<string, readonly LapsePair[]>>;
  sun: DaySun;
  season: Season;
  /** Air at `airAtM`; null: by the season. */
  air: DayAir;
  airKnown: 'told' | 'season';
  airAtM: number | null;
  cloud: number;
  windMps: number;
  thunder: { fromH: number; toH: number } | null;
  fireBan: boolean;
  rising: boolean;
  level: LevelName;
  levelC: number;
  /** Warmer air than on the two days before, which were cold. */
  warmAfterCold: boolean;
  heat: HeatRule;
  seen: readonly HatchSeen[];
  /** Minutes between sites by their order here; the last is home. */
  travelMin: readonly (readonly number[])[];
  /** Which sites the day may use; all that are not here have a curve and no stay. */
  chosen: readonly string[];
  /** Not before this hour: it is over. null: another day. */
  nowH: number | null;
  minutePrice: number;
  /** Order and hours as set by hand; null: as is best. */
  byHand: readonly HandStay[] | null;
}

/** A stay as set by hand. null: as is best in this order. */
export interface HandStay {
  siteId: string;
  arriveH: number | null;
  leaveH: number | null;
}
