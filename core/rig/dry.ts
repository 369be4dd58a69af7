import {
  FLOAT_KG_PER_M3,
  hookMassMg,
  SINKING,
  shankMm,
  WATER_KG_PER_M3,
  type Fly,
  type FlySort,
} from './fly';
import type { RigPlan } from './plan';
import type { Tackle } from './tackle';

/** Surface tension at 10 C, N/m. */
const SIGMA = 0.0742;
const GRAVITY = 9.81;
const STEEL = 7850;
const FOAM_KG_PER_M3 = 200;

/** How much foam or hair a sort carries over its shank cubed, and how much film it holds over its shank (our guesses). */
const FLOATS: Partial<Record<FlySort, { foam: number; film: number }>> = {
  emerger: { foam: 0.008, film: 0.7 },
  parachute: { foam: 0.004, film: 1.4 },
  hackled: { foam: 0.004, film: 1.7 },
  'hair-wing': { foam: 0.035, film: 1.3 },
  ant: { foam: 0.06, film: 0.6 },
  beetle: { foam: 0.11, film: 0.6 },
  hopper: { foam: 0.15, film: 0.8 },
};

/** A film wears off over so many covers, and so much of it with each fish; foam a little. */
const WEAR = { covers: 35, fish: 0.4, foamPerFish: 0.05 } as const;
/** It is to hold up so much more than what pulls at it, and never less than this, N (our guesses). */
const SPARE = 1.3;
const LEAST_LIFT_N = 2.5e-5;
const MOST_COVERS = 400;
export const DRESSED = 0.95;

export interface Worn {
  /** Covers and fish since it was dressed or dried. */
  covers: number;
  fish: number;
}

/** What holds a dry up beyond its own hook, N; negative: it goes under by itself. */
export function liftN(fly: Fly, { covers, fish }: Worn): number {
  const how = FLOATS[fly.sort];
  if (!how) return 0;
  const shank = shankMm(fly.hookSize) / 1000;
  const film = how.film * SIGMA * shank * Math.exp(-covers / WEAR.covers) * WEAR.fish ** fish;
  const foam =
    (WATER_KG_PER_M3 - FOAM_KG_PER_M3) *
    how.foam *
    shank ** 3 *
    GRAVITY *
    Math.max(0, 1 - WEAR.foamPerFish * fish);
  const hook = hookMassMg(fly) * 1e-6 * (1 - WATER_KG_PER_M3 / STEEL) * GRAVITY;
  return film + foam - hook;
}

/** Lift of a round float, N. */
export const floatLiftN = (diameterMm: number): number =>
  (Math.PI / 6) * (diameterMm / 1000) ** 3 * (WATER_KG_PER_M3 - FLOAT_KG_PER_M3) * GRAVITY;

/** What a colour sends back of the light, and how much of a sort is seen over its shank squared (our guesses). */
const ALBEDO: Record<Fly['colour'], number> = {
  white: 0.7,
  yellow: 0.55,
  orange: 0.35,
  tan: 0.3,
  olive: 0.15,
  black: 0.04,
};
const SHOWN: Partial<Record<FlySort, number>> = {
  emerger: 0.1,
  parachute: 0.162,
  hackled: 0.2,
  'hair-wing': 0.25,
  ant: 0.2,
  beetle: 0.337,
  hopper: 0.7,
};

/** How a dry shows to its angler: share of light that it sends back, and what is seen of it, mm2. */
export const showsOf = (fly: Fly): { albedo: number; mm2: number } => ({
  albedo: ALBEDO[fly.colour],
  mm2: (SHOWN[fly.sort] ?? 0.1) * shankMm(fly.hookSize) ** 2,
});
export const floatShows = (diameterMm: number): { albedo: number; mm2: number } => ({
  albedo: ALBEDO.orange,
  mm2: 0.5 * Math.PI * 0.25 * diameterMm * diameterMm,
});

/** What floats on a rig and is looked for, as it shows; null: nothing does. */
export function showsOn(plan: RigPlan, tackle: Pick<Tackle, 'box'>) {
  const float = plan.parts.find((p) => p.part === 'float');
  if (float) return floatShows(float.diameterMm);
  const first = plan.parts.find((p) => p.part === 'fly');
  const fly = first && tackle.box.find((f) => f.id === first.flyId);
  return fly && isDry(fly) ? showsOf(fly) : null;
}

export const isDry = (fly: Fly): boolean => !SINKING.has(fly.sort);

/** What a dry must hold up for so much hung below it, N. */
const neededN = (hungN: number) => Math.max(LEAST_LIFT_N, SPARE * hungN);

export interface Afloat {
  liftN: number;
  neededN: number;
  /** Covers until it is to be dried; 0: now; null: it never holds that up; Infinity: all day. */
  dryInCovers: number | null;
}

/** Whether a dry still holds up what hangs below it, and how much longer. */
export function afloat(fly: Fly, hungN: number, worn: Worn): Afloat {
  const needed = neededN(hungN);
  const lift = liftN(fly, worn);
  const about = { liftN: lift, neededN: needed };
  if (liftN(fly, { covers: 0, fish: 0 }) < needed) return { ...about, dryInCovers: null };
  if (lift < needed) return { ...about, dryInCovers: 0 };
  let covers = worn.covers;
  while (covers < MOST_COVERS && liftN(fly, { covers: covers + 1, fish: worn.fish }) >= needed)
    covers++;
  return { ...about, dryInCovers: covers >= MOST_COVERS ? Infinity : covers - worn.covers };
}
