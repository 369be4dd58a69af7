import type { Season } from '../lies/index';

/** Insects in general; northern temperate, height shifts weeks (all common practice). */
export const HATCHES = [
  'midge',
  'blue-winged olive',
  'early caddis',
  'summer caddis',
  'pale mayfly',
  'spinner fall',
  'ant and beetle',
  'hopper',
  'cranefly',
] as const;
export type HatchKind = (typeof HATCHES)[number];

/** A time of the day by the clock, or by the light. */
type Hour = number | { dusk: number };
interface HatchRow {
  waterC: readonly [number, number];
  hours: readonly (readonly [Hour, Hour])[];
  seasons: readonly Season[];
  air?: { from: number };
  windMps?: { from?: number; to?: number };
  /** Duller than this share of cloud, or windier: either will do. */
  dull?: { cloud: number; windMps?: number };
}

const WARM: readonly Season[] = ['spring', 'summer', 'autumn'];
const CALM_MPS = 3;
const BREEZE_MPS = 2;

const ROWS: Record<HatchKind, HatchRow> = {
  midge: { waterC: [1, 12], hours: [[11, 15]], seasons: ['winter'], windMps: { to: CALM_MPS } },
  'blue-winged olive': {
    waterC: [5, 13],
    hours: [[11, 16]],
    seasons: ['spring', 'autumn'],
    dull: { cloud: 0.6 },
  },
  'early caddis': { waterC: [10, 14], hours: [[15, { dusk: 0.25 }]], seasons: ['spring'] },
  'summer caddis': {
    waterC: [12, 18],
    hours: [[{ dusk: -1.25 }, { dusk: 0.5 }]],
    seasons: ['summer'],
  },
  'pale mayfly': {
    waterC: [12, 17],
    hours: [
      [9.5, 12.5],
      [{ dusk: -2 }, { dusk: 0 }],
    ],
    seasons: ['summer'],
  },
  'spinner fall': {
    waterC: [10, 18],
    hours: [
      [5, 8],
      [{ dusk: -1 }, { dusk: 0.5 }],
    ],
    seasons: WARM,
    air: { from: 12 },
    windMps: { to: CALM_MPS },
  },
  'ant and beetle': { waterC: [12, 19], hours: [[11, 17]], seasons: ['summer', 'autumn'] },
  hopper: {
    waterC: [12, 19],
    hours: [[11, 17]],
    seasons: ['summer', 'autumn'],
    air: { from: 21 },
    windMps: { from: BREEZE_MPS },
  },
  cranefly: {
    waterC: [8, 16],
    hours: [[10, 18]],
    // Late in the summer: by the season alone its beginning cannot be told.
    seasons: ['summer', 'autumn'],
    dull: { cloud: 0.6, windMps: 4 },
  },
};

export interface HatchDay {
  season: Season;
  setH: number | null;
  cloud: number;
  windMps: number;
  /** Air at an hour, C. */
  airC(h: number): number;
  waterC(h: number): number;
}

/** A hatch as the angler saw it, at an hour of this day. */
export interface HatchSeen {
  kind: HatchKind;
  h: number;
}

export interface HatchTime {
  kind: HatchKind;
  fromH: number;
  toH: number;
  /** Seen by the angler, or of the table. */
  known: 'seen' | 'common practice';
}

/** Where there is no dusk: taken at this hour. */
const NO_DUSK_H = 21;
const STEP_H = 0.25;
const LEAST_H = 0.5;
/** What was seen is taken to last to both sides, h. */
const SEEN_H = 1;

const isDull = ({ dull }: HatchRow, { cloud, windMps }: HatchDay) =>
  !dull || cloud >= dull.cloud || (dull.windMps !== undefined && windMps >= dull.windMps);

/** Times of the day that have a hatch, by kind; what was seen outranks the table. From 20 °C none is told. */
export function hatchTimes(
  day: HatchDay,
  seen: readonly HatchSeen[],
  noneFromC: number,
): HatchTime[] {
  const dusk = day.setH ?? NO_DUSK_H;
  const hourOf = (h: Hour) => (typeof h === 'number' ? h : dusk + h.dusk);
  const out: HatchTime[] = [];
  for (const kind of HATCHES) {
    const ofKind = seen.filter((s) => s.kind === kind && day.waterC(s.h) < noneFromC);
    if (ofKind.length > 0) {
      const hours = ofKind.map((s) => s.h);
      const [fromH, toH] = [Math.min(...hours) - SEEN_H, Math.max(...hours) + SEEN_H];
      out.push({ kind, fromH, toH, known: 'seen' });
      continue;
    }
    const row = ROWS[kind];
    const wind = row.windMps ?? {};
    if (!row.seasons.includes(day.season) || !isDull(row, day)) continue;
    if (day.windMps < (wind.from ?? 0) || day.windMps > (wind.to ?? Infinity)) continue;
    for (const [from, to] of row.hours)
      for (const [fromH, toH] of stretches(hourOf(from), hourOf(to), (h) => {
        const waterC = day.waterC(h);
        return (
          waterC >= row.waterC[0] &&
          waterC <= row.waterC[1] &&
          waterC < noneFromC &&
          day.airC(h) >= (row.air?.from ?? -Infinity)
        );
      }))
        out.push({ kind, fromH, toH, known: 'common practice' });
  }
  return out.sort((a, b) => a.fromH - b.fromH);
}

/** Runs of hours that fit, half an hour at least. */
function stretches(fromH: number, toH: number, fits: (h: number) => boolean): [number, number][] {
  const out: [number, number][] = [];
  let start: number | null = null;
  for (let h = fromH; h <= toH + 1e-9; h += STEP_H) {
    const good = fits(h);
    if (good) start ??= h;
    const end = good ? h : h - STEP_H;
    if (start !== null && (!good || h + STEP_H > toH + 1e-9)) {
      if (end - start >= LEAST_H - 1e-9) out.push([start, end]);
      start = null;
    }
  }
  return out;
}
