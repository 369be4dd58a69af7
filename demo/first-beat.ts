import type { BeatPlan } from '../core/formats/index';
import { readBeat } from '../core/formats/index';

/**
 * The demo's first beat: stepped pocket water, invented from end to end. 36 m long, 7 to 10 m
 * wide, falling 1.1 %. Coordinates in the plan frame: x up-current, y toward true right.
 */
export const DEMO_STREAM = 'Thrum Water';
export const FIRST_BEAT_NAME = 'Sallow Steps';

type Coordinates = [number, number];
const point = (x: number, y: number) => ({ type: 'Point', coordinates: [x, y] });
const line = (...coordinates: Coordinates[]) => ({ type: 'LineString', coordinates });
const area = (...ring: Coordinates[]) => ({ type: 'Polygon', coordinates: [[...ring, ring[0]!]] });
const feature = (geometry: unknown, properties: Record<string, unknown>) => ({
  type: 'Feature',
  geometry,
  properties,
});

const boulder = (x: number, y: number, diameterM: number, heightM: number) =>
  feature(point(x, y), { kind: 'boulder', diameterM, heightM });
const tree = (x: number, y: number, heightM: number, crownM: number) =>
  feature(point(x, y), { kind: 'tree', heightM, crownM });

/** A taped line straight across at `x` from the left bank; pairs of offset and depth. */
const section = (x: number, leftY: number, rightY: number, depths: [number, number][]) =>
  feature(line([x, leftY], [x, rightY]), {
    kind: 'section',
    stations: depths.map(([offsetM, depthM]) => ({ offsetM, depthM })),
  });

