import { clamp } from '../grid/index';
import { BED_MATERIALS, type BedMaterial } from '../formats/index';
import type { Reason } from '../units/index';
import { brokenWater, MATERIALS, SOLID, surfaceFactor, type FlowField } from '../water/index';
import { fishDay, fishProblems, type FishOptions } from './fish-day';
import { GUESS } from './guesses';
import { homeChance } from './home';
import { largestHere, type LargestHere } from './largest';
import type { LieKind } from './kinds';
import { COLOUR_NTU, QUICK_COLOURS, type QuickColour } from './quick-colour';
import { createPlaceNeeds, canHold, placeNeedsInto, rated } from './needs';
import type { Needs } from './rate-lies';
import { layersInto, LAYERS, type WaterForFish } from './water-for-fish';
import { DOUBT } from './sensitivity';
import { reasons } from './why';

export const QUICK_EDGES = ['none', 'quicker', 'slower'] as const;
export const QUICK_COVERS = ['none', 'rock', 'wood', 'undercut', 'boughs', 'weed'] as const;
export type QuickEdge = (typeof QUICK_EDGES)[number];
export type QuickCover = (typeof QUICK_COVERS)[number];

/** What a person can say about one place in under a minute. */
export interface QuickAnswers extends Omit<FishOptions, 'turbidityNtu' | 'shade'> {
  depthM: number;
  /** What a leaf does, m/s. */
  surfacePaceMps: number;
  /** Water within a step is clearly quicker, or slower. */
  edge: QuickEdge;
  cover: QuickCover;
  coverDistanceM: number;
  bottom: BedMaterial;
  /** A line of foam runs over it. */
  foam: boolean;
  colour: QuickColour;
  shaded: boolean;
  /** The water is too warm to fish at all, by the rule that holds everywhere (`core/day`). */
  tooWarm?: boolean;
  /** Deeper water within a few steps; absent or null: none. */
  deeper?: { depthM: number; offM: number } | null;
}

/** What to do about it; the interface words it. */
export type Advice =
  | 'leave-warm'
  | 'wait-cooler'
  | 'nymph-on-bottom'
  | 'dry-along-foam'
  | 'nymph-and-dry'
  | 'short-line'
  | 'by-the-edge'
  | 'tight-to-cover'
  | 'dark-and-large'
  | 'walk-on'
  | 'one-of-many'
  | 'look-first';

export type QuickReading =
  | { ok: false; problems: string[] }
  | {
      ok: true;
      /** 0-100. */
      rating: number;
      needs: Needs;
      kind: LieKind;
      /** Rating at the ends of what an eye can tell: depth and pace by `DOUBT`. */
      band: { low: number; high: number };
      profitJph: number;
      largest: LargestHere;
      why: Reason[];
      advice: Advice[];
    };

/** The patch that is built, m, and its cell. The place is its middle. */
const PATCH = { lengthM: 6, widthM: 4, cellM: 0.2 } as const;
/** The edge runs this far from the place, and the water beyond it is this much quicker or slower. */
const EDGE = { atM: 0.4, quicker: 2, slower: 0.35, leastMps: 0.35 } as const;

export const QUICK_RANGE = { depthM: [0.02, 3], paceMps: [0, 3], coverM: [0, 10] } as const;

/**
 * Rates one place from a spoken description: builds a patch of water 6 x 4 m that is as told, even
 * but for an edge and a cover, and asks the same needs as `rateLies`. No smoothing: the place told
 * of is the place rated.
 */
export function quickRead(answers: QuickAnswers): QuickReading {
  const problems = quickProblems(answers);
  if (problems.length > 0) return { ok: false, problems };
  const told = ratedAsTold(answers);
  const ratings = [told.rating];
  for (const depth of [1 - DOUBT.depthShare, 1 + DOUBT.depthShare]) {
    for (const pace of [1 - DOUBT.paceShare, 1 + DOUBT.paceShare])
      ratings.push(
        ratedAsTold({
          ...answers,
          depthM: answers.depthM * depth,
          surfacePaceMps: answers.surfacePaceMps * pace,
        }).rating,
      );
  }
  const { water, day, k, rating, needs, profitJph, why } = told;
  return {
    ok: true,
    rating,
    band: { low: Math.min(...ratings), high: Math.max(...ratings) },
    needs,
    kind: kindAsTold(answers),
    profitJph,
    largest: largestHere(water, day, k),
    why,
    advice: adviceFor(answers, rating, day.base.temperature, needs),
  };
}

