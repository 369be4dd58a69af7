/** A box on the page: left, top, width, height, px. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** A label that asks for room. */
export interface LabelAsk {
  id: string;
  w: number;
  h: number;
  /** Where its middle may stand, the best first. */
  spots: readonly (readonly [x: number, y: number])[];
  /** More important ones choose first; the same importance goes by order. */
  priority: number;
  /** What it belongs to: a spot farther than `reach` from it gets a line back to it. */
  mark?: readonly [x: number, y: number];
  reach?: number;
}

export interface LabelSpot {
  /** Middle of the label. */
  x: number;
  y: number;
  /** From the mark to the label's edge; null when it stands beside its mark. */
  leader: readonly [x1: number, y1: number, x2: number, y2: number] | null;
}

/** Free paper round a label and at the edge of the sheet, px. */
const GAP_PX = 2;
const EDGE_PX = 3;

export const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/**
 * One rule for every label of a drawing: in the order of importance each takes the first of its spots
 * that lies on the sheet, over no mark and over no label placed before; one that finds none is left
 * out. Same asks, same answer. O(labels x spots x (marks + labels)).
 */
export function placeLabels(
  asks: readonly LabelAsk[],
  marks: readonly Box[],
  sheet: { width: number; height: number },
): Map<string, LabelSpot> {
  const taken: Box[] = [...marks];
  const out = new Map<string, LabelSpot>();
  const inOrder = asks
    .map((ask, i) => ({ ask, i }))
    .sort((a, b) => b.ask.priority - a.ask.priority || a.i - b.i);
  for (const { ask } of inOrder) {
    for (const [x, y] of ask.spots) {
      const box = { x: x - ask.w / 2, y: y - ask.h / 2, w: ask.w, h: ask.h };
      if (!onSheet(box, sheet) || taken.some((b) => overlap(grown(box), b))) continue;
      taken.push(box);
      out.set(ask.id, { x, y, leader: leaderOf(ask, box) });
      break;
    }
  }
  return out;
}

const grown = (b: Box): Box => ({
  x: b.x - GAP_PX,
  y: b.y - GAP_PX,
  w: b.w + 2 * GAP_PX,
  h: b.h + 2 * GAP_PX,
});

const onSheet = (b: Box, { width, height }: { width: number; height: number }) =>
  b.x >= EDGE_PX && b.y >= EDGE_PX && b.x + b.w <= width - EDGE_PX && b.y + b.h <= height - EDGE_PX;

function leaderOf({ mark, reach = Infinity }: LabelAsk, box: Box): LabelSpot['leader'] {
  if (!mark) return null;
  const x = Math.min(box.x + box.w, Math.max(box.x, mark[0]));
  const y = Math.min(box.y + box.h, Math.max(box.y, mark[1]));
  return Math.hypot(x - mark[0], y - mark[1]) > reach ? [mark[0], mark[1], x, y] : null;
}

export type Side = 'right' | 'left' | 'above' | 'below';
/** Unit steps round a mark, from right, against the sun. */
const ROUND: readonly (readonly [number, number])[] = [
  [1, 0],
  [0.72, -0.72],
  [0, -1],
  [-0.72, -0.72],
  [-1, 0],
  [-0.72, 0.72],
  [0, 1],
  [0.72, 0.72],
];
const FIRST: Record<Side, number> = { right: 0, above: 2, left: 4, below: 6 };
/** How much farther out the next rings of spots lie, px; from the second on a line leads back. */
const RINGS_PX = [0, 16, 34, 58];

/**
 * Spots for a label of w x h round a mark of radius `clear`: all sides beside it, the preferred one and
 * its neighbours first, then farther out.
 */
export function spotsRound(
  [x, y]: readonly [number, number],
  { w, h }: { w: number; h: number },
  clear: number,
  prefer: Side,
): [number, number][] {
  const first = FIRST[prefer];
  const sides = [0, 1, -1, 4, 2, -2, 3, -3].map((turn) => ROUND[(first + turn + 8) % 8]!);
  return RINGS_PX.flatMap((out) =>
    sides.map(([ux, uy]): [number, number] => {
      const off = clear + out + GAP_PX + 1;
      return [x + ux * off + Math.sign(ux) * (w / 2), y + uy * off + Math.sign(uy) * (h / 2)];
    }),
  );
}
