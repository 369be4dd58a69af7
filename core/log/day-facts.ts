import type { Check, HandStay, HatchSeen, Regime } from '../day/index';
import type { LevelName } from '../formats/index';

/** What the angler told for planning a day: of a stream, of a beat, of a way between two, of a date. */
export interface StreamFacts {
  regime: Regime;
}
export interface BeatFacts {
  /** Share of its water in shade at midday; null: by its trees and banks. */
  shade: number | null;
  /** Left alone altogether, or outside these hours: the angler's own rules. Minutes of the day. */
  closed: boolean;
  opensMin: number | null;
  shutsMin: number | null;
  note: string;
}
/** Door to water, or from one beat's water to the other's, min. */
export interface WayFacts {
  minutes: number;
}
export const STAY_OUT = ['all day', 'while good', 'best hours'] as const;
export type StayOut = (typeof STAY_OUT)[number];
export interface DateFacts {
  airLowC: number | null;
  airHighC: number | null;
  /** Height that the air is told for; null: the lowest beat's. */
  airAtM: number | null;
  cloud: number;
  windMps: number;
  thunder: { fromMin: number; toMin: number } | null;
  fireBan: boolean;
  rising: boolean;
  level: LevelName | null;
  /** Which beats; null: every one of the stream that is looked at. */
  sites: string[] | null;
  stayOut: StayOut;
  byHand: HandStay[] | null;
  seen: HatchSeen[];
  checked: Check[];
  /** Invented by the stand-in for a forecast, or typed. */
  weather: 'typed' | 'simulated' | null;
}

export const NO_STREAM_FACTS: StreamFacts = { regime: 'freestone' };
export const NO_BEAT_FACTS: BeatFacts = {
  shade: null,
  closed: false,
  opensMin: null,
  shutsMin: null,
  note: '',
};
export const NO_DATE_FACTS: DateFacts = {
  airLowC: null,
  airHighC: null,
  airAtM: null,
  cloud: 0.2,
  windMps: 1,
  thunder: null,
  fireBan: false,
  rising: false,
  level: null,
  sites: null,
  stayOut: 'while good',
  byHand: null,
  seen: [],
  checked: [],
  weather: null,
};

/** All that was told, by what it is told of. A way is named by both ends, `wayId`. */
export interface DayFacts {
  streams: Record<string, StreamFacts>;
  beats: Record<string, BeatFacts>;
  ways: Record<string, WayFacts>;
  /** By civil date. */
  dates: Record<string, DateFacts>;
}
export const FACT_KINDS = ['streams', 'beats', 'ways', 'dates'] as const;
export type FactKind = (typeof FACT_KINDS)[number];
export const NO_FACTS: DayFacts = { streams: {}, beats: {}, ways: {}, dates: {} };

/** Where one sets out from, and goes home to, as the end of a way. */
export const HOME = 'home';
/** A way is the same in both directions. */
export const wayId = (a: string, b: string): string => [a, b].sort().join('--');
