import { bilinearInto, clamp, createRandom, smoothstep } from '../core/grid/index';
import { surfaceCurrent, type FlowField } from '../core/water/index';

export interface PaintJob {
  flow: FlowField;
  quantity: 'depth' | 'pace';
  pxPerM: number;
  /** Ramp as L*, a, b at even steps; `fullAt` is its end. */
  ramp: Float64Array;
  rampFullAt: number;
  dim: boolean;
  /** Land: dry and just above the water, as L*, a, b. */
  land: readonly [number, number, number];
  landWet: readonly [number, number, number];
}

/** RGBA, true right up: row 0 is the greatest y. */
export interface PaintedWater {
  width: number;
  height: number;
  rgba: Uint8ClampedArray<ArrayBuffer>;
}

const STREAK_STEPS = 26;
const STREAK_STEP_PX = 1.5;
/** The bank darkens toward the water over this height, m. */
const WET_BAND_M = 0.16;

/**
 * The water as drawn: ramp; stones of the bed seen through; streaks of line-integral noise along
 * the surface current; white where it breaks. Everything but the ramp moves L* alone, so that the
 * reading of the ramp stays true in hue.
 */
export function paintWater(job: PaintJob): PaintedWater {
  const { flow, pxPerM, dim } = job;
  const width = Math.round(flow.nx * flow.cellM * pxPerM);
  const height = Math.round(flow.ny * flow.cellM * pxPerM);
  const rgba = new Uint8ClampedArray(4 * width * height);
  const surface = spreadSurface(flow);
  const current = surfaceCurrent(flow);
  const x0 = flow.x0M - flow.cellM / 2;
  const top = flow.y0M + (flow.ny - 0.5) * flow.cellM;
  const count = width * height;
  const vx = new Float32Array(count);
  const vy = new Float32Array(count);
  const depth = new Float32Array(count);
  for (let row = 0; row < height; row++) {
    const y = top - (row + 0.5) / pxPerM;
    for (let col = 0; col < width; col++) {
      const x = x0 + (col + 0.5) / pxPerM;
      const n = row * width + col;
      depth[n] = bilinearInto(flow, surface, x, y) - bilinearInto(flow, flow.bedM, x, y);
      if (depth[n]! <= 0) continue;
      vx[n] = bilinearInto(flow, current.u, x, y);
      vy[n] = -bilinearInto(flow, current.v, x, y);
    }
  }
  const noise = whiteNoise(count);
  const stonesWide = cellNoise(0.42, 11);
  const stonesSmall = cellNoise(0.2, 12);
  const ramps = job.ramp.length / 3 - 1;
  const out: [number, number, number] = [0, 0, 0];
  for (let row = 0; row < height; row++) {
    const y = top - (row + 0.5) / pxPerM;
    for (let col = 0; col < width; col++) {
      const n = row * width + col;
      const h = depth[n]!;
      const x = x0 + (col + 0.5) / pxPerM;
      if (h <= 0) {
        const wet = Math.exp(h / WET_BAND_M);
        for (let c = 0; c < 3; c++) out[c] = job.land[c]! + wet * (job.landWet[c]! - job.land[c]!);
      } else {
        const speed = Math.hypot(vx[n]!, vy[n]!);
        const value = job.quantity === 'depth' ? h : speed;
        const at = clamp(value / job.rampFullAt) * ramps;
        const i = Math.min(ramps - 1, Math.floor(at));
        for (let c = 0; c < 3; c++) {
          const a = job.ramp[3 * i + c]!;
          out[c] = a + (at - i) * (job.ramp[3 * i + 3 + c]! - a);
        }
        if (job.quantity === 'depth') {
          const stones = 0.6 * stonesWide(x, y) + 0.4 * stonesSmall(x, y) - 0.5;
          out[0] += (dim ? 0.62 : 1) * 2.6 * 2 * stones * Math.exp(-h / 0.32);
        }
        const streak = streakAt(noise, vx, vy, depth, width, height, col, row);
        const gain = clamp(0.5 + 2.6 * speed, 0.6, 2.9);
        out[0] += streak * gain * (dim ? 1.6 : 1.95);
        const froude = speed / Math.sqrt(9.81 * h);
        const white = 0.75 * smoothstep(0.4, 0.85, froude) * smoothstep(0.3, 1.7, streak);
        out[0] += white * ((dim ? 54 : 96) - out[0]);
      }
      labInto(out, rgba, 4 * n);
    }
  }
  return { width, height, rgba };
}

