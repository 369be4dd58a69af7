import type { PriorName, Priors } from '../log/index';
import type { Learned } from './learn';
import type { Refit } from './refit';
import type { StopsTold } from './stops';

/** What the record says of the models' constants, as it was last worked out. */
export interface BookRecord {
  /** Worked out then, from the tries opened before `untilMs`. */
  atMs: number;
  untilMs: number;
  refits: Refit[];
  takenBack: PriorName[];
  beds: Priors['beds'];
  depth: Priors['depth'];
  stops: StopsTold | null;
  /** What of it is in the reckoning of plans. */
  priors: Priors;
}

/** What the tries say, and what the record has changed by them. */
export interface LearnTold {
  learned: Learned;
  /** Every year in which something was tried there, newest first. */
  years: number[];
  /** Tries that were opened, and say nothing: all of their taps were taken back, or there were none. */
  empty: number;
  record: BookRecord | null;
  /** Names of beats, by their id. */
  beats: Record<string, string>;
}

/** One try that a correction rests on. */
export interface RestsOn {
  id: string;
  beatId: string | null;
  openedMs: number;
  casts: number;
  shown: boolean;
  looked: boolean;
  hooked: boolean;
  spooked: boolean;
}
