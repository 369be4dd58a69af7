export const SPECIES = ['brown', 'rainbow', 'brook', 'cutthroat'] as const;
export type Species = (typeof SPECIES)[number];

/** Total over fork length (from memory; one constant for the four trouts). */
export const TOTAL_PER_FORK = 1.04;

/**
 * Standard weight: log10 Ws = a + b log10 TL (g, mm total length), stream forms.
 * Brown: Milewski & Brown (1994); rainbow: Simpkins & Hubert (1996); brook: Hyatt & Hubert
 * (2001); cutthroat: Kruse & Hubert (1997).
 */
const STANDARD_WEIGHT: Record<Species, readonly [a: number, b: number]> = {
  brown: [-4.867, 2.96],
  rainbow: [-5.023, 3.024],
  brook: [-5.186, 3.103],
  cutthroat: [-5.189, 3.099],
};

/** g, from total length in mm. */
export function standardWeightG(species: Species, totalLengthMm: number): number {
  const [a, b] = STANDARD_WEIGHT[species];
  return 10 ** (a + b * Math.log10(totalLengthMm));
}

/** Relative weight, 100 for a fish of standard weight; 95-105 is good (common practice). */
export const relativeWeight = (species: Species, totalLengthMm: number, weightG: number) =>
  (100 * weightG) / standardWeightG(species, totalLengthMm);

/**
 * Weight of a trout from its length and its girth behind the pectoral fins, g: pounds = L G²/800 in
 * inches (common practice).
 */
export const weightFromGirthG = (totalLengthCm: number, girthCm: number) =>
  (((totalLengthCm / CM_PER_IN) * (girthCm / CM_PER_IN) ** 2) / 800) * G_PER_LB;
const CM_PER_IN = 2.54;
const G_PER_LB = 453.59237;
