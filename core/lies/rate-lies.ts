import { fnv1a64, smoothInto, type Place } from '../grid/index';
import { planHash, type BeatPlan } from '../formats/index';
import { TOTAL_PER_FORK, type Species } from '../fish/index';
import { traceStreamline, type FlowField } from '../water/index';
import type { Reason } from '../units/index';
import { GUESS } from './guesses';
import { boulderAt, boulderIsSolved, kindAt, type LieKind } from './kinds';
import { choosePeaks } from './peaks';
import {
  canHold,
  createPlaceNeeds,
  fishToday,
  placeNeedsInto,
  type FishToday,
  type PlaceNeeds,
} from './needs';
import { waterForFish, type WaterForFish } from './water-for-fish';

export interface Needs {
  shelter: number;
  food: number;
  ease: number;
  air: number;
}

export interface Lie {
  id: string;
  xM: number;
  yM: number;
  kind: LieKind;
  /** The way the fish faces: against the local current. */
  headingRad: number;
  /** 0-100. */
  rating: number;
  needs: Needs;
  profitJph: number;
  /** Largest fish the place could keep, total length; null when not even the smallest. */
  largestCm: number | null;
  depthM: number;
  /** The drift that feeds it, from the lie up to where a fly could be landed. */
  lane: Place[];
  why: Reason[];
}

export interface RateOptions {
  species: Species;
  forkLengthCm: number;
  waterTempC: number;
  /** Only the energy budget so far; the other methods come with Lies. */
  method?: 'energy-budget';
  altitudeM?: number;
}

export interface LieField {
  /** 0-1 on the flow's cells; 0 where no fish can hold. */
  field: Float64Array;
  lies: Lie[];
}

/** A lane is followed this far up-current, m. */
const LANE_M = 3.5;

/**
 * Rates every cell of a flow for one fish and lists the lies, best first.
 * Throws RangeError for a length or temperature that no trout has.
 */
export function rateLies(plan: BeatPlan, flow: FlowField, options: RateOptions): LieField {
  const { species, forkLengthCm, waterTempC } = options;
  if (!(forkLengthCm >= 5 && forkLengthCm <= 100))
    throw new RangeError(`forkLengthCm must be 5 to 100, got ${forkLengthCm}`);
  if (!(waterTempC >= 0 && waterTempC <= 30))
    throw new RangeError(`waterTempC must be 0 to 30, got ${waterTempC}`);
  const water = waterForFish(plan, flow);
  const altitudeM = options.altitudeM ?? plan.altitudeM ?? 0;
  const fish = fishToday(species, forkLengthCm, waterTempC, altitudeM);
  const raw = new Float64Array(flow.nx * flow.ny);
  const needs = createPlaceNeeds();
  for (let k = 0; k < raw.length; k++) {
    if (canHold(water, fish, k)) raw[k] = placeNeedsInto(water, fish, k, needs).rating;
  }
  const field = smoothInto(
    flow.nx,
    flow.ny,
    raw,
    water.open,
    GUESS.smoothingPasses,
    new Float64Array(raw.length),
  );
  const levelKey = `${planHash(plan)}|${flow.dischargeM3s}`;
  const lies = choosePeaks(water, fish, field).map((k) =>
    describe(plan, water, fish, field, k, levelKey, altitudeM),
  );
  return { field, lies: lies.sort((a, b) => b.rating - a.rating) };
}

