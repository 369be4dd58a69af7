/**
 * Line, leader and fly as the drift needs them. Diameters mm, lengths m. Defaults: a 3-weight
 * floating line (AFFTA .7086 g/m in the first 30 ft), a 2.7 m leader with 1.2 m of tippet.
 */
export interface Rig {
  lineMm: number;
  /** Leader with its tippet. */
  leaderM: number;
  tippetM: number;
  tippetMm: number;
  /** Butt end of the leader. */
  buttMm: number;
  /** Linear drag of the floating fly, N s/m. */
  flyDragNsPerM: number;
  lineKgPerM: number;
}

export const DEFAULT_RIG: Rig = {
  lineMm: 1.1,
  leaderM: 2.7,
  tippetM: 1.2,
  tippetMm: 0.15,
  buttMm: 0.5,
  flyDragNsPerM: 0.002,
  lineKgPerM: 7.086e-4,
};

/** What floats at the end, and what hangs below it. */
export const FLY_KINDS = ['dry', 'dry-dropper', 'indicator', 'sunk'] as const;
export type FlyKind = (typeof FLY_KINDS)[number];

/** Drag of what floats, N s/m (our guesses; the sunk part is not simulated yet: its drift is the surface fly's). */
const FLOATING_DRAG: Record<FlyKind, number> = {
  dry: 0.002,
  'dry-dropper': 0.0035,
  indicator: 0.005,
  sunk: 0.002,
};

export const rigFor = (fly: FlyKind, rig: Rig = DEFAULT_RIG): Rig => ({
  ...rig,
  flyDragNsPerM: FLOATING_DRAG[fly],
});

/** Diameter at a distance from the fly: tippet, a taper to the butt, then line, mm. */
export function diameterMm(rig: Rig, fromFlyM: number): number {
  if (fromFlyM <= rig.tippetM) return rig.tippetMm;
  if (fromFlyM >= rig.leaderM) return rig.lineMm;
  const t = (fromFlyM - rig.tippetM) / (rig.leaderM - rig.tippetM);
  return rig.tippetMm + t * (rig.buttMm - rig.tippetMm);
}

/** Density of nylon, kg/m3 (handbook value, from memory). */
const NYLON = 1140;

/** Mass per metre of a stretch that begins `fromFlyM` from the fly, kg/m: leader there, line beyond it. */
export function stretchKgPerM(rig: Rig, fromFlyM: number, lengthM: number): number {
  const leaderM = Math.min(lengthM, Math.max(0, rig.leaderM - fromFlyM));
  if (leaderM <= 0 || lengthM <= 0) return rig.lineKgPerM;
  const dM = diameterMm(rig, Math.min(fromFlyM + leaderM / 2, rig.leaderM - 1e-9)) / 1000;
  const leader = NYLON * Math.PI * 0.25 * dM * dM;
  return (leader * leaderM + rig.lineKgPerM * (lengthM - leaderM)) / lengthM;
}
