import { bestCovers, gainOf, netOf, secondsOfCovers, type Coverable } from '../moves/index';
import type { PlaceWater } from '../log/index';
import { PLACE, WATER_FACTS } from './guesses';

/** A place as it counts: so many like lies. */
export interface PlaceLies {
  count: number;
  /** Chance that one of its lies holds a fish that would take, 0-1. */
  p: number;
  answers: number;
  coverS: number;
}

export interface PlaceTold {
  water: PlaceWater;
  count: number;
  /** Of the quick read, 0-100. */
  rating: number;
  waterTempC: number | null;
  /** The angler's own success in such water over what the model promises; 1 where nothing is known. */
  ownFactor?: number;
  /** How well it fits where fish were found today, over the mean of the places looked at. */
  fit?: number;
}

/** The lies of a place: the chance of each, before any was covered. */
export function placeLies(t: PlaceTold): PlaceLies {
  const { answers, coverS } = WATER_FACTS[t.water];
  const fit = Math.min(PLACE.mostFit, t.fit ?? 1);
  const cold = t.waterTempC !== null && t.waterTempC < PLACE.coldC;
  return {
    count: t.count,
    p: Math.min(PLACE.mostChance, (t.rating / 100) * PLACE.willing * (t.ownFactor ?? 1) * fit),
    answers: cold ? answers * PLACE.coldShare : answers,
    coverS,
  };
}

/** What lies of this place were covered already: covers without an answer, and takes. */
export interface PlaceDone {
  blanks: readonly number[];
  takes: number;
}

/** Chance of the next lie of the same place: each blank and each take tells of all of them (Beta). */
export function afterDone(lies: PlaceLies, done: PlaceDone): number {
  const a = lies.p * PLACE.shares + done.takes;
  const b =
    (1 - lies.p) * PLACE.shares +
    done.blanks.reduce((sum, covers) => sum + 1 - (1 - lies.answers) ** covers, 0);
  return a / (a + b);
}

export interface PlaceWorth {
  /** Covers at each lie; 0: walk on. */
  covers: number;
  takes: number;
  seconds: number;
  /** Takes more than the time would bring elsewhere. */
  net: number;
}

const coverable = ({ p, answers, coverS }: PlaceLies): Coverable => ({
  p,
  a: answers,
  coverS,
  takeS: PLACE.takeS,
});

/** What working a place comes to where elsewhere pays λ takes an hour: not at all where it does not pay its settling. */
export function placeWorth(lies: PlaceLies, lambda: number): PlaceWorth {
  const none = { covers: 0, takes: 0, seconds: 0, net: 0 };
  const one = coverable(lies);
  const covers = bestCovers(one, lambda, PLACE.mostCovers);
  if (covers === 0 || lies.count === 0) return none;
  const worked = workedAt(lies, covers);
  const net = worked.takes - (lambda / 3600) * worked.seconds;
  return net > 0 ? { ...worked, covers, net } : none;
}

/** Covers at the next lie of a place where one stands already: 0 where looking at it does not pay. */
export function nextLieCovers(lies: PlaceLies, lambda: number): number {
  const one = coverable(lies);
  const covers = bestCovers(one, lambda, PLACE.mostCovers);
  return netOf(one, covers, lambda) > (lambda / 3600) * PLACE.lookS ? covers : 0;
}

/** Takes and seconds of so many covers at each lie. */
export function workedAt(lies: PlaceLies, covers: number): { takes: number; seconds: number } {
  const one = coverable(lies);
  return {
    takes: lies.count * gainOf(one, covers),
    seconds: PLACE.settleS + lies.count * (PLACE.lookS + secondsOfCovers(one, covers)),
  };
}

/** Seconds to the next place, and to read it. */
export const wayS = (metres: number): number => metres / PLACE.walkMps + PLACE.readS;
