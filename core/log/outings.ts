import { civilDay } from '../units/index';

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

/** One reading of water or air. */
export interface Reading {
  id: string;
  outingId: string;
  beatId: string | null;
  takenMs: number;
  zoneOffsetMin: number;
  waterTempC: number | null;
  airTempC: number | null;
  turbidityNtu: number | null;
  note: string;
}

/** The outing that something of this moment belongs to: one of the same civil day that has not ended. */
export const openOutingAt = (outings: readonly Outing[], ms: number): Outing | null =>
  outings.find(
    (o) => o.endMs === null && civilDay(o.startMs, o.timeZone) === civilDay(ms, o.timeZone),
  ) ?? null;
