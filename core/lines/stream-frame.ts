import { createTangentPlane } from '../formats/index';
import { distanceToPolyline, type Place } from '../grid/index';
import type { LonLat, TakenLine } from './lines-taken';

/** A beat is so long, m. */
export const LENGTH = { min: 5, max: 150 } as const;
/** What lies further from both banks is of another place, m. */
const NEAR_M = 15;
const SAMPLES = 40;

/** A stretch between two banks in its own frame: x up-current from its foot, y toward the true right, m. */
export interface Stretch {
  lengthM: number;
  bearingDeg: number;
  anchor: { lat: number; lon: number };
  left: Place[];
  right: Place[];
  /** So many places of the banks, where they turn back along the stream, are left out. */
  turned: number;
  /** So much of it, up-current, is more than a beat, m. */
  overM: number;
  put: (at: LonLat) => Place;
  /** Whether a place is on the beat, or as near as what belongs to it. */
  isNear: (p: Place) => boolean;
}

/**
 * The stretch where two banks lie beside each other. Their sides, seen looking down-current, tell which
 * way the water runs. Where it is shorter than a beat: how long it is, m.
 */
export function stretchBetween(
  leftLines: readonly TakenLine[],
  rightLines: readonly TakenLine[],
): Stretch | { besideM: number } {
  const frame = frameOf(joined(leftLines), joined(rightLines));
  const [left, right] = [ascending(leftLines, frame), ascending(rightLines, frame)];
  const from = Math.max(left.line[0]!.xM, right.line[0]!.xM);
  const to = Math.min(left.line.at(-1)!.xM, right.line.at(-1)!.xM);
  if (to - from < LENGTH.min) return { besideM: Math.max(0, to - from) };
  const lengthM = Math.floor(100 * Math.min(to - from, LENGTH.max)) / 100;
  const moved = ({ xM, yM }: Place): Place => ({ xM: xM - from, yM });
  const banks = {
    left: clipped(left.line.map(moved), lengthM),
    right: clipped(right.line.map(moved), lengthM),
  };
  const [lon, lat] = frame.plane.toLonLat({ xM: from, yM: 0 });
  return {
    lengthM,
    bearingDeg: frame.bearingDeg,
    anchor: { lat, lon },
    ...banks,
    turned: left.dropped + right.dropped,
    overM: Math.max(0, to - from - LENGTH.max),
    put: (at) => moved(frame.plane.toPlan(at[0], at[1])),
    isNear: (p) =>
      p.xM > -NEAR_M &&
      p.xM < lengthM + NEAR_M &&
      (between(p, banks) ||
        Math.min(distanceToPolyline(p, banks.left), distanceToPolyline(p, banks.right)) < NEAR_M),
  };
}

interface Frame {
  plane: ReturnType<typeof createTangentPlane>;
  bearingDeg: number;
}

/** The parts of one bank as one list, each part after the one whose end it is nearest to. */
function joined(lines: readonly TakenLine[]): LonLat[] {
  const rest = lines.map((l) => [...l.at]);
  const out = rest.shift()!;
  const gap = (a: LonLat, b: LonLat) =>
    Math.hypot((a[0] - b[0]) * Math.cos((a[1] * Math.PI) / 180), a[1] - b[1]);
  while (rest.length > 0) {
    const ways = rest.flatMap((part, i) => [
      { i, gap: gap(out.at(-1)!, part[0]!), put: () => out.push(...part) },
      { i, gap: gap(out.at(-1)!, part.at(-1)!), put: () => out.push(...part.toReversed()) },
      { i, gap: gap(out[0]!, part.at(-1)!), put: () => out.unshift(...part) },
      { i, gap: gap(out[0]!, part[0]!), put: () => out.unshift(...part.toReversed()) },
    ]);
    const best = ways.reduce((a, b) => (b.gap < a.gap ? b : a));
    best.put();
    rest.splice(best.i, 1);
  }
  return out;
}

