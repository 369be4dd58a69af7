/** The colour of the water as an angler says it, and as it is seen. */
export const QUICK_COLOURS = ['clear', 'tinged', 'stained', 'muddy'] as const;
export type QuickColour = (typeof QUICK_COLOURS)[number];

/** Clarity that each word stands for, NTU (common practice by what is seen, see `SEEN_CM`). */
export const COLOUR_NTU: Record<QuickColour, number> = {
  clear: 1,
  tinged: 8,
  stained: 25,
  muddy: 53,
};

/** From what depth on one's boots are lost sight of a word is used, cm: waist, knee, ankle, none. */
export const SEEN_CM: Record<QuickColour, number> = {
  clear: 120,
  tinged: 40,
  stained: 15,
  muddy: 0,
};

/** Beam attenuation, 1/m, as in `sight/`; a black disc is seen to 4.8 over it (Davies-Colley 1988). */
const ATTENUATION = { clear: 0.3, perNtu: 0.9 };
const BLACK_DISC = 4.8;

/** How far off a dark thing is seen in the water, m, and the clarity that a sight stands for, NTU. */
export const sightM = (ntu: number): number =>
  BLACK_DISC / (ATTENUATION.clear + ATTENUATION.perNtu * ntu);
export const ntuOfSight = (m: number): number =>
  Math.max(0, (BLACK_DISC / m - ATTENUATION.clear) / ATTENUATION.perNtu);

/** The word for a clarity. */
export const colourOf = (ntu: number): QuickColour =>
  QUICK_COLOURS.find((c) => 100 * sightM(ntu) >= SEEN_CM[c])!;
