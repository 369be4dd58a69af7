import { type Place } from '../grid/index';
import { sampleSurface, surfaceCurrent, type FlowField } from '../water/index';
import { satisfied, zoneOf, type Reach } from './reach';

/** Where a fly without a line would go from every place round a fish: its stays within reach. */
export interface FreeMap {
  reach: Reach;
  nx: number;
  ny: number;
  x0M: number;
  y0M: number;
  /** 1 where it is water. */
  wet: Uint8Array;
  /** By place: the stays as [in, out] pairs, s; -1 where there is none. */
  stays: Float64Array;
  /** Longest stay of any, s. */
  naturalS: number;
}

/** Places and extent, m: ahead, behind and aside of the fish; all round where the water is slow. */
export const MAP_CELL_M = 0.1;
const MAP = { aheadM: 2.2, behindM: 0.8, asideM: 1.2 } as const;
const FOLLOWED_S = 8;
const STEP_S = 0.1;
const MOST_STAYS = 3;

// Own copy: reached through a getter otherwise.
const sampleAt = sampleSurface;

/** The map is laid along the plan's axes over a square that holds the fish's own water. */
export function freeMap(flow: FlowField, reach: Reach): FreeMap {
  const { fish } = reach;
  const corners = reach.anySide
    ? [-1, 1].flatMap((a) => [-1, 1].map((b) => [a * MAP.aheadM, b * MAP.aheadM] as const))
    : [MAP.aheadM, -MAP.behindM].flatMap((a) => [-1, 1].map((b) => [a, b * MAP.asideM] as const));
  const cos = Math.cos(fish.headingRad);
  const sin = Math.sin(fish.headingRad);
  const xs = corners.map(([a, b]) => fish.xM + a * cos - b * sin);
  const ys = corners.map(([a, b]) => fish.yM + a * sin + b * cos);
  // Cells are counted from the fish, by twos: the map and the places worth aiming at turn with the stream.
  const out = (m: number) => 2 * Math.ceil(m / (2 * MAP_CELL_M) - 1e-9);
  const lowX = out(fish.xM - Math.min(...xs));
  const lowY = out(fish.yM - Math.min(...ys));
  const x0M = fish.xM - lowX * MAP_CELL_M;
  const y0M = fish.yM - lowY * MAP_CELL_M;
  const nx = lowX + out(Math.max(...xs) - fish.xM) + 1;
  const ny = lowY + out(Math.max(...ys) - fish.yM) + 1;
  const map: FreeMap = {
    reach,
    nx,
    ny,
    x0M,
    y0M,
    wet: new Uint8Array(nx * ny),
    stays: new Float64Array(nx * ny * MOST_STAYS * 2).fill(-1),
    naturalS: 0,
  };
  const current = surfaceCurrent(flow);
  const s = { depthM: 0, u: 0, v: 0 };
  for (let k = 0; k < nx * ny; k++) {
    const xM = x0M + (k % nx) * MAP_CELL_M;
    const yM = y0M + Math.floor(k / nx) * MAP_CELL_M;
    const ahead = (xM - fish.xM) * cos + (yM - fish.yM) * sin;
    const aside = Math.abs(-(xM - fish.xM) * sin + (yM - fish.yM) * cos);
    if (!reach.anySide && (ahead > MAP.aheadM || ahead < -MAP.behindM || aside > MAP.asideM))
      continue;
    sampleAt(current, xM, yM, s);
    if (s.depthM <= 0) continue;
    map.wet[k] = 1;
    followInto(map, k, xM, yM, current, s);
  }
  return map;
}

function followInto(
  map: FreeMap,
  k: number,
  x: number,
  y: number,
  current: ReturnType<typeof surfaceCurrent>,
  s: { depthM: number; u: number; v: number },
): void {
  const { reach, stays } = map;
  const base = k * MOST_STAYS * 2;
  let count = 0;
  let from = -1;
  let fromAhead = false;
  const close = (t: number) => {
    if (from >= 0 && count < MOST_STAYS) {
      stays[base + 2 * count] = from;
      stays[base + 2 * count + 1] = t;
      map.naturalS = Math.max(map.naturalS, t - from);
      count++;
    }
    from = -1;
  };
  const steps = Math.round(FOLLOWED_S / STEP_S);
  for (let n = 0; n <= steps; n++) {
    const t = n * STEP_S;
    const zone = zoneOf(reach, x, y);
    if (zone === 0) {
      close(t);
      fromAhead = false;
    } else {
      if (zone === 2) fromAhead = true;
      if (from < 0 && (fromAhead || reach.anySide)) from = t;
    }
    sampleAt(current, x, y, s);
    if (s.depthM <= 0) break;
    x += s.u * STEP_S;
    y += s.v * STEP_S;
  }
  close(FOLLOWED_S);
}

/** Index of the place nearest to another; -1 outside the map or on land. */
export function placeIn(map: FreeMap, xM: number, yM: number): number {
  const i = Math.round((xM - map.x0M) / MAP_CELL_M);
  const j = Math.round((yM - map.y0M) / MAP_CELL_M);
  if (i < 0 || j < 0 || i >= map.nx || j >= map.ny) return -1;
  const k = j * map.nx + i;
  return map.wet[k] ? k : -1;
}

/** Longest clean stay within reach of a fly that lands at place `k` and drags after `cleanS`, s. */
export function dwellAt(map: FreeMap, k: number, cleanS: number): number {
  let best = 0;
  const base = k * MOST_STAYS * 2;
  for (let n = 0; n < MOST_STAYS; n++) {
    const from = map.stays[base + 2 * n]!;
    if (from < 0) break;
    best = Math.max(best, Math.min(map.stays[base + 2 * n + 1]!, cleanS) - from);
  }
  return best;
}

/** Whether a fly from place `k` still is within reach, or comes there, when it drags. */
export function dragsWithin(map: FreeMap, k: number, cleanS: number): boolean {
  const base = k * MOST_STAYS * 2;
  for (let n = 0; n < MOST_STAYS; n++) {
    if (map.stays[base + 2 * n]! < 0) return false;
    if (map.stays[base + 2 * n + 1]! > cleanS) return true;
  }
  return false;
}

/** When a fly from place `k` first comes within reach, s; null: never. */
export function comesAt(map: FreeMap, k: number): number | null {
  const at = map.stays[k * MOST_STAYS * 2]!;
  return at < 0 ? null : at;
}

/** How far of the fish a natural fly satisfies one from place `k` satisfies, before it drags. */
export const shareAt = (map: FreeMap, k: number, cleanS: number): number =>
  satisfied(map.reach, dwellAt(map, k, cleanS), map.naturalS);

export const placeAt = (map: FreeMap, k: number): Place => ({
  xM: map.x0M + (k % map.nx) * MAP_CELL_M,
  yM: map.y0M + Math.floor(k / map.nx) * MAP_CELL_M,
});
