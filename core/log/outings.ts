import type { Sky } from '../sight/index';
import { civilDay } from '../units/index';
import type { WindFrom } from './settings';

/** Every instant of the log lies between these, UTC ms: a clock that says otherwise is wrong, and what is drawn from it has no end. */
export const INSTANTS_MS = [0, 4e12] as const;

/** An instant as it is read from wherever it was kept: within `INSTANTS_MS`. */
export const instantIn = (ms: number): number =>
  Math.min(INSTANTS_MS[1], Math.max(INSTANTS_MS[0], ms));

/** A day or part of one over any number of beats and places. Made on the device that goes out. */
export interface Outing {
  id: string;
  startMs: number;
  /** null while it goes on. */
  endMs: number | null;
  /** IANA name, or "UTC" where the beat's clocks are solar. */
  timeZone: string;
  note: string;
}

/** Where a reading comes from. */
export const READING_SOURCES = ['typed', 'logger', 'gauge'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** One reading of water, air or weather. null: not read. */
export interface Reading {
  id: string;
  outingId: string;
  beatId: string | null;
  takenMs: number;
  zoneOffsetMin: number;
  waterTempC: number | null;
  airTempC: number | null;
  turbidityNtu: number | null;
  /** Height of the water on the angler's own gauge or mark, m. */
  levelM: number | null;
  sky: Sky | null;
  windMps: number | null;
  windFrom: WindFrom | null;
  source: ReadingSource;
  note: string;
}

/** What a reading says when nothing was read but what `told` names. */
export const readingSaying = (
  told: Pick<Reading, 'id' | 'outingId' | 'takenMs' | 'zoneOffsetMin'> & Partial<Reading>,
): Reading => ({
  beatId: null,
  waterTempC: null,
  airTempC: null,
  turbidityNtu: null,
  levelM: null,
  sky: null,
  windMps: null,
  windFrom: null,
  source: 'typed',
  note: '',
  ...told,
});

/** Whether anything was read at all. */
export const saysSomething = (r: Reading): boolean =>
  [r.waterTempC, r.airTempC, r.turbidityNtu, r.levelM, r.sky, r.windMps, r.windFrom].some(
    (v) => v !== null,
  );

/** The outing that something of this moment belongs to: one of the same civil day that has not ended. */
export const openOutingAt = (outings: readonly Outing[], ms: number): Outing | null =>
  outings.find(
    (o) => o.endMs === null && civilDay(o.startMs, o.timeZone) === civilDay(ms, o.timeZone),
  ) ?? null;
