import type { BeatPlan } from '../../core/formats/index';
import type { KeptRead, KeptRise, Mark, Outing, Settings, Try } from '../../core/log/index';

/** What is saved: the beat's own records and the angler's settings. */
export interface DocumentState {
  marks: Mark[];
  tries: Try[];
  rises: KeptRise[];
  /** Quick reads pinned to this beat. */
  reads: KeptRead[];
  /** Newest first; a try belongs to the one that is open. */
  outings: Outing[];
  settings: Settings;
}

/** What the page is opened with. */
export interface BeatInput extends DocumentState {
  id: string;
  streamName: string;
  plan: BeatPlan;
  planHash: string;
  nowMs: number;
}
