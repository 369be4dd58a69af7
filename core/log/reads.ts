import type { QuickAnswers, QuickReading } from '../lies/index';

/** A quick read as it was kept: one place as told, and what it was rated then. */
export interface KeptRead {
  id: string;
  beatId: string | null;
  /** Where it is on its beat; null until placed. */
  xM: number | null;
  yM: number | null;
  takenMs: number;
  zoneOffsetMin: number;
  answers: QuickAnswers;
  result: Extract<QuickReading, { ok: true }>;
  note: string;
  /** As a place along its stream; absent or null: a read and no more. */
  place?: ReadPlace | null | undefined;
}

/** What water a place is, as one says in passing. */
export const PLACE_WATERS = ['pocket', 'riffle', 'run', 'undercut', 'glide', 'pool'] as const;
export type PlaceWater = (typeof PLACE_WATERS)[number];

/** How a place was set on the line along its stream. */
export type PlaceAt =
  | { by: 'phone'; lat: number; lon: number; accuracyM: number }
  | { by: 'paces' | 'tape'; afterId: string; metres: number };

/** What is told of a place in half a minute beside its quick read. */
export interface ReadPlace {
  streamName: string;
  water: PlaceWater;
  /** So many such lies are here. */
  count: number;
  at: PlaceAt | null;
  photoId: string | null;
}
