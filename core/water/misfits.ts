import { featuresOf, type BeatPlan } from '../formats/index';
import { createChannel, type Channel } from './channel';
import { type GridFrame, type Place } from '../grid/index';
import { alongLine } from './depths';
import { sampleFlow, type FlowField } from './flow-field';
import { surfaceFactor } from './profile';

/** One place that was measured, and what the flow says there. */
export interface Misfit extends Place {
  takenDepthM: number;
  solvedDepthM: number;
  /** Depth means, m/s; null where no speed was taken. */
  takenMps: number | null;
  solvedMps: number | null;
}

interface Measured extends Place {
  depthM: number;
  speedMps: number | null;
  at: 'surface' | 'six-tenths';
}

export function measuredPlaces(plan: BeatPlan): Measured[] {
  const out: Measured[] = [];
  for (const s of featuresOf(plan, 'section')) {
    if (s.shape.type !== 'LineString') continue;
    for (const station of s.stations) {
      if (station.depthM <= 0) continue;
      out.push({
        ...alongLine(s.shape.line, station.offsetM),
        depthM: station.depthM,
        speedMps: station.speedMps ?? null,
        at: s.at ?? 'six-tenths',
      });
    }
  }
  for (const s of featuresOf(plan, 'sounding')) {
    if (s.shape.type !== 'Point' || s.depthM <= 0) continue;
    out.push({
      ...s.shape.place,
      depthM: s.depthM,
      speedMps: s.speedMps ?? null,
      at: s.at ?? 'six-tenths',
    });
  }
  return out;
}

/** Measured against solved at each place, for a flow at the surveyed level. Speeds down-current positive. */
export function misfits(plan: BeatPlan, flow: FlowField): Misfit[] {
  const sample = { depthM: 0, u: 0, v: 0 };
  const far = flow.x0M + (flow.nx - 1) * flow.cellM;
  return measuredPlaces(plan).map((m) => {
    // A line taped just outside the ends is read at the end.
    const xM = Math.min(far, Math.max(flow.x0M, m.xM));
    sampleFlow(flow, xM, m.yM, sample);
    const k = Math.round((xM - flow.x0M) / flow.cellM);
    const factor = m.at === 'surface' ? surfaceFactor(m.depthM, flow.d84M[k] || 0.13) : 1;
    const solved = -Math.sign(sample.u || -1) * Math.hypot(sample.u, sample.v);
    return {
      xM: m.xM,
      yM: m.yM,
      takenDepthM: m.depthM,
      solvedDepthM: sample.depthM,
      takenMps: m.speedMps === null ? null : m.speedMps / factor,
      solvedMps: m.speedMps === null ? null : solved,
    };
  });
}

/** Beside rocks and timber, m, and in the outer share of the width a taken depth says little. */
const OFF_SOLIDS_M = 0.6;
const OFF_BANKS = 0.03;

export interface DepthMisfit {
  rmsM: number;
  /** Where the solved depth is farthest from the taken one; null where nothing can be compared. */
  worst: Misfit | null;
  places: number;
}

/**
 * How far the depths of a flow at the surveyed level are from those taken, nothing subtracted: off
 * solids and the outer 3 % of the width, within the beat.
 */
export function depthMisfit(plan: BeatPlan, flow: FlowField): DepthMisfit {
  const tells = placesThatTell(createChannel(plan), flow);
  const compared = misfits(plan, flow).filter(tells);
  const off = (m: Misfit) => Math.abs(m.solvedDepthM - m.takenDepthM);
  return {
    rmsM: rootMeanSquare(compared.map(off)),
    worst: compared.reduce<Misfit | null>((w, m) => (w && off(w) >= off(m) ? w : m), null),
    places: compared.length,
  };
}

export const rootMeanSquare = (values: number[]): number =>
  Math.sqrt(values.reduce((sum, x) => sum + x * x, 0) / Math.max(1, values.length));

/** Which taken depths say something of the water: off solids and banks, within the beat. */
export function placesThatTell(
  channel: Channel,
  flow: GridFrame & { solid: Uint8Array },
): (place: Place) => boolean {
  const { lengthM } = channel.plan;
  const reach = Math.ceil(OFF_SOLIDS_M / flow.cellM);
  const besideSolid = (xM: number, yM: number) => {
    const ci = Math.round((xM - flow.x0M) / flow.cellM);
    const cj = Math.round((yM - flow.y0M) / flow.cellM);
    for (let j = Math.max(0, cj - reach); j <= Math.min(flow.ny - 1, cj + reach); j++)
      for (let i = Math.max(0, ci - reach); i <= Math.min(flow.nx - 1, ci + reach); i++) {
        if (flow.solid[j * flow.nx + i] === 0) continue;
        const off = Math.hypot(flow.x0M + i * flow.cellM - xM, flow.y0M + j * flow.cellM - yM);
        if (off < OFF_SOLIDS_M) return true;
      }
    return false;
  };
  return ({ xM, yM }) => {
    const n = channel.across(xM, yM);
    const within = n > OFF_BANKS && n < 1 - OFF_BANKS && xM >= 0 && xM <= lengthM;
    return within && !besideSolid(xM, yM);
  };
}
