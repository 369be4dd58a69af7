export const FLY_SORTS = [
  'nymph',
  'emerger',
  'parachute',
  'hackled',
  'hair-wing',
  'ant',
  'beetle',
  'hopper',
  'streamer',
] as const;
export type FlySort = (typeof FLY_SORTS)[number];

export const BEAD_METALS = ['tungsten', 'brass', 'glass'] as const;
export interface Bead {
  mm: number;
  of: (typeof BEAD_METALS)[number];
}
export const DRESSINGS = ['slim', 'ordinary', 'bushy'] as const;

/** One fly of the box. Masses mg. */
export interface Fly {
  id: string;
  name: string;
  sort: FlySort;
  hookSize: number;
  /** Weighed, with everything on it; absent: reckoned from hook and bead. */
  massMg?: number;
  bead: Bead | null;
  /** Wire wound under the dressing. */
  extraMg: number;
  dress: (typeof DRESSINGS)[number];
  /** How it shows on the water. */
  colour: 'white' | 'orange' | 'yellow' | 'tan' | 'black' | 'olive';
  /** How many are left. */
  left: number;
}

/** kg/m3 (handbook values), and the share of a sphere that a drilled bead fills (our guess). */
export const BEAD_KG_PER_M3 = { tungsten: 17500, brass: 8500, glass: 2500 } as const;
const BEAD_FILLED = 0.8;
const STEEL_KG_PER_M3 = 7850;
const LEAD_KG_PER_M3 = 11000;
/** A hook's wire is so many times as long as its shank. */
const WIRE_PER_SHANK = 2.1;
const GRAVITY = 9.81;
export const WATER_KG_PER_M3 = 999.7;
/** At 10 C, m2/s. */
export const WATER_NU = 1.3063e-6;

/** A float's own density, kg/m3 (a guess: foam and light wood are .1 to .3 of water). */
export const FLOAT_KG_PER_M3 = 250;
export const floatMassMg = (diameterMm: number): number =>
  (Math.PI / 6) * diameterMm ** 3 * FLOAT_KG_PER_M3 * 1e-3;

export const SINKING: ReadonlySet<FlySort> = new Set<FlySort>(['nymph', 'streamer']);

/** Shank by the size on the box, mm (from memory; until ten of a kind are weighed). */
export const shankMm = (hookSize: number): number => 20.5 - 0.8 * hookSize;

/** Hook alone, mg: nymph 14 28 mg, dry 14 19.7 mg. */
export function hookMassMg({ sort, hookSize }: Pick<Fly, 'sort' | 'hookSize'>): number {
  const shank = shankMm(hookSize);
  const wire = SINKING.has(sort) ? 0.25 + 0.025 * shank : 0.2 + 0.022 * shank;
  const metres = (WIRE_PER_SHANK * shank) / 1000;
  return STEEL_KG_PER_M3 * Math.PI * 0.25 * (wire / 1000) ** 2 * metres * 1e6;
}

const beadM3 = ({ mm }: Bead): number => (Math.PI / 6) * (mm / 1000) ** 3 * BEAD_FILLED;

/** Mass of the whole fly, mg; its dressing is reckoned neither heavy nor light. */
export function flyMassMg(fly: Fly): number {
  if (fly.massMg !== undefined) return fly.massMg;
  const bead = fly.bead ? BEAD_KG_PER_M3[fly.bead.of] * beadM3(fly.bead) * 1e6 : 0;
  return hookMassMg(fly) + bead + fly.extraMg;
}

/** What it weighs under water, N. */
export function weightInWaterN(fly: Fly): number {
  const bead = fly.bead ? beadM3(fly.bead) : 0;
  const hook = hookMassMg(fly) * 1e-6;
  const extra = fly.massMg === undefined ? fly.extraMg * 1e-6 : 0;
  const volume = bead + hook / STEEL_KG_PER_M3 + extra / LEAD_KG_PER_M3;
  return Math.max(0, flyMassMg(fly) * 1e-6 - WATER_KG_PER_M3 * volume) * GRAVITY;
}

