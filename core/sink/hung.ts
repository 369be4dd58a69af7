import {
  endMm,
  flyShape,
  measureRig,
  shankMm,
  startMm,
  STUFF,
  WATER_KG_PER_M3,
  type Attitude,
  type FlyBox,
  type FlyShape,
  type RigPlan,
} from '../rig/index';

/** What holds the upper end of what sinks. */
export type Top = 'leader' | 'float' | 'dry' | 'tip';

/** Something on the line, so far above the lowest fly. */
export interface Load {
  atM: number;
  weightN: number;
  /** Its drag as a fly's; null: a sphere of lead. */
  shape: FlyShape;
  /** Which fly it is, by its place in the list of parts; null: shot or ring. */
  fly: number | null;
}

/** What sinks: line from the lowest fly up, with what is on it. Lengths m, diameters mm. */
export interface HungRig {
  lengthM: number;
  /** From the lowest fly up. */
  pieces: { fromM: number; toM: number; fromMm: number; toMm: number; kgPerM3: number }[];
  /** From the lowest fly up; the first is the lowest. */
  loads: Load[];
  top: Top;
  /** Radius of what floats, m, and its linear drag, N s/m. */
  topM: number;
  topDragNsPerM: number;
}

const GRAVITY = 9.81;
const LEAD = 11000;
/** Linear drag of what floats, as in the drift, N s/m. */
const FLOAT_LIN = 0.005;
const DRY_LIN = 0.0035;

const shotShape = (massMg: number): FlyShape => {
  const volume = (massMg * 1e-6) / LEAD;
  const d = Math.cbrt((6 * volume) / Math.PI);
  return {
    beadM: d,
    bodyM: 1e-6,
    broadM: 0,
    dressM2: 0,
    weightN: (massMg * 1e-6 - WATER_KG_PER_M3 * volume) * GRAVITY,
  };
};

/**
 * What hangs on a rig, or null when nothing sinks. `multiplier`: the angler's own sink multiplier m;
 * weights go as its square, so that speeds go as m.
 */
export function hungRig(plan: RigPlan, box: FlyBox, multiplier = 1): HungRig | null {
  const m = measureRig(plan, box);
  const dry = plan.kind === 'dry-dropper' ? m.flies[0] : undefined;
  const isDry = plan.kind === 'dry' || plan.kind === 'two-dries';
  if (isDry || m.flies.length === 0) return null;
  const top: Top =
    m.floatAtM !== null
      ? 'float'
      : dry
        ? 'dry'
        : plan.kind === 'tight-line' || plan.kind === 'fixed-line'
          ? 'tip'
          : 'leader';
  const lengthM = m.floatAtM !== null || dry ? m.hungM : m.totalM;
  const attitude: Attitude = top === 'float' || top === 'dry' ? 'hung' : 'sinking';
  const m2 = multiplier * multiplier;
  const loads: Load[] = [];
  for (const f of m.flies) {
    if (!f.fly || f === dry) continue;
    const shape = flyShape(f.fly, attitude);
    loads.push({ atM: m.totalM - f.atM, weightN: shape.weightN * m2, shape, fly: f.index });
  }
  for (const { part, atM } of m.placed) {
    if (part.part !== 'shot' && part.part !== 'ring') continue;
    if (m.totalM - atM >= lengthM) continue;
    const shape = shotShape(part.massMg);
    loads.push({ atM: m.totalM - atM, weightN: shape.weightN * m2, shape, fly: null });
  }
  if (loads.length === 0) return null;
  loads.sort((a, b) => a.atM - b.atM);
  const pieces = [...m.sections].reverse().map(({ part, atM }) => ({
    fromM: m.totalM - atM - part.lengthM,
    toM: m.totalM - atM,
    fromMm: endMm(part),
    toMm: startMm(part),
    kgPerM3: STUFF[part.stuff].kgPerM3,
  }));
  const float = plan.parts.find((p) => p.part === 'float');
  return {
    lengthM,
    pieces,
    loads,
    top,
    topM: float
      ? float.diameterMm / 2000
      : dry?.fly
        ? (0.25 * shankMm(dry.fly.hookSize)) / 1000
        : 0,
    topDragNsPerM: top === 'float' ? FLOAT_LIN : top === 'dry' ? DRY_LIN : 0,
  };
}

/** Thickness, mm, and density at a distance above the lowest fly. */
export function lineAt(rig: HungRig, fromFlyM: number): { mm: number; kgPerM3: number } {
  const piece = rig.pieces.find((p) => fromFlyM <= p.toM) ?? rig.pieces[rig.pieces.length - 1]!;
  const t = Math.min(1, Math.max(0, (fromFlyM - piece.fromM) / (piece.toM - piece.fromM || 1)));
  return { mm: piece.fromMm + t * (piece.toMm - piece.fromMm), kgPerM3: piece.kgPerM3 };
}
