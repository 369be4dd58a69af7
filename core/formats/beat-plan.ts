import { distanceToPolyline, pointInPolygon, fnv1a64, type Place } from '../grid/index';

/** A geometry in the plan frame, metres. Rings do not repeat their first point. */
export type Shape =
  | { type: 'Point'; place: Place }
  | { type: 'LineString'; line: Place[] }
  | { type: 'Polygon'; ring: Place[] };

export const LEVEL_NAMES = ['Thin', 'Fair', 'Full', 'Spate'] as const;
export type LevelName = (typeof LEVEL_NAMES)[number];

export interface Level {
  name: LevelName;
  dischargeM3s: number;
  /** How the discharge is known, in words: "measured", "float", "guessed". */
  how: string;
}

export const BED_MATERIALS = [
  'silt',
  'sand',
  'gravel',
  'cobble',
  'broken-rock',
  'boulders',
  'slab',
  'clay',
] as const;
export type BedMaterial = (typeof BED_MATERIALS)[number];

/** One place on a taped line; `offsetM` from the line's first point. */
export interface Station {
  offsetM: number;
  depthM: number;
  speedMps?: number;
}

interface Kinds {
  /** Waterline at the surveyed level. `side` looking down-current. */
  bank: {
    side: 'left' | 'right';
    form: 'sloping' | 'cut' | 'undercut';
    heightM?: number;
    cutM?: number;
  };
  /** `by`: felt by a fly that ticked the bed, not by a rod or a staff. */
  sounding: {
    depthM: number;
    speedMps?: number;
    at?: 'surface' | 'six-tenths';
    by?: 'fly';
  };
  section: { stations: Station[]; at?: 'surface' | 'six-tenths' };
  /** Height above the bed. */
  boulder: { diameterM: number; heightM: number };
  log: { diameterM: number; clearanceM?: number };
  rootwad: { diameterM: number; clearanceM?: number };
  /** `facing`: plan angle in degrees of the down side. */
  ledge: { dropM: number; facing: number };
  overhang: { clearanceM: number };
  weed: { density: 'sparse' | 'thick' };
  bed: { material: BedMaterial };
  tree: { heightM: number; crownM?: number };
  bush: { heightM: number; crownM?: number };
  entry: { note: string };
  hazard: { note: string };
  snag: { note: string };
  spring: { note: string; tempC?: number };
}

export type FeatureKind = keyof Kinds;
export type FeatureOf<K extends FeatureKind> = { kind: K; shape: Shape } & Kinds[K];
export type BeatFeature = { [K in FeatureKind]: FeatureOf<K> }[FeatureKind];
export type BankFeature = FeatureOf<'bank'>;

export interface GeographicAnchor {
  lat: number;
  lon: number;
}

/**
 * How the fall that ledges leave is spread: `share` of it reached at `xM`, from 0 at 0 to 1 at the
 * beat's length. Absent: evenly.
 */
export interface FallPlace {
  xM: number;
  share: number;
}

/** Roughness and discharge fitted to what was measured; all of the bed's friction is multiplied. */
export interface Calibration {
  /** Factor on n; the variable-power law's cf takes its square. */
  roughness: number;
  points: number;
  /** Root mean squares of what is left: solved minus measured. */
  depthRmsM: number;
  speedRmsMps: number;
}

/**
 * A beat in the plan frame: metres, right-handed, x up-current along the chord, y toward true
 * right. `bearingDeg`: true bearing of +x, clockwise from north. `slope`: fall of the surface per
 * metre along x at the surveyed level.
 */
export interface BeatPlan {
  version: 1;
  name: string;
  lengthM: number;
  slope: number;
  /** Absent or true: told by eye. `levelled`: taken with a level. false: not told, `slope` is ours. */
  fallTold?: boolean | 'levelled';
  bearingDeg: number;
  anchor?: GeographicAnchor;
  timeZone?: string;
  altitudeM?: number;
  fallProfile?: FallPlace[];
  calibration?: Calibration;
  levels: Level[];
  surveyedLevel: LevelName;
  features: BeatFeature[];
}

export function featuresOf<K extends FeatureKind>(plan: BeatPlan, kind: K): FeatureOf<K>[] {
  return plan.features.filter((f) => f.kind === kind) as unknown as FeatureOf<K>[];
}

export function shapePlaces(shape: Shape): Place[] {
  if (shape.type === 'Point') return [shape.place];
  return shape.type === 'LineString' ? shape.line : shape.ring;
}

/** How far a place is from a shape, m: to its point, its line, or its edge; 0 inside a polygon. */
export function distanceToShape(place: Place, shape: Shape): number {
  if (shape.type === 'Point')
    return Math.hypot(shape.place.xM - place.xM, shape.place.yM - place.yM);
  if (shape.type === 'LineString') return distanceToPolyline(place, shape.line);
  if (pointInPolygon(place, shape.ring)) return 0;
  return distanceToPolyline(place, [...shape.ring, shape.ring[0]!]);
}

/** 16 hex digits over everything that can change an answer computed from the plan. */
export function planHash(plan: BeatPlan): string {
  return fnv1a64(JSON.stringify(sortKeys(plan)));
}

function sortKeys(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sortKeys);
  if (value === null || typeof value !== 'object') return value;
  const entries = Object.entries(value as Record<string, unknown>).filter(
    ([, v]) => v !== undefined,
  );
  entries.sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([k, v]) => [k, sortKeys(v)]));
}
