import type { DriftFrame, DriftResult } from '../../../core/cast/index';

/** The frame of the film nearest to a moment; null without a film. */
export function frameAt(best: DriftResult | null, atS: number): DriftFrame | null {
  const film = best?.film;
  if (!film || film.length === 0) return null;
  const last = film[film.length - 1]!;
  const n = Math.round((atS / (last.tS || 1)) * (film.length - 1));
  return film[Math.min(film.length - 1, Math.max(0, n))]!;
}