function describe(
  plan: BeatPlan,
  water: WaterForFish,
  fish: FishToday,
  field: Float64Array,
  k: number,
  levelKey: string,
  altitudeM: number,
): Lie {
  const { flow } = water;
  const i = k % flow.nx;
  const j = (k - i) / flow.nx;
  const xM = flow.x0M + i * flow.cellM;
  const yM = flow.y0M + j * flow.cellM;
  const n = placeNeedsInto(water, fish, k, createPlaceNeeds());
  const rating = Math.round(100 * field[k]!);
  const needs = {
    shelter: n.shelter,
    food: n.food,
    ease: n.ease,
    air: n.oxygen * fish.temperature,
  };
  const quarter = (m: number) => Math.round(m * 4) / 4;
  const smallBoulder = boulderAt(plan, water, k);
  const largestCm = largestKept(water, fish, k, altitudeM);
  return {
    id: fnv1a64(`${levelKey}|${quarter(xM)}|${quarter(yM)}`),
    xM,
    yM,
    kind: kindAt(plan, water, k),
    headingRad: headingAt(flow, k),
    rating,
    needs,
    profitJph: n.profitJph,
    largestCm,
    depthM: flow.depthM[k]!,
    lane: traceStreamline(flow, { xM, yM }, { direction: 'up', maxM: LANE_M }).places,
    why: reasons(
      n,
      needs,
      water,
      fish,
      k,
      smallBoulder !== null && !boulderIsSolved(smallBoulder.diameterM, flow.cellM),
    ),
  };
}

/** Minus the mean velocity of the 3 x 3 cells round it: in an eddy that is down-valley. */
export function headingAt(flow: FlowField, k: number): number {
  const { nx, ny, u, v } = flow;
  const ci = k % nx;
  const cj = (k - ci) / nx;
  let su = 0;
  let sv = 0;
  for (let j = Math.max(0, cj - 1); j <= Math.min(ny - 1, cj + 1); j++) {
    for (let i = Math.max(0, ci - 1); i <= Math.min(nx - 1, ci + 1); i++) {
      su += u[j * nx + i]!;
      sv += v[j * nx + i]!;
    }
  }
  return su === 0 && sv === 0 ? 0 : Math.atan2(-sv, -su);
}

/** Bisection on length: profit positive, shelter enough, water deep enough. Total length, cm. */
function largestKept(
  water: WaterForFish,
  today: FishToday,
  k: number,
  altitudeM: number,
): number | null {
  const needs = createPlaceNeeds();
  const keeps = (totalCm: number) => {
    const fish = fishToday(today.body.species, totalCm / TOTAL_PER_FORK, today.tempC, altitudeM);
    if (!canHold(water, fish, k)) return false;
    const n = placeNeedsInto(water, fish, k, needs);
    return n.profitJph > 0 && n.shelter >= GUESS.keepShelter;
  };
  let [lo, hi] = GUESS.lengthsCm as readonly [number, number];
  if (!keeps(lo)) return null;
  if (keeps(hi)) return hi;
  while (hi - lo > 0.5) {
    const mid = (lo + hi) / 2;
    if (keeps(mid)) lo = mid;
    else hi = mid;
  }
  return Math.floor(lo);
}

function reasons(
  n: PlaceNeeds,
  needs: Needs,
  water: WaterForFish,
  fish: FishToday,
  k: number,
  small: boolean,
): Reason[] {
  const worst = (Object.entries(needs) as [keyof Needs, number][]).sort((a, b) => a[1] - b[1])[0]!;
  const out: Reason[] = [
    { what: 'holds-back', value: worst[1], unit: '', source: 'power-mean', about: worst[0] },
    { what: 'nose-pace', value: n.noseMps, unit: 'm/s', source: 'log-law' },
    {
      what: 'best-pace-in-reach',
      value: n.bestWithinReachMps,
      unit: 'm/s',
      source: 'hughes-dill-1990',
    },
    { what: 'depth', value: water.flow.depthM[k]!, unit: 'm', source: 'flow' },
    { what: 'bolt-hole', value: water.toBoltM[k]!, unit: 'm', source: 'plan' },
    { what: 'intake', value: n.intakeJph, unit: 'J/h', source: 'hughes-dill-1990' },
    { what: 'cost', value: n.costJph, unit: 'J/h', source: 'dieterman-2004' },
    { what: 'temperature', value: fish.temperature, unit: '', source: 'trapezoid' },
  ];
  if (small)
    out.push({ what: 'boulder-too-small', value: water.flow.cellM, unit: 'm', source: 'flow' });
  return out;
}
