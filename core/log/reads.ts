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
}
