import { ASSIMILATED, territoryM2, TOTAL_PER_FORK } from '../fish/index';
import { smoothstep } from '../grid/index';
import { fishDay, type FeedLight, type FishDay, type Sizes } from './fish-day';
import { GUESS } from './guesses';
import { canHold, createPlaceNeeds, offShelterM, placeNeedsInto, type PlaceNeeds } from './needs';
import type { WaterForFish } from './water-for-fish';

/** What a place is to fish: it keeps the fish asked for and feeds it well, keeps it, only feeds it, neither. */
export const LIE_CLASSES = ['prime', 'holding', 'feeding', 'small'] as const;
export type LieClass = (typeof LIE_CLASSES)[number];

export interface LargestHere {
  /** Largest fish the place keeps through a day, total length, cm; null when not even the smallest. */
  keepsCm: number | null;
  /** Largest that comes here to feed, at the light of the hour and at dusk; never less than it keeps. */
  feedsCm: number | null;
  duskCm: number | null;
  /** How far off the shelter lies that the dusk fish comes from, m; null where it keeps such a fish itself. */
  shelterM: number | null;
  class: LieClass;
}

/**
 * Keeps: deep enough, sheltered, and over a day of ordinary and rich hours, with what large fish
 * find off the drift, .65 min(D, I + o D) above the cost; in the cold ease instead. Feeds: deep
 * enough to swim in, a place that shelters such a fish within reach of the light, and profit while
 * the drift is rich. Steps of 2 cm.
 */
export function largestHere(water: WaterForFish, day: FishDay, k: number): LargestHere {
  const [least, most] = GUESS.lengthsCm;
  const place = createPlaceNeeds();
  const sizes: Sizes = day.sizes;
  let keepsCm: number | null = null;
  const feeds: Record<FeedLight, number | null> = { bright: null, soft: null, dusk: null };
  let shelterM: number | null = null;
  for (let cm = least; cm <= most; cm += GUESS.lengthStepCm) {
    const grown = ofLength(water, day, sizes, cm);
    if (keeps(water, grown, k, place)) {
      keepsCm = cm;
      for (const light of LIGHTS) feeds[light] = cm;
      shelterM = null;
      continue;
    }
    const depthNeeded = GUESS.feedDepth[0] + (GUESS.feedDepth[1] * cm) / 100;
    if (water.open[k] !== 1 || water.flow.depthM[k]! < depthNeeded) break;
    const offM = offShelterM(water, grown, k, GUESS.feedLight.dusk.reachM);
    if (offM > GUESS.feedLight.dusk.reachM) continue;
    placeNeedsInto(water, grown, k, place);
    for (const light of LIGHTS) {
      const { reachM, rich } = GUESS.feedLight[light];
      if (offM > reachM || profitAt(grown, k, place, rich) <= 0) continue;
      feeds[light] = cm;
      if (light === 'dusk') shelterM = offM;
    }
  }
  const askedCm = day.base.body.totalLengthCm;
  const feedsCm = feeds[day.options.feedLight ?? 'soft'];
  const kept = (keepsCm ?? 0) + GUESS.lengthStepCm > askedCm;
  const deepEnough = canHold(water, day.at(k), k);
  const food = deepEnough ? placeNeedsInto(water, day, k, place).food : 0;
  return {
    keepsCm,
    feedsCm,
    duskCm: feeds.dusk,
    shelterM,
    class: kept
      ? food >= GUESS.primeFood
        ? 'prime'
        : 'holding'
      : (feeds.dusk ?? 0) + GUESS.lengthStepCm > askedCm
        ? 'feeding'
        : 'small',
  };
}

const LIGHTS = ['bright', 'soft', 'dusk'] as const;

function ofLength(water: WaterForFish, day: FishDay, sizes: Sizes, cm: number): FishDay {
  const known = sizes.get(cm);
  if (known) return known;
  const grown = fishDay(water, { ...day.options, forkLengthCm: cm / TOTAL_PER_FORK });
  sizes.set(cm, grown);
  return grown;
}

function profitAt(grown: FishDay, k: number, place: PlaceNeeds, rich: number): number {
  return ASSIMILATED * intakeAt(grown, k, place, rich) - place.costJph;
}

function intakeAt(grown: FishDay, k: number, place: PlaceNeeds, rich: number): number {
  const appetite = grown.at(k).appetiteJph;
  return appetite > 0 ? appetite * (1 - Math.exp((-rich * place.fluxJph) / appetite)) : 0;
}

function keeps(water: WaterForFish, grown: FishDay, k: number, place: PlaceNeeds): boolean {
  const fish = grown.at(k);
  if (!canHold(water, fish, k)) return false;
  placeNeedsInto(water, grown, k, place);
  if (place.shelter < GUESS.keepShelter) return false;
  if (fish.tempC < GUESS.coldKeepC) return place.ease > GUESS.coldKeepEase;
  const { ordinaryH, richH, rich } = GUESS.day;
  const { most, fromCm, toCm, territories } = GUESS.offDrift;
  const intake =
    (ordinaryH * intakeAt(grown, k, place, 1) + richH * intakeAt(grown, k, place, rich)) /
    (ordinaryH + richH);
  const deepM2 = water.deepNearM2[k % water.flow.nx]!;
  const territory = territoryM2(fish.body.forkLengthCm);
  const offDrift =
    most *
    smoothstep(fromCm, toCm, fish.body.totalLengthCm) *
    (1 - Math.exp(-deepM2 / (territories * territory)));
  const eaten = Math.min(fish.appetiteJph, intake + offDrift * fish.appetiteJph);
  return ASSIMILATED * eaten > place.costJph;
}
