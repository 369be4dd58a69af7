import { sampleFlow, type FlowField } from '../water/index';

/** The current that a fish faces is taken over this much of it, m, whatever the cell. */
const OVER_M = 0.3;
const SAMPLES = 8;

/** The way a fish in cell `k` faces: against the mean velocity round it; in an eddy that is down-valley. */
export function headingAt(flow: FlowField, k: number): number {
  const i = k % flow.nx;
  const xM = flow.x0M + i * flow.cellM;
  const yM = flow.y0M + ((k - i) / flow.nx) * flow.cellM;
  const sample = sampleFlow(flow, xM, yM, { depthM: 0, u: 0, v: 0 });
  let su = sample.u;
  let sv = sample.v;
  for (let n = 0; n < SAMPLES; n++) {
    const angle = (2 * Math.PI * n) / SAMPLES;
    const [dx, dy] = [Math.cos(angle), Math.sin(angle)].map((c) => (OVER_M / 2) * c);
    sampleFlow(flow, xM + dx!, yM + dy!, sample);
    su += sample.u;
    sv += sample.v;
  }
  return su === 0 && sv === 0 ? 0 : Math.atan2(-sv, -su);
}
