import type { Species } from '../fish/index';

/** Schools of when warm water ends the fishing. Local closures decide in any case. */
export const HEAT_SCHOOLS = ['kinder', 'species', 'legal'] as const;
export type HeatSchool = (typeof HEAT_SCHOOLS)[number];

const fromF = (f: number) => ((f - 32) * 5) / 9;
/** The kinder limit for every trout, 65 °F (common practice); from 68 °F no advice is given at all. */
export const KINDER_LIMIT_C = fromF(65);
export const NO_FISHING_FROM_C = fromF(68);
/** Within two degrees Fahrenheit of the limit it is said to be near. */
export const NEAR_C = fromF(34);
/** A reading is good to this, C: 65 °F typed is 65 °F. */
export const READ_TO_C = 0.006;

/** Up to where each trout is fished on with care, C (from memory; common practice of closures). */
const SPECIES_LIMIT_C: Record<Species, number> = {
  brown: fromF(67),
  rainbow: fromF(67),
  brook: fromF(65),
  cutthroat: fromF(65),
};

export interface HeatRule {
  school: HeatSchool;
  species: Species;
  /** The limit of the angler's own water, C; null: none was entered, the kinder one holds. */
  legalC: number | null;
}

export interface Heat {
  /** Nothing to say, near the limit, at it, or too warm for any advice. */
  kind: 'fine' | 'near' | 'stop' | 'none';
  limitC: number;
  /** What going on beyond the kinder limit costs, where the school goes on. */
  beyondKinder: boolean;
}

/** Never above what no advice is given from, nor above what the angler's own water has as its limit. */
export function heatLimitC({ school, species, legalC }: HeatRule): number {
  const asked =
    school === 'legal'
      ? (legalC ?? KINDER_LIMIT_C)
      : school === 'species'
        ? SPECIES_LIMIT_C[species]
        : KINDER_LIMIT_C;
  return Math.min(asked, legalC ?? Infinity, NO_FISHING_FROM_C);
}

/** What the water's temperature means for fishing: one answer for every step. */
export function heatAt(tempC: number | null, rule: HeatRule): Heat {
  const limitC = heatLimitC(rule);
  const t = (tempC ?? -Infinity) + READ_TO_C;
  const kind =
    t >= NO_FISHING_FROM_C ? 'none' : t >= limitC ? 'stop' : t >= limitC - NEAR_C ? 'near' : 'fine';
  return { kind, limitC, beyondKinder: kind !== 'none' && t >= KINDER_LIMIT_C && t < limitC };
}
