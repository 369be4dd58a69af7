import type { CoverChance } from '../chance/index';
import type { Place } from '../grid/index';
import type { Lay, CastKind } from '../cast/index';
import type { Posture } from '../sight/index';

/** One lie, or a fish that was seen, as a route counts it. */
export interface RouteLie extends Place {
  id: string;
  /** Chance that a fish is home, 0-1. */
  home: number;
  /** Chance that a willing fish answers an honest look, and seconds of a cover. */
  answers: number;
  coverS: number;
  /** Worth in takes; 1 where all are alike. */
  worth: number;
}

/** A cast at one lie from one stand. */
export interface RouteCast {
  /** One cover over a calm fish that is home, with all its parts. */
  cover: CoverChance;
  cleanS: number;
  distanceM: number;
  lay: Lay;
  cast: CastKind;
  landing: Place;
}

export interface RouteStand extends Place {
  posture: Posture;
  /** On which bank, looking down the current, or in the water. */
  side: 'left' | 'right' | 'water';
}

/** All that a route of one beat, level, hour and body stands on. Plain data: it travels with the beat. */
export interface RouteGround {
  lies: RouteLie[];
  stands: RouteStand[];
  /** By stand and lie; null: no cast worth a name. */
  casts: (RouteCast | null)[][];
  /** How well each lie sees a still angler at each stand, 0-1. */
  seen: number[][];
  /** From each stand, then from each entry, to each stand. */
  ways: {
    /** Seconds, by start and stand; null: no way. */
    seconds: (number | null)[][];
    wadedM: number[][];
    /** Share of the alarm time, by start, stand and lie. */
    dose: number[][][];
  };
  entries: Place[];
  /** Back from each stand to the nearest entry, s; null: no way. */
  backS: (number | null)[];
  tauS: number;
}
