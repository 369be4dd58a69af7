import { mmOfX, type RigKind, type RigPlan, type Rod } from './plan';
import type { TemplateId } from './templates';

/** What a beat and a day are like, for choosing a rig. */
export interface RigWater {
  /** Mean wetted width, m. */
  widthM: number;
  /** Share of it under trees, 0-1. */
  overgrown: number;
  mostDepthM: number;
  /** Usual surface speed, m/s. */
  surfaceMps: number;
  turbidityNtu: number;
  tempC: number | null;
  windMps: number;
  /** Shares of pocket water and of flat water, 0-1. */
  pockets: number;
  flats: number;
  /** Discharge over the usual one. */
  flowShare: number;
  /** Species and length looked for. */
  smallChar: boolean;
  rising: boolean;
}

/** Why a template fits, with the number that chose it; higher first. */
export interface RigFit {
  id: TemplateId;
  fit: number;
  by: keyof RigWater;
  value: number;
}

/** When each is taken, and how much it speaks for it, 0-1 (common practice; the limits are our guesses). */
const COLD_C = 6;
const STRONG_WIND_MPS = 5;
const RULES: { id: TemplateId; by: keyof RigWater; fit: (w: RigWater) => number }[] = [
  { id: 'flood', by: 'flowShare', fit: (w) => over(w.flowShare, 1.8, 2.5) },
  {
    id: 'winter',
    by: 'tempC',
    fit: (w) => (w.tempC === null ? 0 : over(-w.tempC, -COLD_C - 2, -COLD_C)),
  },
  {
    id: 'wind',
    by: 'windMps',
    fit: (w) => 0.9 * over(w.windMps, STRONG_WIND_MPS - 1, STRONG_WIND_MPS + 1),
  },
  { id: 'two-dries', by: 'rising', fit: (w) => (w.rising ? 0.85 : 0) },
  {
    id: 'fixed-streamer',
    by: 'overgrown',
    fit: (w) => 0.8 * over(w.overgrown, 0.5, 0.8) * over(-w.widthM, -5, -3),
  },
  { id: 'small-char', by: 'smallChar', fit: (w) => (w.smallChar ? 0.8 : 0) },
  {
    id: 'clear-flat',
    by: 'flats',
    fit: (w) => 0.8 * over(w.flats, 0.3, 0.6) * over(-w.turbidityNtu, -6, -3),
  },
  { id: 'pocket', by: 'pockets', fit: (w) => 0.75 * over(w.pockets, 0.1, 0.35) },
  { id: 'float', by: 'mostDepthM', fit: (w) => 0.7 * over(w.mostDepthM, 0.6, 1) },
  {
    id: 'tight-line',
    by: 'surfaceMps',
    fit: (w) => 0.65 * over(w.surfaceMps, 0.4, 0.7) * over(w.mostDepthM, 0.4, 0.6),
  },
  { id: 'small-stream', by: 'widthM', fit: (w) => 0.3 + 0.35 * over(-w.widthM, -7, -4) },
];
const over = (v: number, none: number, all: number) =>
  Math.min(1, Math.max(0, (v - none) / (all - none)));

/** Templates that fit a beat on a day, best first, each with the number that chose it. */
export const rigsFor = (water: RigWater): RigFit[] =>
  RULES.map(({ id, by, fit }) => ({ id, by, fit: fit(water), value: Number(water[by] ?? 0) }))
    .filter((r) => r.fit > 0)
    .sort((a, b) => b.fit - a.fit);

/** Line weights and lengths of rods by width of the stream (common practice; our guesses), m. */
const RODS: { underM: number; weight: number; lengthsM: [number, number] }[] = [
  { underM: 3, weight: 2, lengthsM: [1.8, 2.1] },
  { underM: 6, weight: 3, lengthsM: [2.1, 2.4] },
  { underM: 10, weight: 4, lengthsM: [2.4, 2.7] },
  { underM: 18, weight: 5, lengthsM: [2.7, 2.7] },
  { underM: Infinity, weight: 6, lengthsM: [2.7, 2.7] },
];

/** A rod for a stream so wide, and for a kind of rig. */
export function rodFor(
  widthM: number,
  kind: RigKind,
  windMps = 0,
): Rod & { lengthsM: [number, number] } {
  if (kind === 'tight-line') return { lineWeight: 3, lengthM: 3.15, lengthsM: [3, 3.3] };
  if (kind === 'fixed-line') return { lineWeight: null, lengthM: 3, lengthsM: [2.4, 3.6] };
  const heavy = kind === 'streamer' || windMps > STRONG_WIND_MPS;
  const row = heavy ? RODS.at(-1)! : RODS.find((r) => widthM < r.underM)!;
  return { lineWeight: row.weight, lengthM: row.lengthsM[1], lengthsM: row.lengthsM };
}

/** The same rig for stained water: two X heavier below the leader (common practice: it is seen late and near). */
export const forStained = (plan: RigPlan): RigPlan => ({
  ...plan,
  parts: plan.parts.map((p) =>
    p.part === 'section' && p.use === 'tippet' ? { ...p, diameterMm: p.diameterMm + TWO_X_MM } : p,
  ),
});
const TWO_X_MM = mmOfX(0) - mmOfX(2);
