import { standardWeightG, type Species } from '../fish/index';
import { WATER_KG_PER_M3 } from './fly';
import type { Joint } from './joints';
import type { Rod } from './plan';

const GRAVITY = 9.81;
/** Pull that bends the tip by a third of the rod, by line weight, N (from memory; our guess). */
const thirdN = (weight: number) => 0.3 + 0.12 * weight;
const WORKING = 2.5;
const DEEP = 6;
/** A rod without a line weight pulls like a light one. */
const FIXED_WEIGHT = 3;
/** A fish turned at the end of its run moves so fast, m/s. */
const JERK_MPS = 4;
const SPARE = 1.5;
/** Stretch of nylon, Pa (from memory). */
const STRETCH_PA = 2e9;

/** What a rod pulls: as it is fished, and held right back, N; and its spring, N/m. */
export function rodPull({ lengthM, lineWeight }: Rod): {
  workingN: number;
  deepN: number;
  springNPerM: number;
} {
  const third = thirdN(lineWeight ?? FIXED_WEIGHT);
  return { workingN: WORKING * third, deepN: DEEP * third, springNPerM: third / (lengthM / 3) };
}

export interface FightFish {
  species: Species;
  totalLengthCm: number;
  waterTempC: number;
}

const massKg = ({ species, totalLengthCm }: FightFish) =>
  standardWeightG(species, totalLengthCm * 10) / 1000;

/** Burst over weight, and how it falls in the cold (from ten lengths a second, about; our guess). */
const THRUST = 0.6;
const warmth = (tempC: number) => Math.min(1.1, 0.5 + (0.5 * tempC) / 11);
export const thrustN = (fish: FightFish): number =>
  THRUST * massKg(fish) * GRAVITY * warmth(fish.waterTempC);

/** A fish on a line lies so far off the current (our guess). */
const YAW_RAD = (20 * Math.PI) / 180;
/** Drag of a fish held in a current, N. */
export function fishDragN(totalLengthCm: number, speedMps: number, yawRad = YAW_RAD): number {
  const l2 = (totalLengthCm / 100) ** 2;
  const along = 0.02 * 0.4 * l2 * Math.cos(yawRad) ** 2;
  const across = 1.1 * 0.2 * l2 * Math.sin(yawRad) ** 2;
  return 0.5 * WATER_KG_PER_M3 * speedMps * speedMps * (along + across);
}

/** How fast a fish tires, s: best, and eight in ten (our guess until the log says). */
export const TIRES_S = { best: 25, low: 12, high: 45 } as const;
const BEGIN_S = 5;
const BROUGHT_MPS = 0.5;

export interface FightAsked {
  fish: FightFish;
  rod: Rod;
  /** The current where it is fought, m/s, and the way it is brought, m. */
  speedMps: number;
  wayM: number;
  /** Side pressure off up-current, radians: 0 straight up against it. */
  sideRad?: number;
  tiresS?: { best: number; low: number; high: number };
}

export interface Fight {
  thrustN: number;
  dragN: number;
  pullN: number;
  /** null: it cannot be brought up here: lead it across, or follow it down. */
  seconds: { best: number; low: number; high: number } | null;
}

/** Seconds to land a fish against a current, as a band. */
export function fight({
  fish,
  rod,
  speedMps,
  wayM,
  sideRad = 0,
  tiresS = TIRES_S,
}: FightAsked): Fight {
  const thrust = thrustN(fish);
  const dragN = fishDragN(fish.totalLengthCm, speedMps);
  const { workingN } = rodPull(rod);
  // From the side the current is not fought: the fish swings in on the line.
  const against = dragN * Math.cos(sideRad);
  const left = workingN - against;
  const about = { thrustN: thrust, dragN, pullN: workingN };
  if (left <= 0) return { ...about, seconds: null };
  const at = (tires: number) =>
    BEGIN_S + wayM / BROUGHT_MPS + tires * Math.max(0, Math.log(thrust / left));
  return {
    ...about,
    seconds: { best: at(tiresS.best), low: at(tiresS.low), high: at(tiresS.high) },
  };
}

/** Longest that a fish is kept on, s: 60 to 15 C, falling evenly to 20 at the stop temperature (our guess). */
export function kindSeconds(waterTempC: number, stopC: number): number {
  if (waterTempC <= KIND.coolC) return KIND.coolS;
  const share = Math.min(1, (waterTempC - KIND.coolC) / Math.max(0.1, stopC - KIND.coolC));
  return KIND.coolS + share * (KIND.warmS - KIND.coolS);
}
const KIND = { coolC: 15, coolS: 60, warmS: 20 } as const;

export interface Holds {
  /** The steady pull, the jerk of a run on the bent rod, and on a rod pointed at the fish, N. */
  steadyN: number;
  jerkN: number;
  straightN: number;
  strengthN: number;
  kind: 'enough' | 'only-bent' | 'too-fine';
}

/** Whether the weakest joint holds: against a bent rod with half as much again, and against a straight pull. */
export function tippetHolds(
  joint: Joint,
  rod: Rod,
  fish: FightFish,
  tippet: { diameterMm: number; lengthM: number },
): Holds {
  const m = massKg(fish);
  const { workingN, springNPerM } = rodPull(rod);
  const jerkN = workingN + JERK_MPS * Math.sqrt(springNPerM * m);
  const area = Math.PI * 0.25 * (tippet.diameterMm / 1000) ** 2;
  const straightN = JERK_MPS * Math.sqrt(((STRETCH_PA * area) / tippet.lengthM) * m);
  const { strengthN } = joint;
  const kind =
    strengthN < SPARE * jerkN ? 'too-fine' : strengthN < SPARE * straightN ? 'only-bent' : 'enough';
  return { steadyN: workingN, jerkN, straightN, strengthN, kind };
}

/** One landed fish of the log: how long it took, against which thrust and what was left of the pull. */
export interface FoughtFish {
  seconds: number;
  wayM: number;
  thrustN: number;
  leftN: number;
}
const LN_TIRES = { spread: 0.5, noise: 0.4 } as const;
const EIGHT_IN_TEN = 1.2816;

/** How fast fish tire on this angler's rod, by the log: the prior, corrected by each fish that fought. */
export function fitTires(fought: readonly FoughtFish[]): {
  best: number;
  low: number;
  high: number;
} {
  const told = fought.flatMap((f) => {
    const ratio = Math.log(f.thrustN / f.leftN);
    const tired = (f.seconds - BEGIN_S - f.wayM / BROUGHT_MPS) / ratio;
    return ratio > 0.02 && tired > 0 ? [Math.log(tired)] : [];
  });
  if (told.length === 0) return { ...TIRES_S };
  const [prior, each] = [1 / LN_TIRES.spread ** 2, 1 / LN_TIRES.noise ** 2];
  const weight = prior + each * told.length;
  const mean = (prior * Math.log(TIRES_S.best) + each * told.reduce((a, t) => a + t, 0)) / weight;
  const spread = 1 / Math.sqrt(weight);
  return {
    best: Math.exp(mean),
    low: Math.exp(mean - EIGHT_IN_TEN * spread),
    high: Math.exp(mean + EIGHT_IN_TEN * spread),
  };
}
