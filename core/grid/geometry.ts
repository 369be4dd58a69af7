/** A place in the plan frame, metres. */
export interface Place {
  xM: number;
  yM: number;
}

/** The straight way between two places, m. */
export const metresApart = (a: Place, b: Place): number => Math.hypot(a.xM - b.xM, a.yM - b.yM);

/** Nearest point of a segment, as the fraction along it and the distance. */
export function nearestOnSegment(p: Place, a: Place, b: Place): { t: number; distanceM: number } {
  const dx = b.xM - a.xM;
  const dy = b.yM - a.yM;
  const len2 = dx * dx + dy * dy;
  const t =
    len2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.xM - a.xM) * dx + (p.yM - a.yM) * dy) / len2));
  return { t, distanceM: Math.hypot(a.xM + t * dx - p.xM, a.yM + t * dy - p.yM) };
}

export function distanceToPolyline(p: Place, line: readonly Place[]): number {
  let best = Infinity;
  for (let i = 0; i + 1 < line.length; i++) {
    best = Math.min(best, nearestOnSegment(p, line[i]!, line[i + 1]!).distanceM);
  }
  return line.length === 1 ? Math.hypot(line[0]!.xM - p.xM, line[0]!.yM - p.yM) : best;
}

/** Even-odd rule; a closed ring may or may not repeat its first point. */
export function pointInPolygon(p: Place, ring: Place[]): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const a = ring[i]!;
    const b = ring[j]!;
    if (a.yM > p.yM !== b.yM > p.yM) {
      const x = a.xM + ((p.yM - a.yM) / (b.yM - a.yM)) * (b.xM - a.xM);
      if (p.xM < x) inside = !inside;
    }
  }
  return inside;
}

/** y of a polyline sorted by x, at `xM`; the ends are carried on level. */
export function polylineYAt(line: Place[], xM: number): number {
  const last = line.length - 1;
  if (xM <= line[0]!.xM) return line[0]!.yM;
  if (xM >= line[last]!.xM) return line[last]!.yM;
  let lo = 0;
  let hi = last;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (line[mid]!.xM <= xM) lo = mid;
    else hi = mid;
  }
  const a = line[lo]!;
  const b = line[hi]!;
  const t = b.xM === a.xM ? 0 : (xM - a.xM) / (b.xM - a.xM);
  return a.yM + t * (b.yM - a.yM);
}

/** True where two open segments cross in their interiors. */
export function segmentsCross(a: Place, b: Place, c: Place, d: Place): boolean {
  const side = (p: Place, q: Place, r: Place) =>
    (q.xM - p.xM) * (r.yM - p.yM) - (q.yM - p.yM) * (r.xM - p.xM);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
