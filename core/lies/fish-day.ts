import {
  appetiteJph,
  ASSIMILATED,
  fastestFeedingMps,
  fishBody,
  holdingCost,
  oxygenSaturationMgL,
  reactionDistanceCm,
  SPECIES,
  swimmingPower,
  temperatureSuitability,
  TOTAL_PER_FORK,
  turbidityFactor,
  type FishBody,
  type Species,
} from '../fish/index';
import { smoothstep } from '../grid/index';
import { GUESS } from './guesses';
import { METHODS, type Method } from './methods';
import { sightM } from './quick-colour';
import type { WaterForFish } from './water-for-fish';

export type Season = keyof typeof GUESS.seasonDrift;
export type PreyMix = keyof typeof GUESS.preyMix;
/** How much light lies on the water: how far from shelter a fish comes out to feed. */
export type FeedLight = keyof typeof GUESS.feedLight;

/** Which fish, on what day. Lengths cm, temperature C. */
export interface FishOptions {
  species: Species;
  forkLengthCm: number;
  waterTempC: number;
  altitudeM?: number;
  /** Clear when absent. */
  turbidityNtu?: number;
  /** Spring's drift when absent. */
  season?: Season;
  prey?: PreyMix;
  method?: Method;
  /** Share of each cell that lies in shade at this hour, 0-1; none when absent. */
  shade?: Float64Array | null;
  /** Soft when absent. */
  feedLight?: FeedLight;
  /** The water's own constant in the chance of a fish at home, from its log; 0 when absent. */
  homeOffset?: number;
  /** Slope of that chance over the rating, in the logit; 1 when absent. */
  homeSlope?: number;
}

/** Lengths a rating can be asked for, total, cm; temperatures, C; clarity, NTU. */
export const FISH_RANGE = { lengthCm: [8, 60], tempC: [0, 25], turbidityNtu: [0, 200] } as const;

/** What is wrong with a question, in sentences that name the field, the value and what is possible. */
export function fishProblems(o: {
  species: string;
  forkLengthCm: number;
  waterTempC: number;
  turbidityNtu?: number;
  method?: string;
}): string[] {
  const out: string[] = [];
  const within = (value: number, [lo, hi]: readonly [number, number], slack = 0) =>
    value >= lo - slack && value <= hi + slack;
  if (!(SPECIES as readonly string[]).includes(o.species))
    out.push(`Species "${o.species}" is not known: it must be one of ${SPECIES.join(', ')}.`);
  const lengthCm = o.forkLengthCm * TOTAL_PER_FORK;
  // A hair of slack: the length went through its fork length.
  if (!within(lengthCm, FISH_RANGE.lengthCm, 1e-6))
    out.push(`Length ${round(lengthCm)} cm is no trout that lies are rated for: 8 to 60 cm.`);
  if (!within(o.waterTempC, FISH_RANGE.tempC)) {
    const celsius = ((o.waterTempC - 32) * 5) / 9;
    const asked = within(celsius, FISH_RANGE.tempC)
      ? ` Was ${round(o.waterTempC)} °F meant, which is ${round(celsius)} °C?`
      : '';
    out.push(`Water of ${round(o.waterTempC)} °C is outside 0 to 25 °C.${asked}`);
  }
  if (o.turbidityNtu !== undefined && !within(o.turbidityNtu, FISH_RANGE.turbidityNtu))
    out.push(`Clarity ${round(o.turbidityNtu)} NTU is outside 0 to 200 NTU.`);
  if (o.method !== undefined && !(METHODS as readonly string[]).includes(o.method))
    out.push(`Method "${o.method}" is not known: it must be one of ${METHODS.join(', ')}.`);
  return out;
}
const round = (v: number) => (Number.isFinite(v) ? Math.round(v * 10) / 10 : v);

/** A fish at one temperature: everything that does not change from place to place. */
export interface FishToday {
  body: FishBody;
  tempC: number;
  leastDepthM: number;
  noseHeightM: number;
  restCostJph: number;
  appetiteJph: number;
  /** What it can spend, J/h. */
  powerJph: number;
  vmaxMps: number;
  /** Squares of the reaction distances, m2, and the energy of a cubic metre of drift, J, one a prey. */
  reactionM2: Float64Array;
  preyJPerM3: Float64Array;
  swimming: number;
  /** Suitability of the temperature, 0-1; and of its warm side alone, which is what lowers a rating. */
  temperature: number;
  warmth: number;
  /** Cold that rules, and how far it rests instead of feeding, for cold or for blindness, 0-1. */
  cold: number;
  idle: number;
  /** How ready it is to move for a fly, 0-1: temperature and sight. */
  willing: number;
  floatingShare: number;
  saturationMgL: number;
  oxygenNeededMgL: number;
  shelterExponent: number;
  /** How far off a dark thing is still seen, m. */
  sightM: number;
}

