import { featuresOf, type BeatPlan } from '../formats/index';
import { type Place } from '../grid/index';
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
