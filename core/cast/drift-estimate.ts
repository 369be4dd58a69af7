import type { Place } from '../grid/index';
import { fullReachM, layAir } from './air';
import { surfaceInto, type Current } from './drift-current';
import { asideM, isFed, mayBeHeld, wavesOf, type Lay } from './lays';
import { LEAST_FOLLOW_MPS } from './rod';

// Own copy: reached through a getter otherwise, and called some hundred times a candidate.
const surfaceAt = surfaceInto;

/**
 * A quick estimate of clean seconds: ten points of the line as laid go with the water, and the line
 * counts as tight when one of them is farther from the fly than the line between them is long. A
 * ranking only: tension passes a bend, and the sag pulls, so the real drift is mostly shorter.
 * Lays that put the same points down differ by their slack alone and go down the water together.
 */
export interface Proxy {
  x: Float64Array;
  y: Float64Array;
  /** Length of line from the fly to each point, by lay of the set: lay * POINTS + point. */
  arcM: Float64Array;
  whole: Float64Array;
  /** Estimates by lay of the set: until any stretch from the fly is tight, */
  seconds: Float64Array;
  /** and until the whole line to the rod is: the real drift, whose bends pass tension, ends before. */
  boundS: Float64Array;
}

/** A tip higher than this is held over the line, m. */
const RAISED_TIP_M = 1.2;
const POINTS = 10;
const STEP_S = 0.25;
const MICRO_SLACK = 0.02;
const MOST_LAYS = 16;

export const createDriftEstimate = (): Proxy => ({
  x: new Float64Array(POINTS),
  y: new Float64Array(POINTS),
  arcM: new Float64Array(MOST_LAYS * POINTS),
  whole: new Float64Array(MOST_LAYS),
  seconds: new Float64Array(MOST_LAYS),
  boundS: new Float64Array(MOST_LAYS),
});

/** Lays whose points fall in the same places have the same key. */
export const estimateKey = (lay: Lay): string =>
  lay.kind === 'reach' || lay.kind === 'curve' || lay.kind === 'aerial-mend'
    ? `${lay.kind} ${lay.toward} ${lay.amountM}`
    : lay.kind === 'high-stick'
      ? 'high-stick'
      : mayBeHeld(lay.kind)
        ? 'may be held'
        : 'chord';

/** Clean seconds of each lay of one set, as estimated, followed for `seconds`: into `proxy.seconds`. */
export function estimateSecondsInto(
  proxy: Proxy,
  current: Current,
  tip: { xM: number; yM: number; zM: number },
  landing: Place,
  lays: readonly Lay[],
  upRad: number,
  seconds: number,
): void {
  const { x, y, arcM, whole } = proxy;
  const first = lays[0]!;
  const ux = Math.cos(upRad);
  const uy = Math.sin(upRad);
  const shift =
    first.kind === 'reach' ? (first.toward === 'up-current' ? 1 : -1) * first.amountM : 0;
  let tipX = tip.xM + shift * ux;
  let tipY = tip.yM + shift * uy;
  const held = first.kind === 'high-stick' || (mayBeHeld(first.kind) && tip.zM > RAISED_TIP_M);
  const air = layAir(tip.zM, 0, held ? 'over' : 'lowered');
  const distance = apart(tipX, tipY, landing.xM, landing.yM);
  const onWater = Math.max(0.4, distance - air.restReachM);
  const dx = (tipX - landing.xM) / (distance || 1);
  const dy = (tipY - landing.yM) / (distance || 1);
  const stepM = onWater / (POINTS - 1);
  for (let k = 0; k < POINTS; k++) {
    const q = stepM * k;
    const aside = asideM(first, q, onWater);
    x[k] = landing.xM + dx * q + aside * ux;
    y[k] = landing.yM + dy * q + aside * uy;
  }
  const full = fullReachM(air.heightM, air.lengthM);
  lays.forEach((lay, l) => {
    const waves = wavesOf(lay, onWater);
    let arc = 0;
    arcM[l * POINTS] = 0;
    for (let k = 1; k < POINTS; k++) {
      const inWaves = Math.max(0, Math.min(stepM, waves.overM - stepM * (k - 1)));
      arc += apart(x[k]!, y[k]!, x[k - 1]!, y[k - 1]!) * (1 + MICRO_SLACK) + inWaves * waves.share;
      arcM[l * POINTS + k] = arc;
    }
    // Line that is fed, or held up, is not tight at the rod.
    whole[l] = isFed(lay.kind) || held ? Infinity : arc + full;
    proxy.seconds[l] = -1;
    proxy.boundS[l] = -1;
  });
  let left = Math.abs(shift);
  const pace = followPace(proxy, current, shift, ux, uy);
  let open = lays.length;
  for (let t = STEP_S; t <= seconds + 1e-9 && open > 0; t += STEP_S) {
    for (let k = 0; k < POINTS; k++) {
      const s = surfaceAt(current, x[k]!, y[k]!);
      x[k] = x[k]! + STEP_S * s.u;
      y[k] = y[k]! + STEP_S * s.v;
    }
    if (shift !== 0) {
      const go = Math.min(STEP_S * pace, left + Math.abs(shift));
      left -= go;
      tipX -= Math.sign(shift) * go * ux;
      tipY -= Math.sign(shift) * go * uy;
    }
    open -= tightened(proxy, lays.length, apart(x[0]!, y[0]!, tipX, tipY), t - STEP_S);
  }
  // Those that are still loose differ by how loose: more than a moment is not worth telling apart.
  for (let l = 0; l < lays.length; l++) {
    if (proxy.seconds[l]! < 0) proxy.seconds[l] = seconds + Math.min(1, spareM(proxy, l));
    if (proxy.boundS[l]! < 0) proxy.boundS[l] = seconds;
  }
}

/** The least line to spare between the fly and any point, m. */
function spareM({ x, y, arcM }: Proxy, l: number): number {
  let least = Infinity;
  for (let k = 1; k < POINTS; k++)
    least = Math.min(least, arcM[l * POINTS + k]! - apart(x[0]!, y[0]!, x[k]!, y[k]!));
  return least;
}

/** Marks the lays whose line is tight now with the time; returns how many can be let go. */
function tightened(proxy: Proxy, lays: number, toTip: number, t: number): number {
  const { x, y, arcM, whole, seconds, boundS } = proxy;
  let count = 0;
  for (let l = 0; l < lays; l++) {
    if (boundS[l]! >= 0) continue;
    if (seconds[l]! < 0) {
      for (let k = 1; k < POINTS; k++)
        if (apart(x[0]!, y[0]!, x[k]!, y[k]!) > arcM[l * POINTS + k]!) {
          seconds[l] = t;
          break;
        }
    }
    if (!(toTip > whole[l]!)) continue;
    boundS[l] = t;
    if (seconds[l]! < 0) seconds[l] = t;
    count++;
  }
  return count;
}

const apart = (ax: number, ay: number, bx: number, by: number) =>
  Math.sqrt((ax - bx) * (ax - bx) + (ay - by) * (ay - by));

/** A rod that follows goes at the pace of the quickest water under the line. */
function followPace(p: Proxy, current: Current, shift: number, ux: number, uy: number): number {
  let pace = LEAST_FOLLOW_MPS;
  if (shift === 0) return pace;
  for (let k = 0; k < POINTS; k++) {
    const s = surfaceAt(current, p.x[k]!, p.y[k]!);
    pace = Math.max(pace, -Math.sign(shift) * (s.u * ux + s.v * uy));
  }
  return pace;
}
