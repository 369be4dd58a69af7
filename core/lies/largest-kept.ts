import { TOTAL_PER_FORK } from '../fish/index';
import { fishDay, type FishDay } from './fish-day';
import { GUESS } from './guesses';
import { canHold, createPlaceNeeds, placeNeedsInto } from './needs';
import type { WaterForFish } from './water-for-fish';

/** Bisection on length: profit positive, shelter enough, water deep enough. Total length, cm. */
export function largestKept(water: WaterForFish, day: FishDay, k: number): number | null {
  const needs = createPlaceNeeds();
  const keeps = (totalCm: number) => {
    const grown = fishDay(water, { ...day.options, forkLengthCm: totalCm / TOTAL_PER_FORK });
    if (!canHold(water, grown.at(k), k)) return false;
    const n = placeNeedsInto(water, grown, k, needs);
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
