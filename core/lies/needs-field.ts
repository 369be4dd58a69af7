import { smoothInto } from '../grid/index';
import type { FishDay } from './fish-day';
import { GUESS } from './guesses';
import { homeChance } from './home';
import { ratingOf, type Method, type Weighed } from './methods';
import {
  canHold,
  createPlaceNeeds,
  driftWithinReachInto,
  needsFromDriftInto,
  placeNeedsInto,
  rated,
} from './needs';
import type { Reachable, WaterForFish } from './water-for-fish';

/** Needs on every cell of the flow, 0-1; meaningless where `holds` is 0. Methods weigh them afterwards. */
export interface NeedsField {
  holds: Uint8Array;
  food: Float64Array;
  ease: Float64Array;
  shelter: Float64Array;
  shelterNear: Float64Array;
  oxygen: Float64Array;
  profit: Float64Array;
  warmth: Float64Array;
  idle: Float64Array;
  /** What gathering in the cold leaves of the chance that a fish is here. */
  gathers: Float64Array;
}

/** Fish whose drift is kept: a scrub of temperature to and fro costs nothing twice. */
const KEPT = 12;

/** The drift within reach of every cell: the dear part, independent of shade and of the warm end of the scale. */
function reachableDrift(water: WaterForFish, day: FishDay): Reachable {
  const known = water.reachable.get(day.driftKey);
  if (known) return known;
  const cells = water.open.length;
  const made: Reachable = {
    fluxJph: new Float64Array(cells),
    bestMps: new Float64Array(cells),
  };
  const place = createPlaceNeeds();
  for (let k = 0; k < cells; k++) {
    const fish = day.at(k);
    if (!canHold(water, fish, k)) continue;
    driftWithinReachInto(water, fish, k, place);
    made.fluxJph[k] = place.fluxJph;
    made.bestMps[k] = place.bestWithinReachMps;
  }
  if (water.reachable.size >= KEPT)
    water.reachable.delete(water.reachable.keys().next().value as string);
  water.reachable.set(day.driftKey, made);
  return made;
}

export function needsField(water: WaterForFish, day: FishDay): NeedsField {
  const cells = water.open.length;
  const { fluxJph, bestMps } = reachableDrift(water, day);
  const make = () => new Float64Array(cells);
  const field: NeedsField = {
    holds: new Uint8Array(cells),
    food: make(),
    ease: make(),
    shelter: make(),
    shelterNear: make(),
    oxygen: make(),
    profit: make(),
    warmth: make(),
    idle: make(),
    gathers: make().fill(1),
  };
  const place = createPlaceNeeds();
  for (let k = 0; k < cells; k++) {
    if (!canHold(water, day.at(k), k)) continue;
    place.fluxJph = fluxJph[k]!;
    place.bestWithinReachMps = bestMps[k]!;
    needsFromDriftInto(water, day, k, place);
    field.holds[k] = 1;
    field.food[k] = place.food;
    field.ease[k] = place.ease;
    field.shelter[k] = place.shelter;
    field.shelterNear[k] = place.shelterNear;
    field.oxygen[k] = place.oxygen;
    field.profit[k] = place.profit;
    field.warmth[k] = place.warmth;
    field.idle[k] = place.idle;
    field.gathers[k] = gatheringAt(water, day, k);
  }
  return field;
}

/** In the cold fish gather in the deepest slow water near: what that leaves of the chance of one here. */
function gatheringAt(water: WaterForFish, day: FishDay, k: number): number {
  const { cold } = day.at(k);
  if (cold === 0) return 1;
  const deepest = water.deepNearM[k % water.flow.nx]!;
  const share = deepest > 0 ? Math.min(1, water.flow.depthM[k]! / deepest) : 1;
  return share ** (GUESS.gatherPower * cold);
}

/**
 * The chance of such a fish at home on every cell under a method, 0-1: the needs' rating, smoothed
 * over some .3 m, as `homeChance` reads it.
 */
export function ratingField(
  water: WaterForFish,
  needs: NeedsField,
  method: Method,
  homeOffset = 0,
  homeSlope = 1,
): Float64Array {
  const { nx, ny } = water.flow;
  const raw = new Float64Array(nx * ny);
  const n: Weighed = {
    food: 0,
    ease: 0,
    shelter: 0,
    shelterNear: 0,
    oxygen: 0,
    profit: 0,
    idle: 0,
  };
  for (let k = 0; k < raw.length; k++) {
    if (!needs.holds[k]) continue;
    n.food = needs.food[k]!;
    n.ease = needs.ease[k]!;
    n.shelter = needs.shelter[k]!;
    n.shelterNear = needs.shelterNear[k]!;
    n.oxygen = needs.oxygen[k]!;
    n.profit = needs.profit[k]!;
    n.idle = needs.idle[k]!;
    raw[k] = ratingOf(n, needs.warmth[k]!, method);
  }
  const smooth = new Float64Array(raw.length);
  smoothInto(nx, ny, raw, water.open, GUESS.smoothingPasses, smooth);
  for (let k = 0; k < smooth.length; k++)
    smooth[k] = homeChance(smooth[k]!, homeOffset, homeSlope) * needs.gathers[k]!;
  return smooth;
}

/**
 * The smoothed rating of one cell, equal to `ratingField` there, from the few cells it depends on:
 * one place asked many times (sensitivity, what would change it).
 */
export function ratingAt(water: WaterForFish, day: FishDay, method: Method, k: number): number {
  const { nx, ny } = water.flow;
  const r = GUESS.smoothingPasses;
  const ci = k % nx;
  const cj = (k - ci) / nx;
  const i0 = Math.max(0, ci - r);
  const j0 = Math.max(0, cj - r);
  const wx = Math.min(nx - 1, ci + r) - i0 + 1;
  const wy = Math.min(ny - 1, cj + r) - j0 + 1;
  const raw = new Float64Array(wx * wy);
  const open = new Uint8Array(wx * wy);
  const place = createPlaceNeeds();
  for (let j = 0; j < wy; j++) {
    for (let i = 0; i < wx; i++) {
      const cell = (j0 + j) * nx + i0 + i;
      open[j * wx + i] = water.open[cell]!;
      if (canHold(water, day.at(cell), cell))
        raw[j * wx + i] = rated(placeNeedsInto(water, day, cell, place), method);
    }
  }
  const smooth = smoothInto(wx, wy, raw, open, r, new Float64Array(raw.length));
  const rating = smooth[(cj - j0) * wx + (ci - i0)]!;
  return (
    homeChance(rating, day.options.homeOffset, day.options.homeSlope) * gatheringAt(water, day, k)
  );
}
