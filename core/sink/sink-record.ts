import type { SinkStart } from '../rig/index';
import type { HungRig } from './hung';
import { ticksOf } from './ticks';
import type { SinkLane } from './lane';
import { sinkPath } from './sink-path';

/** What one drift did: kept clear of the bed, ticked it, or hung on it. */
export type Felt = 'clear' | 'ticked' | 'hung';

/** One drift of the record: where, with what, and what was felt. */
export interface FeltDrift {
  /** The place whose bed it speaks of. */
  placeId: string;
  lane: SinkLane;
  /** The rig at the angler's multiplier of 1, and again at another; null: it would not sink at all. */
  rigAt: (multiplier: number) => HungRig | null;
  start: SinkStart;
  /** Metres above the fish where the lowest fly landed, and past it where it was lifted. */
  leadM: number;
  pastM: number;
  felt: Felt;
}

/** Spread of ln m of an angler who has recorded nothing (our guess). */
export const LN_M_SPREAD = 0.25;
const LN_M = grid(-0.64, 0.64, 0.04);
const BED = grid(-0.4, 0.4, 0.02);
/** Paths are followed at these, and the rest read between them. */
const FOLLOWED = [-0.64, -0.42, -0.2, 0, 0.2, 0.42, 0.64];
/** The bed's roughness is believed no better than this share of D84. */
const ROUGH_DOUBT = 0.35;
const LEAST_CHANCE = 1e-4;

function grid(from: number, to: number, step: number): number[] {
  return Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step);
}

/** Log of the chance of what was felt, over ln m (rows) and the shift of the bed (columns). */
export type FeltTable = Float64Array;

export function feltTable(drift: FeltDrift): FeltTable {
  const at = FOLLOWED.map((lnM) => {
    const rig = drift.rigAt(Math.exp(lnM));
    const path =
      rig &&
      sinkPath({
        lane: drift.lane,
        rig,
        start: drift.start,
        landingM: -drift.leadM,
        liftM: drift.pastM,
        roughly: true,
      });
    return BED.map((b) => {
      const { ticks, hangs } = path
        ? ticksOf(path, drift.lane, { bedShiftM: b, toM: drift.pastM })
        : { ticks: 0, hangs: 0 };
      const p =
        drift.felt === 'clear'
          ? 1 - ticks
          : drift.felt === 'hung'
            ? hangs
            : Math.max(0, ticks - hangs);
      return Math.log(Math.max(LEAST_CHANCE, p));
    });
  });
  const table = new Float64Array(LN_M.length * BED.length);
  LN_M.forEach((lnM, i) => {
    let k = 0;
    while (k < FOLLOWED.length - 2 && FOLLOWED[k + 1]! < lnM) k++;
    const q = (lnM - FOLLOWED[k]!) / (FOLLOWED[k + 1]! - FOLLOWED[k]!);
    BED.forEach((_, j) => {
      table[i * BED.length + j] = at[k]![j]! + q * (at[k + 1]![j]! - at[k]![j]!);
    });
  });
  return table;
}

export interface SinkBelief {
  /** The angler's sink multiplier: best and spread of its logarithm. */
  lnM: number;
  lnMSpread: number;
  multiplier: number;
  /** By place: how much lower its bed lies than drawn, and the spread of that, m. */
  beds: Map<string, { shiftM: number; spreadM: number; drifts: number }>;
  drifts: number;
}

/** What an earlier record has left: of the sink's logarithm. */
export interface SinkBefore {
  lnM: number;
  spread: number;
}
const NOTHING_BEFORE: SinkBefore = { lnM: 0, spread: LN_M_SPREAD };

export interface FeltPlace {
  id: string;
  /** How much lower than drawn its bed was held to lie already, m; 0 where nothing was felt before. */
  shiftM?: number;
  /** How well its bed is known, m: .03 sounded, .12 sketched. */
  spreadM: number;
  d84M: number;
  tables: readonly FeltTable[];
  /** The drifts, by their ids. */
  felt?: readonly string[];
}

/** What all that was felt says of the angler's sink and of each bed; what is left out is taken back. */
export function believeSink(
  places: readonly FeltPlace[],
  before: SinkBefore = NOTHING_BEFORE,
): SinkBelief {
  const prior = LN_M.map((l) => -0.5 * ((l - before.lnM) / before.spread) ** 2);
  const perPlace = places.map((p) => {
    const sum = new Float64Array(LN_M.length * BED.length);
    for (const t of p.tables) for (let i = 0; i < sum.length; i++) sum[i] = sum[i]! + t[i]!;
    const bed = BED.map((b) => -0.5 * ((b - (p.shiftM ?? 0)) / p.spreadM) ** 2);
    return { sum, bed };
  });
  const lineOf = ({ sum, bed }: (typeof perPlace)[number], i: number) =>
    logSum(BED.map((_, j) => sum[i * BED.length + j]! + bed[j]!));
  const whole = LN_M.map((_, i) => prior[i]! + perPlace.reduce((a, p) => a + lineOf(p, i), 0));
  const { mean: lnM, spread: lnMSpread } = momentsOf(LN_M, whole);
  const beds: SinkBelief['beds'] = new Map();
  places.forEach((place, k) => {
    const { sum, bed } = perPlace[k]!;
    const over = BED.map((_, j) =>
      logSum(
        LN_M.map(
          (_m, i) => whole[i]! - lineOf(perPlace[k]!, i) + sum[i * BED.length + j]! + bed[j]!,
        ),
      ),
    );
    const { mean, spread } = momentsOf(BED, over);
    beds.set(place.id, {
      shiftM: mean,
      spreadM: Math.hypot(spread, place.tables.length > 0 ? ROUGH_DOUBT * place.d84M : 0),
      drifts: place.tables.length,
    });
  });
  return {
    lnM,
    lnMSpread,
    multiplier: Math.exp(lnM),
    beds,
    drifts: places.reduce((n, p) => n + p.tables.length, 0),
  };
}

function logSum(logs: readonly number[]): number {
  const most = Math.max(...logs);
  return most + Math.log(logs.reduce((a, l) => a + Math.exp(l - most), 0));
}

function momentsOf(at: readonly number[], logs: readonly number[]) {
  const whole = logSum(logs);
  const p = logs.map((l) => Math.exp(l - whole));
  const mean = at.reduce((a, x, i) => a + x * p[i]!, 0);
  const spread = Math.sqrt(at.reduce((a, x, i) => a + (x - mean) ** 2 * p[i]!, 0));
  return { mean, spread };
}
