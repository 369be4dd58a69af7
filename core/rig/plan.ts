import type { Fly } from './fly';

/** What a section is made of: density kg/m3 and tensile strength GPa (common practice; fitted to spools). */
export const STUFF = {
  nylon: { kgPerM3: 1140, gpa: 0.85 },
  copolymer: { kgPerM3: 1140, gpa: 1.12 },
  fluorocarbon: { kgPerM3: 1780, gpa: 0.95 },
} as const;
export type Stuff = keyof typeof STUFF;
export const STUFFS = Object.keys(STUFF) as Stuff[];

/** Share of a line's strength that a knot keeps (common practice 80-95 %; the values are our guesses). */
export const KNOT_KEEPS = {
  nail: 0.9,
  loop: 0.88,
  surgeon: 0.88,
  blood: 0.83,
  ring: 0.85,
  clinch: 0.85,
  bend: 0.85,
  tag: 0.75,
} as const;
export type Knot = keyof typeof KNOT_KEEPS;
export const KNOTS = Object.keys(KNOT_KEEPS) as Knot[];

export interface Rod {
  lengthM: number;
  /** By the table of line weights; null: a rod that throws no line of a weight (fixed line). */
  lineWeight: number | null;
}

export interface FlyLine {
  weight: number;
  floats: boolean;
  diameterMm: number;
}

export const SECTION_USES = ['butt', 'leader', 'sighter', 'tippet'] as const;
export interface Section {
  part: 'section';
  lengthM: number;
  diameterMm: number;
  /** A taper ends so thin. */
  endDiameterMm?: number;
  stuff: Stuff;
  use: (typeof SECTION_USES)[number];
  knotAbove: Knot;
  /** What the spool says, N: wins over what is reckoned. */
  strengthN?: number;
}
export interface Ring {
  part: 'ring';
  massMg: number;
}
/** Pinched on so far above the lowest fly. */
export interface Shot {
  part: 'shot';
  massMg: number;
  aboveFlyM: number;
}
/** Slides on the leader; `hungM` of it hang from the float to the lowest fly. */
export interface Float {
  part: 'float';
  diameterMm: number;
  hungM: number;
  colour: string;
}
/** A short length of its own that stands off the line. */
export interface Tag {
  tagM: number;
  diameterMm: number;
  stuff: Stuff;
}
export interface FlyOn {
  part: 'fly';
  flyId: string;
  /** In the line, at its end, or on a tag of that length. */
  on: 'line' | 'end' | Tag;
  /** What comes after it is tied to its eye or to its bend. */
  next: 'eye' | 'bend';
}
export type Part = Section | Ring | Shot | Float | FlyOn;

export const RIG_KINDS = [
  'dry',
  'two-dries',
  'dry-dropper',
  'float',
  'tight-line',
  'streamer',
  'fixed-line',
] as const;
export type RigKind = (typeof RIG_KINDS)[number];

/** A rig: rod, line and all parts in order from the line, or from the rod tip, to the last fly. Lengths m, diameters mm. */
export interface RigPlan {
  id: string;
  name: string;
  kind: RigKind;
  rod: Rod;
  /** null: a fixed line without a reel. */
  line: FlyLine | null;
  parts: Part[];
}

/** A box of flies, by id. */
export type FlyBox = readonly Fly[];

/** Tippet by X, mm: (.011 in - X/1000) (common practice). */
export const mmOfX = (x: number): number => (0.011 - x / 1000) * 25.4;
export const xOfMm = (mm: number): number => 1000 * (0.011 - mm / 25.4);

/** Thickness at both ends of a section, mm. */
export const startMm = (s: Section): number => s.diameterMm;
export const endMm = (s: Section): number => s.endDiameterMm ?? s.diameterMm;

/** Grains in the first 30 ft of a line of weight 1 to 8 (AFFTA). */
const LINE_GRAINS = [60, 80, 100, 120, 140, 160, 185, 210] as const;
const KG_PER_GRAIN = 6.479891e-5;
const HEAD_M = 9.144;
export const LINE_WEIGHTS = LINE_GRAINS.map((_, i) => i + 1);

/** Mass per metre of a fly line, kg/m; 0 without one. Errors: RangeError for a weight that is in no table. */
export function lineKgPerM(line: FlyLine | null): number {
  if (!line) return 0;
  const grains = LINE_GRAINS[line.weight - 1];
  if (grains === undefined)
    throw new RangeError(`Line weight ${line.weight}: 1 to ${LINE_GRAINS.length} are possible.`);
  // To the tenth of a milligram that the table gives.
  return Math.round((grains * KG_PER_GRAIN * 1e7) / HEAD_M) / 1e7;
}