function ratedAsTold(answers: QuickAnswers) {
  const water = patchAsTold(answers);
  const { colour, shaded, method = 'energy-budget' } = answers;
  const cells = water.open.length;
  const options: FishOptions = {
    ...answers,
    turbidityNtu: COLOUR_NTU[colour],
    shade: shaded ? new Float64Array(cells).fill(1) : null,
  };
  const day = fishDay(water, options);
  const { nx, ny } = water.flow;
  const k = Math.floor(ny / 2) * nx + Math.floor(nx / 2);
  const n = createPlaceNeeds();
  const deepEnough = canHold(water, day.base, k);
  if (deepEnough) placeNeedsInto(water, day, k, n);
  const gathers = deepEnough
    ? Math.min(1, answers.depthM / water.deepNearM[0]!) ** (GUESS.gatherPower * day.base.cold)
    : 0;
  const rating = deepEnough
    ? Math.round(100 * gathers * homeChance(rated(n, method), answers.homeOffset))
    : 0;
  const needs = {
    shelter: n.shelter,
    food: n.food,
    ease: n.ease,
    air: n.oxygen * day.base.warmth,
  };
  const why: Reason[] = deepEnough
    ? reasons(n, water, day, method, k)
    : [{ what: 'too-shallow', value: day.base.leastDepthM, unit: 'm', source: 'guess' }];
  return { water, day, k, rating, needs, profitJph: n.profitJph, why };
}

function quickProblems(a: QuickAnswers): string[] {
  const out = fishProblems(a);
  const check = (
    name: string,
    value: number,
    [lo, hi]: readonly [number, number],
    unit: string,
  ) => {
    if (!(value >= lo && value <= hi))
      out.push(`${name} ${value} ${unit} is outside ${lo} to ${hi} ${unit}.`);
  };
  const word = (name: string, value: string, words: readonly string[]) => {
    if (!words.includes(value))
      out.push(`${name} "${value}" is not known: it must be one of ${words.join(', ')}.`);
  };
  word('Edge', a.edge, QUICK_EDGES);
  word('Cover', a.cover, QUICK_COVERS);
  word('Colour of the water', a.colour, QUICK_COLOURS);
  word('Bottom', a.bottom, BED_MATERIALS);
  check('Depth', a.depthM, QUICK_RANGE.depthM, 'm');
  check('Pace', a.surfacePaceMps, QUICK_RANGE.paceMps, 'm/s');
  if (a.cover !== 'none') check('Distance to cover', a.coverDistanceM, QUICK_RANGE.coverM, 'm');
  if (a.deeper) {
    check('Deeper water', a.deeper.depthM, QUICK_RANGE.depthM, 'm');
    check('Distance to deeper water', a.deeper.offM, QUICK_RANGE.coverM, 'm');
  }
  return out;
}

/** Overhead cover is over the place itself within this, m; farther off it is only something to bolt to. */
const OVERHEAD_M = 0.4;

function patchAsTold(a: QuickAnswers): WaterForFish {
  const nx = Math.round(PATCH.lengthM / PATCH.cellM);
  const ny = Math.round(PATCH.widthM / PATCH.cellM);
  const cells = nx * ny;
  const d84 = MATERIALS[a.bottom].d84M;
  const mean = a.surfacePaceMps / surfaceFactor(a.depthM, d84);
  const beyond =
    a.edge === 'quicker'
      ? Math.max(EDGE.leastMps, EDGE.quicker * mean)
      : a.edge === 'slower'
        ? EDGE.slower * mean
        : mean;
  const fill = (value: number) => new Float64Array(cells).fill(value);
  const flow: FlowField = {
    nx,
    ny,
    cellM: PATCH.cellM,
    x0M: 0,
    y0M: 0,
    dischargeM3s: mean * a.depthM * PATCH.widthM,
    bedM: fill(-a.depthM),
    depthM: fill(a.depthM),
    u: fill(-mean),
    v: fill(0),
    surfaceM: fill(0),
    speedSqM2s2: fill(mean * mean),
    d84M: fill(d84),
    solid: new Uint8Array(cells).fill(SOLID.none),
    status: 'converged',
    massError: 0,
    calibrated: false,
    depthMisfitM: 0,
    iterations: 0,
  };
  const water: WaterForFish = {
    flow,
    open: new Uint8Array(cells).fill(1),
    pace: fill(mean),
    froude: fill(0),
    broken: fill(0),
    drift: fill(a.foam ? FOAM_DRIFT : 1),
    floating: fill(a.foam ? FOAM_DRIFT : 1),
    deepNearM: new Float64Array(nx).fill(Math.max(a.depthM, a.deeper?.depthM ?? 0)),
    deepNearM2: new Float64Array(nx).fill(
      Math.max(a.depthM, a.deeper?.depthM ?? 0) >= GUESS.offDrift.deepM
        ? PATCH.lengthM * PATCH.widthM
        : 0,
    ),
    ...(a.deeper && { deepShelter: a.deeper }),
    aeration: fill(GUESS.airInlet),
    layerRatio: new Float64Array(cells * LAYERS),
    cover: fill(0),
    toSolidM: fill(Infinity),
    toBoltM: fill(a.depthM >= GUESS.boltDepthM ? 0 : Infinity),
    toBankM: fill(PATCH.widthM / 2),
    spring: null,
    scratch: {},
    reachable: new Map(),
  };
  if (a.deeper && a.deeper.depthM >= GUESS.boltSideM)
    water.toBoltM = water.toBoltM.map((d) => Math.min(d, a.deeper!.offM));
  const middle = Math.floor(ny / 2);
  for (let k = 0; k < cells; k++) {
    const across = (Math.floor(k / nx) - middle) * PATCH.cellM;
    const pace = across > EDGE.atM ? beyond : mean;
    flow.u[k] = -pace;
    flow.speedSqM2s2[k] = pace * pace;
    water.pace[k] = pace;
    water.froude[k] = pace / Math.sqrt(9.81 * a.depthM);
    water.broken[k] = brokenWater(water.froude[k]!, a.depthM, d84);
    layersInto(water.layerRatio, k, a.depthM, d84);
  }
  coverInto(a, water);
  return water;
}