/** Below this a temperature that suits less is cold, above it warm, C: within every species' plateau. */
const SUITED_C = 13;

export function fishToday(o: FishOptions): FishToday {
  const { species, forkLengthCm, waterTempC: tempC } = o;
  const body = fishBody(species, forkLengthCm);
  const restCostJph = holdingCost(species, body.weightG, tempC, 0);
  const appetite = appetiteJph(species, body.weightG, tempC);
  const swimming = swimmingPower(tempC);
  const ntu = o.turbidityNtu ?? 0;
  const sees = turbidityFactor(ntu);
  const mix = GUESS.preyMix[o.prey ?? 'mixed'];
  const season = o.season ?? 'spring';
  const drift = GUESS.seasonDrift[season];
  const cold = 1 - smoothstep(GUESS.coldC[0], GUESS.coldC[1], tempC);
  const blind = smoothstep(GUESS.blindNtu[0], GUESS.blindNtu[1], ntu);
  const stainFood = 1 + GUESS.stainFood * (1 - Math.exp(-ntu / GUESS.stainFoodNtu));
  const seenM = (mm: number) => (sees * reactionDistanceCm(mm, forkLengthCm)) / 100;
  const reachM = (mm: number) =>
    Math.min(
      GUESS.farthestM,
      mm >= GUESS.feltFromMm ? Math.max(seenM(mm), GUESS.feltLengths * body.lengthM) : seenM(mm),
    );
  const temperature = temperatureSuitability(species, tempC);
  return {
    body,
    tempC,
    leastDepthM: Math.max(
      GUESS.leastDepthM,
      GUESS.depthBaseM + GUESS.depthPerLength * body.lengthM,
    ),
    noseHeightM: (GUESS.noseHeight[0] + GUESS.noseHeight[1] * cold) * body.lengthM,
    restCostJph,
    appetiteJph: appetite,
    powerJph: Math.max(
      ASSIMILATED * appetite,
      (GUESS.powerPerRest[0] + GUESS.powerPerRest[1] * cold) * restCostJph,
    ),
    vmaxMps: fastestFeedingMps(forkLengthCm, tempC),
    reactionM2: Float64Array.from(GUESS.prey, (p) => reachM(p.mm) ** 2),
    preyJPerM3: Float64Array.from(
      GUESS.prey,
      (p, i) => drift * mix[i]! * p.perM3 * p.j * (p.mm >= 8 ? stainFood : 1),
    ),
    swimming,
    temperature,
    warmth: tempC < SUITED_C ? 1 : temperature,
    cold,
    idle: 1 - (1 - cold) * (1 - blind),
    willing: temperature * Math.min(1, seenM(8) / GUESS.willingSightM),
    floatingShare: GUESS.floatingShare[season],
    saturationMgL: oxygenSaturationMgL(tempC, o.altitudeM ?? 0),
    oxygenNeededMgL: 6 + 0.35 * Math.max(0, tempC - 10),
    shelterExponent: (body.totalLengthCm / 25) ** 0.8 * swimming ** (-1.5 * (1 - cold)),
    sightM: sightM(ntu),
  };
}

/** Fish of other lengths on the same day, by total length, cm. */
export type Sizes = Map<number, FishDay>;

/** The fish on this water today: one `FishToday`, or one for each temperature below a spring. */
export interface FishDay {
  options: FishOptions;
  base: FishToday;
  /** The fish as it is at cell `k`. */
  at(k: number): FishToday;
  shade: Float64Array | null;
  /** What the drift within reach depends on, as a key. */
  driftKey: string;
  /** The same day for fish of other lengths, made when asked for (see `largest.ts`). */
  sizes: Sizes;
}

/** Spring water is reckoned in steps of this many degrees. */
const SPRING_STEP_C = 0.5;

export function fishDay(water: WaterForFish, options: FishOptions): FishDay {
  const base = fishToday(options);
  const { spring } = water;
  const shade = options.shade ?? null;
  const driftKey = [
    options.forkLengthCm,
    options.turbidityNtu ?? 0,
    options.season ?? '',
    options.prey ?? '',
    base.swimming.toFixed(4),
    base.noseHeightM.toFixed(4),
    spring ? options.waterTempC : '',
  ].join('|');
  const sizes: Sizes = new Map();
  if (!spring) return { options, base, at: () => base, shade, driftKey, sizes };
  const others = new Map<number, FishToday>();
  const at = (k: number) => {
    const share = spring.share[k]!;
    if (share < GUESS.springFelt) return base;
    const tempC = base.tempC + share * (spring.tempC - base.tempC);
    const step = Math.round(tempC / SPRING_STEP_C);
    let fish = others.get(step);
    if (!fish) {
      fish = fishToday({ ...options, waterTempC: step * SPRING_STEP_C });
      others.set(step, fish);
    }
    return fish;
  };
  return { options, base, at, shade, driftKey, sizes };
}