/** x up-current along the chord of the middle: up-current is where the left bank lies right. */
function frameOf(left: LonLat[], right: LonLat[]): Frame {
  const [lon, lat] = left[0]!;
  const plane = createTangentPlane({ lat, lon }, 0);
  const flat = (line: LonLat[]) => line.map((p) => plane.toPlan(p[0], p[1]));
  const l = evenly(flat(left));
  let r = evenly(flat(right));
  const apart = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);
  if (
    apart(l[0]!, r[0]!) + apart(l.at(-1)!, r.at(-1)!) >
    apart(l[0]!, r.at(-1)!) + apart(l.at(-1)!, r[0]!)
  )
    r = r.toReversed();
  const middle = l.map((p, i) => ({ xM: (p.xM + r[i]!.xM) / 2, yM: (p.yM + r[i]!.yM) / 2 }));
  const along = { xM: middle.at(-1)!.xM - middle[0]!.xM, yM: middle.at(-1)!.yM - middle[0]!.yM };
  // Bearing 0: x is north, y west. Positive: the left bank lies left of this way along the middle.
  const side = l.reduce(
    (sum, p, i) => sum + along.xM * (p.yM - r[i]!.yM) - along.yM * (p.xM - r[i]!.xM),
    0,
  );
  const up = side > 0 ? -1 : 1;
  const foot = up > 0 ? middle[0]! : middle.at(-1)!;
  const bearingDeg = (Math.atan2(-up * along.yM, up * along.xM) * 180) / Math.PI;
  const turned = Math.round(10 * ((bearingDeg + 360) % 360)) / 10;
  const [footLon, footLat] = plane.toLonLat(foot);
  return { plane: createTangentPlane({ lat: footLat, lon: footLon }, turned), bearingDeg: turned };
}

/** So many places at even steps along a line. */
function evenly(line: readonly Place[]): Place[] {
  const at = [0];
  for (let i = 1; i < line.length; i++)
    at.push(at[i - 1]! + Math.hypot(line[i]!.xM - line[i - 1]!.xM, line[i]!.yM - line[i - 1]!.yM));
  let i = 1;
  return Array.from({ length: SAMPLES }, (_, n) => {
    const s = (at.at(-1)! * n) / (SAMPLES - 1);
    while (i < line.length - 1 && at[i]! < s) i++;
    const t = Math.min(1, Math.max(0, (s - at[i - 1]!) / (at[i]! - at[i - 1]!)));
    return mixed(line[i - 1]!, line[i]!, t);
  });
}

const mixed = (a: Place, b: Place, t: number): Place => ({
  xM: a.xM + t * (b.xM - a.xM),
  yM: a.yM + t * (b.yM - a.yM),
});

/** A bank in the frame, rising in x; places where it turns back are dropped, and counted. */
function ascending(
  lines: readonly TakenLine[],
  { plane }: Frame,
): { line: Place[]; dropped: number } {
  const all = joined(lines).map((p) => plane.toPlan(p[0], p[1]));
  const run = all[0]!.xM <= all.at(-1)!.xM ? all : all.toReversed();
  const line: Place[] = [];
  for (const p of run) if (line.length === 0 || p.xM > line.at(-1)!.xM) line.push(p);
  return { line, dropped: run.length - line.length };
}

/** From 0 to a length, its ends on the line. */
function clipped(line: readonly Place[], lengthM: number): Place[] {
  const at = (xM: number): Place => {
    const i = Math.max(
      1,
      line.findIndex((p) => p.xM >= xM),
    );
    const [a, b] = [line[i - 1]!, line[i]!];
    return { xM, yM: mixed(a, b, (xM - a.xM) / (b.xM - a.xM)).yM };
  };
  const inner = line.filter((p) => p.xM > 1e-6 && p.xM < lengthM - 1e-6);
  return [at(0), ...inner, at(lengthM)];
}

function between(p: Place, banks: Record<'left' | 'right', Place[]>): boolean {
  const yAt = (line: Place[]) => {
    const i = line.findIndex((q) => q.xM >= p.xM);
    return i <= 0
      ? null
      : mixed(line[i - 1]!, line[i]!, (p.xM - line[i - 1]!.xM) / (line[i]!.xM - line[i - 1]!.xM))
          .yM;
  };
  const [a, b] = [yAt(banks.left), yAt(banks.right)];
  return a !== null && b !== null && p.yM >= Math.min(a, b) && p.yM <= Math.max(a, b);
}
