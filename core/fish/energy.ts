import { lerp } from '../grid/index';
import { standardWeightG, TOTAL_PER_FORK, type Species } from './standard-weight';

/** Energy per gram of oxygen, J/g. */
const J_PER_G_O2 = 13560;
const J_PER_CAL = 4.184;

/**
 * Respiration R = RA W^RB e^(RQ T) e^(RTO V), gO2/g/d, W in g, T in C, V in cm/s
 * (Wisconsin form; brown trout after Dieterman et al. 2004).
 */
const RESPIRATION = { ra: 0.0013, rb: -0.269, rq: 0.0938, rto: 0.0234 };

/** Whose relations of respiration and intake are borrowed from brown trout. */
export const borrowsFromBrown = (species: Species) => species !== 'brown';

/** Temperature of best growth, C. Rainbow, brook and cutthroat borrow brown's relations shifted by the difference. */
const GROWTH_OPTIMUM_C: Record<Species, number> = {
  brown: 13.1,
  rainbow: 13.1,
  brook: 13.8,
  cutthroat: 13.6,
};
export const LETHAL_C: Record<Species, number> = {
  brown: 24.7,
  rainbow: 24.3,
  brook: 24.9,
  cutthroat: 24.3,
};

/** Temperature at which brown trout's relations are read for a species. */
export const brownEquivalentC = (species: Species, tempC: number) =>
  tempC - (GROWTH_OPTIMUM_C[species] - GROWTH_OPTIMUM_C.brown);

/** gO2/g/d. */
export function respirationGO2(weightG: number, tempC: number, speedMps: number): number {
  const { ra, rb, rq, rto } = RESPIRATION;
  return ra * weightG ** rb * Math.exp(rq * tempC) * Math.exp(rto * 100 * speedMps);
}

/** Cost at a pace over the cost at rest: e^(RTO V), V in cm/s. */
export const swimmingCost = (speedMps: number) => Math.exp(100 * RESPIRATION.rto * speedMps);

/** Cost of holding at a nose speed, J/h for the whole fish. */
export function holdingCost(
  species: Species,
  weightG: number,
  tempC: number,
  noseMps: number,
): number {
  const t = brownEquivalentC(species, tempC);
  return (respirationGO2(weightG, t, noseMps) * weightG * J_PER_G_O2) / 24;
}

/**
 * Elliott's greatest daily intake, cal/d = A W^b1 e^(b2 T), in bands of temperature (from memory).
 */
const ELLIOTT: readonly { from: number; to: number; a: number; b1: number; b2: number }[] = [
  { from: 3.8, to: 6.6, a: 2.902, b1: 0.762, b2: 0.418 },
  { from: 6.6, to: 13.3, a: 15.018, b1: 0.759, b2: 0.171 },
  { from: 13.3, to: 17.8, a: 26.433, b1: 0.767, b2: 0.126 },
];

/** Greatest intake, cal/d, at brown trout's temperature. Above 17.8 C falls evenly to 0 at the lethal one. */
export function greatestIntakeCalPerDay(weightG: number, tempC: number, lethalC: number): number {
  const band = (t: number) => {
    const b = ELLIOTT.find((e) => t <= e.to) ?? ELLIOTT[2]!;
    return b.a * weightG ** b.b1 * Math.exp(b.b2 * t);
  };
  if (tempC >= lethalC) return 0;
  if (tempC < 3.8) return (band(3.8) * Math.max(0, tempC)) / 3.8;
  if (tempC <= 17.8) return band(tempC);
  return band(17.8) * (1 - (tempC - 17.8) / (lethalC - 17.8));
}

/** Share of what is eaten that feeds the fish. */
export const ASSIMILATED = 0.65;
/** A fish needs no more than this many times its cost at rest (keeps summer fish from looking starved). */
const APPETITE_PER_REST = 3;

/** What it would eat in an hour if food were no limit, J/h. */
export function appetiteJph(species: Species, weightG: number, tempC: number): number {
  const lethal = LETHAL_C[species] - (GROWTH_OPTIMUM_C[species] - GROWTH_OPTIMUM_C.brown);
  const most =
    (greatestIntakeCalPerDay(weightG, brownEquivalentC(species, tempC), lethal) * J_PER_CAL) / 24;
  const rest = holdingCost(species, weightG, tempC, 0);
  return Math.min(most, (APPETITE_PER_REST * rest) / ASSIMILATED);
}

/** Reaction distance, cm = 12 PL (1 - e^(-.2 FL)), prey mm, fork length cm (Hughes & Dill 1990). */
export const reactionDistanceCm = (preyMm: number, forkLengthCm: number) =>
  12 * preyMm * (1 - Math.exp(-0.2 * forkLengthCm));

/** Reaction distance in stained water over that in clear: .8 at 15 NTU, .45 at 30 (Barrett et al. 1992). */
const TURBIDITY: readonly [ntu: number, share: number][] = [
  [0, 1],
  [15, 0.8],
  [30, 0.45],
];

export function turbidityFactor(ntu: number): number {
  const [last, least] = TURBIDITY[TURBIDITY.length - 1]!;
  // Beyond what was measured sight goes with the clarity itself (our guess).
  if (ntu >= last) return (least * last) / ntu;
  const i = TURBIDITY.findIndex(([n]) => n > ntu);
  const [n0, s0] = TURBIDITY[i - 1]!;
  const [n1, s1] = TURBIDITY[i]!;
  return lerp(s0, s1, (ntu - n0) / (n1 - n0));
}

/** Territory, m2: log10 = 2.61 log10 FL - 2.83 (Grant & Kramer 1990). */
export const territoryM2 = (forkLengthCm: number) => 10 ** (2.61 * Math.log10(forkLengthCm) - 2.83);

/**
 * Vmax = a FL^.19 cm/s (Hughes & Dill 1990; a from memory, for grayling). The rating takes a quicker
 * fish, `VMAX_TROUT`: with 36.23 covered quick edges and every fish over 36 cm starve on solved water.
 */
export const VMAX_HUGHES_DILL = 36.23;
const VMAX_TROUT = 45;
/** Swimming power by temperature, 1 at 11 C (our guess). */
export const swimmingPower = (tempC: number) =>
  Math.min(1.2, Math.max(0.5, lerp(0.5, 1, tempC / 11)));

/** Pace at which it can no longer intercept drift, m/s. */
export const fastestFeedingMps = (forkLengthCm: number, tempC: number, constant = VMAX_TROUT) =>
  (constant * forkLengthCm ** 0.19 * swimmingPower(tempC)) / 100;

export interface FishBody {
  species: Species;
  forkLengthCm: number;
  totalLengthCm: number;
  lengthM: number;
  weightG: number;
}

/** A fish of standard weight. */
export function fishBody(species: Species, forkLengthCm: number): FishBody {
  const totalLengthCm = forkLengthCm * TOTAL_PER_FORK;
  return {
    species,
    forkLengthCm,
    totalLengthCm,
    lengthM: totalLengthCm / 100,
    weightG: standardWeightG(species, totalLengthCm * 10),
  };
}
