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

/** Weather of one day, as a forecast would have it. */
export interface WeatherDay {
  airLowC: number;
  airHighC: number;
  cloud: number;
  windMps: number;
  thunder: { fromH: number; toH: number } | null;
}

/**
 * A weather feed that stands in for a real one: the same for the same day and place. Invented, and said so
 * where shown. `seasonC`: mean air of the season there.
 */
export function simulatedWeather(dayStartMs: number, seasonC: number): WeatherDay {
  const random = createRandom(Math.floor(dayStartMs / (24 * HOUR_MS)) + 77);
  const meanC = seasonC + 5 * (random() - 0.5);
  const halfC = 4 + 4 * random();
  const cloud = Math.round(10 * random() ** 1.5) / 10;
  const thunder = meanC > 15 && random() < 0.3;
  return {
    airLowC: Math.round(meanC - halfC),
    airHighC: Math.round(meanC + halfC),
    cloud,
    windMps: Math.round(1 + 5 * random() ** 2),
    thunder: thunder ? { fromH: 16, toH: 19 } : null,
  };
}
