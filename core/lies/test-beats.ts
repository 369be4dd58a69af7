import type { BankFeature, BeatFeature, BeatPlan } from '../formats/index';
import { solveFlow, type FlowField } from '../water/index';

/**
 * Small beats built for tests of the rating, none of them the demo's, none symmetric. Discharges
 * are what depths, slope and bed can carry (Manning), so that eddies and slack are honest.
 */
const line = (...points: [number, number][]) => ({
  type: 'LineString' as const,
  line: points.map(([xM, yM]) => ({ xM, yM })),
});
const area = (...points: [number, number][]) => ({
  type: 'Polygon' as const,
  ring: points.map(([xM, yM]) => ({ xM, yM })),
});
const point = (xM: number, yM: number) => ({ type: 'Point' as const, place: { xM, yM } });
const bank = (
  side: 'left' | 'right',
  points: [number, number][],
  more: Partial<BankFeature> = {},
): BeatFeature => ({ kind: 'bank', side, form: 'sloping', shape: line(...points), ...more });
/** A taped section at x from y0 on: offsets and depths. */
const section = (x: number, y0: number, ...stations: [number, number][]): BeatFeature => ({
  kind: 'section',
  shape: line([x, y0], [x, y0 + stations[stations.length - 1]![0]]),
  stations: stations.map(([offsetM, depthM]) => ({ offsetM, depthM })),
});

function beat(
  name: string,
  lengthM: number,
  slope: number,
  dischargeM3s: number,
  features: BeatFeature[],
): BeatPlan {
  return {
    version: 1,
    name,
    lengthM,
    slope,
    bearingDeg: 0,
    levels: [{ name: 'Fair', dischargeM3s, how: 'from Manning' }],
    surveyedLevel: 'Fair',
    features,
  };
}

/** Quick pocket water: broken rock at 1.8 %, one big boulder right of the middle, one small left. */
export const POCKETS = beat('Pockets', 22, 0.018, 1.7, [
  bank('left', [
    [-1, -3.6],
    [23, -3.2],
  ]),
  bank('right', [
    [-1, 3.4],
    [23, 3.8],
  ]),
  section(4, -3.5, [0, 0], [1, 0.3], [3.6, 0.46], [5.6, 0.36], [7, 0]),
  section(12, -3.4, [0, 0], [1, 0.3], [3.4, 0.45], [5.8, 0.38], [7, 0]),
  section(19, -3.3, [0, 0], [1, 0.3], [3.8, 0.46], [5.8, 0.36], [7, 0]),
  { kind: 'bed', material: 'broken-rock', shape: area([-1, -6], [23, -6], [23, 6], [-1, 6]) },
  { kind: 'boulder', diameterM: 1.3, heightM: 0.8, shape: point(13, 0.9) },
  { kind: 'boulder', diameterM: 1, heightM: 0.7, shape: point(7, -1.2) },
]);
export const POCKET_BOULDER = { xM: 13, yM: 0.9, diameterM: 1.3 };

/** A tongue that enters along the right, over a shelf that drops, into a pool with slack on the left. */
export const TONGUE = beat('Tongue', 26, 0.006, 1.1, [
  bank('left', [
    [-1, -3.4],
    [16, -4.4],
    [19, -3],
    [21, 0.2],
    [27, 0.4],
  ]),
  bank('right', [
    [-1, 3],
    [16, 3.2],
    [21, 3.2],
    [27, 3.4],
  ]),
  section(2, -3.5, [0, 0], [1.5, 0.3], [3.4, 0.42], [5.4, 0.35], [6.5, 0]),
  section(8, -3.9, [0, 0], [1.2, 0.55], [4, 0.85], [6, 0.6], [7, 0]),
  section(13, -4.2, [0, 0], [1.2, 0.6], [4.2, 1.05], [6.4, 0.7], [7.3, 0]),
  section(16, -4.3, [0, 0], [1.2, 0.45], [4.4, 0.95], [6.6, 0.6], [7.5, 0]),
  section(18, -3.2, [0, 0], [1.2, 0.25], [4.2, 0.34], [5.4, 0.32], [6.4, 0]),
  section(23, 0.3, [0, 0], [0.6, 0.34], [1.5, 0.4], [2.4, 0.34], [3, 0]),
  { kind: 'bed', material: 'gravel', shape: area([-1, -6], [27, -6], [27, 6], [-1, 6]) },
]);

/** An even shallow glide with two feet of water along its undercut right bank. */
export const GLIDE = beat('Glide', 22, 0.001, 0.85, [
  bank('left', [
    [-1, -3.6],
    [23, -3.4],
  ]),
  bank(
    'right',
    [
      [-1, 3],
      [23, 3.2],
    ],
    { form: 'undercut', cutM: 0.5 },
  ),
  ...[3, 11, 19].map((x) =>
    section(x, -3.5, [0, 0], [0.8, 0.26], [4.6, 0.3], [5.4, 0.6], [6.4, 0.62], [6.6, 0]),
  ),
  { kind: 'bed', material: 'gravel', shape: area([-1, -6], [23, -6], [23, 6], [-1, 6]) },
]);

/**
 * Kept back until the constants were frozen: a small, steep channel with two boulders near its left
 * bank, and a log across part of it.
 */
export const GULLY = beat('Gully', 20, 0.014, 1, [
  bank('left', [
    [-1, -2.6],
    [21, -3],
  ]),
  bank('right', [
    [-1, 2.6],
    [10, 3],
    [21, 2.4],
  ]),
  section(3, -2.7, [0, 0], [0.9, 0.34], [3, 0.4], [4.6, 0.24], [5.3, 0]),
  section(10, -2.8, [0, 0], [0.9, 0.36], [3, 0.42], [4.8, 0.26], [5.8, 0]),
  section(17, -2.9, [0, 0], [0.9, 0.34], [3, 0.42], [4.6, 0.24], [5.4, 0]),
  { kind: 'bed', material: 'broken-rock', shape: area([-1, -6], [21, -6], [21, 6], [-1, 6]) },
  { kind: 'boulder', diameterM: 1.5, heightM: 0.9, shape: point(14, -0.7) },
  { kind: 'boulder', diameterM: 1.3, heightM: 0.8, shape: point(6, 0.4) },
]);
export const GULLY_BOULDER = { xM: 14, yM: -0.7, diameterM: 1.5 };

const solved = new Map<string, FlowField>();

/** The flow of a test beat at a multiple of its discharge, solved once a test file. */
export function flowOfBeat(plan: BeatPlan, times = 1, cellM = 0.25): FlowField {
  const key = `${plan.name}|${times}|${cellM}`;
  let flow = solved.get(key);
  if (!flow) {
    flow = solveFlow(plan, { dischargeM3s: times * plan.levels[0]!.dischargeM3s, cellM });
    solved.set(key, flow);
  }
  return flow;
}