/** Surface carried over dry cells beside water, so that the waterline is level minus bed, not a stair. */
export function spreadSurface(flow: FlowField): Float64Array {
  const { nx, ny } = flow;
  let from = flow.surfaceM.slice();
  for (let pass = 0; pass < 4; pass++) {
    const to = from.slice();
    for (let j = 0; j < ny; j++) {
      for (let i = 0; i < nx; i++) {
        const k = j * nx + i;
        if (!Number.isNaN(from[k]!)) continue;
        let sum = 0;
        let n = 0;
        for (let dj = -1; dj <= 1; dj++) {
          for (let di = -1; di <= 1; di++) {
            if (i + di < 0 || j + dj < 0 || i + di >= nx || j + dj >= ny) continue;
            const z = from[k + dj * nx + di]!;
            if (Number.isNaN(z)) continue;
            sum += z;
            n++;
          }
        }
        if (n > 0) to[k] = sum / n;
      }
    }
    from = to;
  }
  // Far from water: well below any bed.
  return from.map((z, k) => (Number.isNaN(z) ? flow.bedM[k]! - 1 : z));
}

function whiteNoise(count: number): Float32Array {
  const random = createRandom(7);
  return Float32Array.from({ length: count }, () => random() * 2 - 1);
}

/** Line-integral noise: mean of white noise along the streamline through a pixel, about unit spread. */
function streakAt(
  noise: Float32Array,
  vx: Float32Array,
  vy: Float32Array,
  depth: Float32Array,
  width: number,
  height: number,
  col: number,
  row: number,
): number {
  let sum = 0;
  let n = 0;
  for (let way = -1; way <= 1; way += 2) {
    let x = col;
    let y = row;
    for (let s = 0; s < STREAK_STEPS; s++) {
      const k = (y | 0) * width + (x | 0);
      if (depth[k]! <= 0) break;
      sum += noise[k]!;
      n++;
      const u = vx[k]!;
      const v = vy[k]!;
      const speed = Math.sqrt(u * u + v * v) + 1e-6;
      const step = (way * STREAK_STEP_PX * clamp(speed / 0.35, 0.06, 1.6)) / speed;
      x += u * step;
      y += v * step;
      if (x < 0 || y < 0 || x >= width || y >= height) break;
    }
  }
  return n === 0 ? 0 : (sum / n) * Math.sqrt(n) * 1.2;
}

/** 0-1: distance to the nearest of one random point a cell, cell `size` m wide. */
function cellNoise(size: number, seed: number): (xM: number, yM: number) => number {
  const hash = (i: number, j: number, c: number) => {
    let h =
      (Math.imul(i, 374761393) + Math.imul(j, 668265263) + Math.imul(c + seed, 2147483647)) | 0;
    h = Math.imul(h ^ (h >>> 13), 1274126177);
    return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
  };
  return (xM, yM) => {
    const gx = xM / size;
    const gy = yM / size;
    const ci = Math.floor(gx);
    const cj = Math.floor(gy);
    let best = 9;
    for (let j = cj - 1; j <= cj + 1; j++) {
      for (let i = ci - 1; i <= ci + 1; i++) {
        const dx = i + hash(i, j, 1) - gx;
        const dy = j + hash(i, j, 2) - gy;
        const d = dx * dx + dy * dy;
        if (d < best) best = d;
      }
    }
    return Math.min(1, Math.sqrt(best));
  };
}

/** CIELAB (D65) to sRGB bytes. */
function labInto(
  lab: readonly [number, number, number],
  rgba: Uint8ClampedArray,
  at: number,
): void {
  const fy = (lab[0] + 16) / 116;
  const x = 0.95047 * inverse(fy + lab[1] / 500);
  const y = inverse(fy);
  const z = 1.08883 * inverse(fy - lab[2] / 200);
  rgba[at] = gamma(3.2404542 * x - 1.5371385 * y - 0.4985314 * z);
  rgba[at + 1] = gamma(-0.969266 * x + 1.8760108 * y + 0.041556 * z);
  rgba[at + 2] = gamma(0.0556434 * x - 0.2040259 * y + 1.0572252 * z);
  rgba[at + 3] = 255;
}

const inverse = (t: number) => (t > 6 / 29 ? t * t * t : 0.12841854934601665 * (t - 4 / 29));
const gamma = (c: number) =>
  255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * Math.pow(c, 1 / 2.4) - 0.055);
