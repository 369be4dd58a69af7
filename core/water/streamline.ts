import type { Place } from '../grid/index';
import { sampleFlow, type FlowField } from './flow-field';

export interface Streamline {
  places: Place[];
  /** Travel time from the start at the depth-mean pace, s, one per place. */
  timeS: number[];
  /** Why it ended. */
  end: 'length' | 'dry' | 'slack' | 'edge';
}

/** Below this a streamline has stopped, m/s. */
const SLACK_MPS = 0.01;

/**
 * Follows the depth-mean current from a place, down-current or up, by midpoint steps of `stepM`,
 * at most `maxM` long.
 */
export function traceStreamline(
  flow: FlowField,
  from: Place,
  options: { direction: 'up' | 'down'; maxM: number; stepM?: number },
): Streamline {
  const step = options.stepM ?? flow.cellM / 2;
  const sign = options.direction === 'down' ? 1 : -1;
  const s = { depthM: 0, u: 0, v: 0 };
  const places: Place[] = [from];
  const timeS = [0];
  let { xM, yM } = from;
  const count = Math.ceil(options.maxM / step);
  const maxX = flow.x0M + (flow.nx - 0.5) * flow.cellM;
  for (let n = 0; n < count; n++) {
    sampleFlow(flow, xM, yM, s);
    if (s.depthM <= 0) return { places, timeS, end: 'dry' };
    let speed = Math.hypot(s.u, s.v);
    if (speed < SLACK_MPS) return { places, timeS, end: 'slack' };
    const mx = xM + ((sign * s.u) / speed) * step * 0.5;
    const my = yM + ((sign * s.v) / speed) * step * 0.5;
    sampleFlow(flow, mx, my, s);
    speed = Math.hypot(s.u, s.v);
    if (s.depthM <= 0) return { places, timeS, end: 'dry' };
    if (speed < SLACK_MPS) return { places, timeS, end: 'slack' };
    xM += ((sign * s.u) / speed) * step;
    yM += ((sign * s.v) / speed) * step;
    if (xM < 0 || xM > maxX) return { places, timeS, end: 'edge' };
    places.push({ xM, yM });
    timeS.push(timeS[timeS.length - 1]! + step / speed);
  }
  return { places, timeS, end: 'length' };
}

/**
 * The thalweg: for each column of cells the place of greatest depth, smoothed over about 2 m so
 * that it is single-valued and even. One place per column, in order of x.
 */
export function thalweg(flow: FlowField): Place[] {
  const { nx, ny } = flow;
  const raw: number[] = [];
  for (let i = 0; i < nx; i++) {
    let sum = 0;
    let weight = 0;
    for (let j = 0; j < ny; j++) {
      const k = j * nx + i;
      // Over a rock is no thalweg.
      const w = flow.solid[k] === 0 ? flow.depthM[k]! ** 6 : 0;
      sum += w * (flow.y0M + j * flow.cellM);
      weight += w;
    }
    raw.push(weight > 0 ? sum / weight : (raw[raw.length - 1] ?? flow.y0M));
  }
  const half = Math.round(1 / flow.cellM);
  return raw.map((_, i) => {
    let sum = 0;
    let n = 0;
    for (let k = Math.max(0, i - half); k <= Math.min(nx - 1, i + half); k++) {
      sum += raw[k]!;
      n++;
    }
    return { xM: flow.x0M + i * flow.cellM, yM: sum / n };
  });
}