/** How a fly lies to the water, as a share of broadside: what its body adds to the drag (our guesses). */
export const ATTITUDE = { sinking: 0.35, hung: 0.7, bare: 0.8, held: 0.15 } as const;
export type Attitude = keyof typeof ATTITUDE;
const DRESSED = { slim: 0.006, ordinary: 0.021, bushy: 0.07 } as const;

/** Drag coefficient of a sphere (Schiller & Naumann 1933). */
export const sphereCd = (re: number): number =>
  re < 1e-9 ? 0 : re < 1000 ? (24 / re) * (1 + 0.15 * re ** 0.687) : 0.44;

/** Drag coefficient of a cylinder across the flow (White, from memory). */
export const cylinderCd = (re: number): number => 1 + 10 * Math.max(1e-6, re) ** (-2 / 3);

/** What a fly's drag hangs on, worked out once: bead, body and dressing in metres. */
export interface FlyShape {
  beadM: number;
  bodyM: number;
  /** Length of body times its attitude, m. */
  broadM: number;
  /** Drag area of the dressing, m2. */
  dressM2: number;
  weightN: number;
}

export function flyShape(fly: Fly, attitude: Attitude): FlyShape {
  const shank = shankMm(fly.hookSize) / 1000;
  const beadM = (fly.bead?.mm ?? 0) / 1000;
  const a = fly.bead || attitude === 'held' ? ATTITUDE[attitude] : ATTITUDE.bare;
  return {
    beadM,
    bodyM: Math.max(0.5 * beadM + 4e-4, 0.1 * shank + 2e-4),
    broadM: 0.7 * shank * a,
    dressM2: 1.2 * DRESSED[fly.dress] * shank * shank,
    weightN: weightInWaterN(fly),
  };
}

/** Drag over speed of a fly, N s/m, at a slip, m/s. */
export function flyFriction(f: FlyShape, slip: number): number {
  const bead =
    f.beadM > 0 ? sphereCd((slip * f.beadM) / WATER_NU) * Math.PI * 0.25 * f.beadM * f.beadM : 0;
  const body = cylinderCd((slip * f.bodyM) / WATER_NU) * f.bodyM * f.broadM;
  return 0.5 * WATER_KG_PER_M3 * slip * (bead + body + f.dressM2);
}

/** Speed at which it falls, drawing so much line after it lengthwise, m/s; 0: it does not. */
export function fallSpeedMps(f: FlyShape, line?: { lengthM: number; diameterMm: number }): number {
  if (f.weightN <= 0) return 0;
  let [lo, hi] = [1e-5, 5];
  for (let n = 0; n < 60; n++) {
    const v = 0.5 * (lo + hi);
    const drawn = line ? alongDragPerM(line.diameterMm, v, line.lengthM) * line.lengthM * v : 0;
    if (flyFriction(f, v) * v + drawn < f.weightN) lo = v;
    else hi = v;
  }
  return 0.5 * (lo + hi);
}

/** Length over which the water along a line has been slowed, m (from memory). */
const ALONG_M = 0.6;
const LEAST_ALONG_MPS = 0.02;
/** Drag of a metre of line drawn lengthwise over its speed, N s/m2 (Glauert & Lighthill 1955, from memory). */
export function alongDragPerM(diameterMm: number, speedMps: number, alongM = ALONG_M): number {
  const a = diameterMm / 2000;
  const v = Math.max(LEAST_ALONG_MPS, speedMps);
  const mu = WATER_KG_PER_M3 * WATER_NU;
  return (4 * Math.PI * mu) / (Math.log((4 * WATER_NU * alongM) / (v * a * a)) - 0.577);
}

/** Drag of a metre of line across the flow over its speed, N s/m2. */
export function acrossDragPerM(diameterMm: number, speedMps: number): number {
  const d = diameterMm / 1000;
  return 0.5 * WATER_KG_PER_M3 * cylinderCd((speedMps * d) / WATER_NU) * d * speedMps;
}
