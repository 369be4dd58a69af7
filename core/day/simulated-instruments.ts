import { createRandom } from '../grid/index';

/** One line of an instrument. */
export interface InstrumentLine {
  takenMs: number;
  waterTempC: number | null;
  levelM: number | null;
}

/** A stream of our own invention: freestone, in June. */
const STREAM = { meanC: 14.2, swingC: 2.6, warmestH: 16.5, levelM: 0.42, fallsMpd: 0.015 } as const;
const EVERY_MS = 30 * 60_000;
const HOUR_MS = 3_600_000;

/**
 * A thermometer logger and a level gauge that stand in for real ones: a line every half hour from
 * `dayStartMs` (local midnight) to `untilMs`, the same for the same day. Invented, and said so where shown.
 */
export function simulatedInstruments(dayStartMs: number, untilMs: number): InstrumentLine[] {
  const random = createRandom(Math.floor(dayStartMs / (24 * HOUR_MS)));
  const dayC = STREAM.meanC + 1.6 * (random() - 0.5);
  const out: InstrumentLine[] = [];
  for (let ms = dayStartMs; ms <= untilMs; ms += EVERY_MS) {
    const hour = (ms - dayStartMs) / HOUR_MS;
    const wave = Math.cos((2 * Math.PI * (hour - STREAM.warmestH)) / 24);
    out.push({
      takenMs: ms,
      waterTempC: Math.round(10 * (dayC + STREAM.swingC * wave + 0.15 * (random() - 0.5))) / 10,
      levelM: Math.round(1000 * (STREAM.levelM - (STREAM.fallsMpd * hour) / 24)) / 1000,
    });
  }
  return out;
}
