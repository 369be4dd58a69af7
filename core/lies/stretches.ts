import type { LieKind } from './kinds';

/** What a row is made of. */
interface InRow {
  id: string;
  xM: number;
  yM: number;
  kind: LieKind;
  rating: number;
}

/** An even edge told as one: lies of one kind in a row, each like the next. */
export interface LieStretch {
  kind: LieKind;
  /** In order up-current. */
  lieIds: string[];
  lengthM: number;
  /** Fish it is likely to hold: the lies' chances summed, 10th and 90th percentile. */
  low: number;
  high: number;
}

/** Kinds that run along something. */
const EDGES: readonly LieKind[] = [
  'undercut',
  'overhang',
  'margin',
  'seam',
  'foam-line',
  'tongue-edge',
  'run',
  'weed-lane',
];
/** A row goes on while the next lies within this, aside and along, m, and is rated like it. */
const NEXT = { alongM: 5, asideM: 1, rating: 20 };
const LEAST_LIES = 3;
const TENTH = 1.2816;

/** Rows of three lies and more that an angler would call one edge. */
export function stretchesOf(lies: readonly InRow[]): LieStretch[] {
  const out: LieStretch[] = [];
  for (const kind of EDGES) {
    const left = lies.filter((l) => l.kind === kind).sort((a, b) => a.xM - b.xM);
    while (left.length > 0) {
      const row = [left.shift()!];
      for (let i = 0; i < left.length;) {
        const last = row[row.length - 1]!;
        const next = left[i]!;
        const follows =
          next.xM - last.xM <= NEXT.alongM &&
          Math.abs(next.yM - last.yM) <= NEXT.asideM + 0.3 * (next.xM - last.xM) &&
          Math.abs(next.rating - last.rating) <= NEXT.rating;
        if (follows) row.push(...left.splice(i, 1));
        else i++;
      }
      if (row.length >= LEAST_LIES) out.push(stretch(kind, row));
    }
  }
  return out.sort((a, b) => b.high - a.high);
}

function stretch(kind: LieKind, row: InRow[]): LieStretch {
  const chances = row.map((l) => l.rating / 100);
  const mean = chances.reduce((a, b) => a + b, 0);
  const off = TENTH * Math.sqrt(chances.reduce((sum, p) => sum + p * (1 - p), 0));
  const first = row[0]!;
  const last = row[row.length - 1]!;
  return {
    kind,
    lieIds: row.map((l) => l.id),
    lengthM: Math.hypot(last.xM - first.xM, last.yM - first.yM),
    low: Math.max(0, Math.round(mean - off)),
    high: Math.min(row.length, Math.max(1, Math.round(mean + off))),
  };
}