/** Foam marks where drift gathers: over the water's own by this (our guess). */
const FOAM_DRIFT = 1.3;

function coverInto(a: QuickAnswers, water: WaterForFish): void {
  if (a.cover === 'none') return;
  const off = a.coverDistanceM;
  const near = Math.exp(-off / GUESS.solidReachM);
  const over = off <= OVERHEAD_M ? 1 : 0;
  const cover = {
    rock: GUESS.boulderCover * near,
    wood: GUESS.logCover * near,
    undercut: GUESS.undercutCover * over,
    boughs: GUESS.overhangCover * Math.exp(-0.5 / GUESS.overhangReachM) * over,
    weed: GUESS.weedCover.thick * over,
  }[a.cover];
  water.cover.fill(cover);
  if (a.cover === 'rock' || a.cover === 'wood') water.toSolidM.fill(off);
  for (let k = 0; k < water.toBoltM.length; k++)
    water.toBoltM[k] = Math.min(water.toBoltM[k]!, over ? 0 : off);
}

function kindAsTold(a: QuickAnswers): LieKind {
  const close = a.coverDistanceM <= 1;
  if (a.cover === 'undercut' && close) return 'undercut';
  if (a.cover === 'wood' && close) return 'log';
  if (a.cover === 'rock' && close) return a.edge === 'slower' ? 'cushion' : 'pocket';
  if (a.cover === 'boughs' && close) return 'overhang';
  if (a.cover === 'weed' && close) return 'weed-lane';
  if (a.edge !== 'none') return a.surfacePaceMps > 0.5 ? 'tongue-edge' : 'seam';
  if (a.foam) return 'foam-line';
  return a.depthM > 0.9 ? 'depression' : 'run';
}

/** Chance of a fish at home, of 100, under which better water pays more. */
const WORTH_STOPPING = 12;

/** Rules of thumb (common practice) for what to try, first things first. */
function adviceFor(a: QuickAnswers, rating: number, temperature: number, needs: Needs): Advice[] {
  if (a.tooWarm) return ['leave-warm'];
  const out: Advice[] = [];
  if (a.waterTempC > 12 && temperature < 0.75) out.push('wait-cooler');
  if (rating < WORTH_STOPPING) out.push('walk-on');
  else out.push('look-first');
  // Even soft water rates well everywhere: the few fish in it may be anywhere.
  if (a.edge === 'none' && a.cover === 'none' && !a.foam && needs.ease > 0.8)
    out.push('one-of-many');
  const cold = a.waterTempC < 6;
  if (a.colour === 'stained' || a.colour === 'muddy') out.push('dark-and-large');
  if (cold || a.depthM > 0.9) out.push('nymph-on-bottom');
  else if (a.foam) out.push('dry-along-foam');
  else if (a.surfacePaceMps > 0.2) out.push('nymph-and-dry');
  if (a.surfacePaceMps > 0.65) out.push('short-line');
  if (a.edge !== 'none') out.push('by-the-edge');
  if (a.cover !== 'none' && clamp(a.coverDistanceM, 0, 10) <= 1) out.push('tight-to-cover');
  return out;
}
