import type { ConstantsMark, OutingLog, Settings } from '../log/index';
import type { DayBook } from './day-book';
import type { BeatPack } from './pack-shape';

/** What a device on the bank begins from, beside the beats that it takes along. */
export interface Bank {
  /** Number of the newest change in it: the feed goes on from there; and a mark of that change, absent in books had before there were marks. */
  end: number;
  endMark?: string;
  log: OutingLog;
  settings: Settings;
  /** Under which constants what is reckoned on the device is reckoned; absent in books had before. */
  constants?: ConstantsMark;
  beats: { id: string; name: string; streamName: string; levels: string[]; level: string }[];
  nowMs: number;
  /** What today is planned from; absent in books that were taken along before there were days. */
  day?: DayBook;
  /** The book's clock stands still (demo, tests): the device follows it instead of its own. */
  clockFixed: boolean;
}

/** How far a beat is on its way to the bank. */
export type PackJob =
  { state: 'solving' | 'packing'; progress: number } | { state: 'done'; pack: BeatPack };

/** A beat as a device holds it: what was worked out, and its water in both lights, as data addresses. */
export interface HeldPack {
  beatId: string;
  pack: BeatPack;
  picture: { light: string; dim: string };
  bytes: number;
  takenMs: number;
}
