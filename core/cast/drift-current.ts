import {
  sampleSurface,
  surfaceCurrent,
  type FlowField,
  type FlowSample,
  type SurfaceCurrent,
} from '../water/index';

/** The surface current as one run takes it: `gain` quicker or slower than solved. */
export interface Current {
  surface: SurfaceCurrent;
  gain: number;
  sample: FlowSample;
}

// Own copy: an imported function is reached through a getter, and this one is called 6,000 times a drift.
const sampleAt = sampleSurface;

export const currentOf = (flow: FlowField, bias = 0): Current => ({
  surface: surfaceCurrent(flow),
  gain: 1 + bias,
  sample: { depthM: 0, u: 0, v: 0 },
});

/** Surface velocity, and depth 1 where it is wet; writes and returns the run's own sample. */
export function surfaceInto(c: Current, xM: number, yM: number): FlowSample {
  const s = sampleAt(c.surface, xM, yM, c.sample);
  s.u *= c.gain;
  s.v *= c.gain;
  return s;
}

/** Plan angle against the local current; 0 (up the valley) in still water. */
export function upCurrentRad(c: Current, xM: number, yM: number): number {
  const s = surfaceInto(c, xM, yM);
  return s.u === 0 && s.v === 0 ? 0 : Math.atan2(-s.v, -s.u);
}
