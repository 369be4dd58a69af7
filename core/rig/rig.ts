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

/** Diameter at a distance from the fly: tippet, a taper to the butt, then line, mm. */
export function diameterMm(rig: Rig, fromFlyM: number): number {
  if (fromFlyM <= rig.tippetM) return rig.tippetMm;
  if (fromFlyM >= rig.leaderM) return rig.lineMm;
  const t = (fromFlyM - rig.tippetM) / (rig.leaderM - rig.tippetM);
  return rig.tippetMm + t * (rig.buttMm - rig.tippetMm);
}
