import type { LayKind } from './lays';
import type { Candidate } from './shot-candidate';

/** Two shots are truly different when their stands are this far apart, or the line is laid otherwise, m. */
const APART_M = 3;
/** A shot with less than this share of the best order is not shown. */
const WORTH_SHOWING = 0.6;

/**
 * The best that truly differ: first stands well apart, no lay more than twice; then, if there is room,
 * from the same stands the line laid another way.
 */
export function pickDiverse(list: readonly Candidate[], most: number): Candidate[] {
  const sorted = [...list].sort((a, b) => b.order - a.order || b.cleanS - a.cleanS);
  const out: Candidate[] = [];
  const near = (a: Candidate, b: Candidate) =>
    Math.hypot(a.stand.place.xM - b.stand.place.xM, a.stand.place.yM - b.stand.place.yM) < APART_M;
  const alike = (a: Candidate, b: Candidate) =>
    near(a, b) && (a.lay.kind === b.lay.kind || alikeLays(a.lay.kind, b.lay.kind));
  for (const same of [near, alike]) {
    for (const c of sorted) {
      if (out.length >= most) break;
      const used = out.filter((o) => o.lay.kind === c.lay.kind).length;
      if (used < 2 && c.order >= worthShowing(sorted[0]!.order) && !out.some((o) => same(o, c)))
        out.push(c);
    }
  }
  return out;
}

/** Points below nought are shared the other way round. */
const worthShowing = (best: number) => (best > 0 ? WORTH_SHOWING * best : best / WORTH_SHOWING);

/** Lays that put the line down the same way. */
const STRAIGHT: readonly LayKind[] = ['straight', 'roll', 'bow-and-arrow'];
const LOOSE: readonly LayKind[] = ['slack', 'pile'];
const alikeLays = (a: LayKind, b: LayKind) =>
  [STRAIGHT, LOOSE].some((group) => group.includes(a) && group.includes(b));