export const FIRST_BEAT_FILE = {
  type: 'FeatureCollection',
  pebbleLane: {
    version: 1,
    frame: 'plan',
    name: FIRST_BEAT_NAME,
    lengthM: 36,
    slope: 0.0108,
    bearingDeg: 62,
    anchor: { lat: 47, lon: 9 },
    timeZone: 'Etc/GMT-2',
    altitudeM: 640,
    levels: [
      { name: 'Thin', dischargeM3s: 0.6, how: 'from the level board, measured in August' },
      { name: 'Fair', dischargeM3s: 1.6, how: 'measured by sections in June' },
      { name: 'Full', dischargeM3s: 3.2, how: 'from the level board' },
    ],
    surveyedLevel: 'Fair',
  },
  features: [
    // Banks, true left first. The undercut lies on the right from x 21 to 27.
    feature(
      line(
        [0, -4.1],
        [4, -4.4],
        [8, -4.6],
        [12, -4.3],
        [16, -3.8],
        [20, -3.6],
        [24, -4.0],
        [28, -4.5],
        [32, -4.2],
        [36, -3.9],
      ),
      { kind: 'bank', side: 'left', form: 'sloping', heightM: 0.7 },
    ),
    feature(line([0, 4.6], [4, 4.9], [8, 4.6], [12, 4.1], [16, 3.8], [20, 4.0]), {
      kind: 'bank',
      side: 'right',
      form: 'sloping',
      heightM: 0.8,
    }),
    feature(line([20, 4.0], [22, 4.3], [25, 4.5], [28, 4.3]), {
      kind: 'bank',
      side: 'right',
      form: 'undercut',
      heightM: 0.9,
      cutM: 0.5,
    }),
    feature(line([28, 4.3], [32, 3.9], [36, 3.7]), {
      kind: 'bank',
      side: 'right',
      form: 'sloping',
      heightM: 0.8,
    }),
    // Tail-out, slot, steps, head.
    section(0.5, -4.1, 4.6, [
      [0, 0],
      [1.5, 0.2],
      [3, 0.28],
      [4.5, 0.33],
      [6, 0.3],
      [7.5, 0.18],
      [8.7, 0],
    ]),
    section(4, -4.4, 4.9, [
      [0, 0],
      [1.5, 0.25],
      [3, 0.36],
      [4.6, 0.42],
      [6.2, 0.38],
      [8, 0.22],
      [9.3, 0],
    ]),
    section(8, -4.6, 4.6, [
      [0, 0],
      [1.3, 0.3],
      [2.8, 0.5],
      [4.4, 0.62],
      [6, 0.56],
      [7.6, 0.32],
      [9.2, 0],
    ]),
    section(12, -4.3, 4.1, [
      [0, 0],
      [1.2, 0.34],
      [2.6, 0.62],
      [4, 0.85],
      [5.4, 0.72],
      [7, 0.36],
      [8.4, 0],
    ]),
    section(15, -3.9, 3.85, [
      [0, 0],
      [1.1, 0.3],
      [2.4, 0.55],
      [3.8, 0.7],
      [5.2, 0.55],
      [6.6, 0.28],
      [7.75, 0],
    ]),
    section(17.5, -3.7, 3.9, [
      [0, 0],
      [1.2, 0.2],
      [2.6, 0.34],
      [3.8, 0.4],
      [5, 0.36],
      [6.4, 0.24],
      [7.6, 0],
    ]),
    section(21, -3.7, 4.15, [
      [0, 0],
      [1.4, 0.26],
      [2.9, 0.42],
      [4.4, 0.55],
      [6, 0.66],
      [7.3, 0.6],
      [7.8, 0.5],
    ]),
    section(24, -4.0, 4.43, [
      [0, 0],
      [1.5, 0.22],
      [3, 0.38],
      [4.8, 0.55],
      [6.6, 0.78],
      [7.9, 0.72],
      [8.4, 0.55],
    ]),
    section(27, -4.4, 4.37, [
      [0, 0],
      [1.5, 0.24],
      [3, 0.36],
      [4.6, 0.48],
      [6.3, 0.62],
      [7.8, 0.5],
      [8.7, 0.3],
    ]),
    section(30, -4.35, 4.1, [
      [0, 0],
      [1.4, 0.25],
      [2.8, 0.35],
      [4.2, 0.4],
      [5.7, 0.36],
      [7.2, 0.24],
      [8.45, 0],
    ]),
    section(33, -4.1, 3.85, [
      [0, 0],
      [1.4, 0.28],
      [2.8, 0.42],
      [4.1, 0.5],
      [5.4, 0.42],
      [6.8, 0.26],
      [7.95, 0],
    ]),
    section(35.5, -3.9, 3.72, [
      [0, 0],
      [1.3, 0.26],
      [2.6, 0.38],
      [3.9, 0.44],
      [5.2, 0.38],
      [6.5, 0.22],
      [7.62, 0],
    ]),
    // Three low steps.
    feature(line([7.0, -4.6], [6.4, 0], [7.2, 4.7]), { kind: 'ledge', dropM: 0.1, facing: 180 }),
    feature(line([17.8, -3.7], [18.2, 0], [17.6, 3.9]), {
      kind: 'ledge',
      dropM: 0.12,
      facing: 180,
    }),
    feature(line([29.6, -4.4], [29.2, 0], [29.8, 4.2]), { kind: 'ledge', dropM: 0.1, facing: 180 }),
    // Boulders: five large enough to solve at .2 m, four that are not.
    boulder(10.2, 0.4, 1.5, 0.95),
    boulder(20.6, -0.9, 1.4, 0.85),
    boulder(26.2, -1.4, 1.6, 0.8),
    boulder(31.6, 0.9, 1.2, 0.75),
    boulder(6.2, -2.0, 1.1, 0.6),
    boulder(14.0, -2.3, 0.8, 0.6),
    boulder(22.8, 1.6, 0.7, 0.75),
    boulder(33.8, -1.6, 0.8, 0.65),
    boulder(17.0, 2.4, 0.6, 0.4),
    // A log jutting from the true left bank with an eddy below it.
    feature(line([13.6, -5.2], [12.4, -1.9]), { kind: 'log', diameterM: 0.4, clearanceM: 0 }),
    feature(area([21.5, 3.2], [26.5, 3.4], [26.5, 5.4], [21.5, 5.2]), {
      kind: 'overhang',
      clearanceM: 0.7,
    }),
    feature(area([0, -4.5], [6, -4.5], [6, 5], [0, 5]), { kind: 'bed', material: 'gravel' }),
    feature(area([10.5, -2.2], [14.5, -2.2], [14.5, 2], [10.5, 2]), {
      kind: 'bed',
      material: 'gravel',
    }),
    feature(area([28, -4.6], [36, -4.6], [36, 4.4], [28, 4.4]), {
      kind: 'bed',
      material: 'broken-rock',
    }),
    tree(3, 8.2, 9, 4.2),
    tree(8.5, 7.6, 11, 4.6),
    tree(13.4, 7.2, 8, 3.8),
    tree(18.2, 7.6, 12, 5),
    tree(24.4, 8.0, 10, 4.6),
    tree(29.6, 7.4, 9, 4.2),
    tree(34.2, 7.8, 11, 4.8),
    tree(30.6, -8.2, 8, 3.6),
    tree(35, -7.6, 9, 4),
    feature(area([14.6, -7.2], [18.4, -6.8], [18.6, -5.2], [15.2, -5.0]), {
      kind: 'bush',
      heightM: 1.4,
    }),
    feature(point(22.4, -6.2), { kind: 'bush', heightM: 1.2, crownM: 1.8 }),
    feature(point(5.2, 6.4), { kind: 'bush', heightM: 1.5, crownM: 2 }),
    feature(point(2.5, -8.4), { kind: 'entry', note: 'Stile by the lower gate' }),
    feature(point(12.3, -1.7), { kind: 'snag', note: 'Broken branch ends of the log' }),
    feature(point(35.2, -5.4), { kind: 'hazard', note: 'Undermined bank, keep off the edge' }),
  ],
};

/** The demo beat, read through the same door as any file. */
export function firstBeat(): BeatPlan {
  const read = readBeat(FIRST_BEAT_FILE);
  if (!read.ok)
    throw new Error(
      `the demo beat does not read: ${read.problems.map((p) => p.message).join(' ')}`,
    );
  return read.plan;
}
