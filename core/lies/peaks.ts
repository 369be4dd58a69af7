import { territoryM2 } from '../fish/index';
import { GUESS } from './guesses';
import { shearAt } from './kinds';
import type { FishDay } from './fish-day';
import { canHold } from './needs';
import type { WaterForFish } from './water-for-fish';

/** Shear that makes a seam worth a second look, 1/s. */
const SEAM_SHEAR = 0.3;

/**
 * Cells that are lies. Tier 1: local maxima within .6 m; tier 2: the best across the channel along
 * a seam. Taken greedily by tier and rating, spaced by the root of the territory (Grant & Kramer
 * 1990), half that where dry ground or a saddle lies between. Tier 3: the best place of each eddy,
 * where the rating only climbs toward the seam, half a spacing off the rest.
 */
export function choosePeaks(water: WaterForFish, day: FishDay, field: Float64Array): number[] {
  const { flow } = water;
  const { nx, ny, cellM } = flow;
  let best = 0;
  for (const r of field) if (r > best) best = r;
  const least = Math.max(GUESS.leastRating, GUESS.leastOfBest * best);
  const radius = Math.round(GUESS.peakRadiusM / cellM);
  const first: number[] = [];
  const second: number[] = [];
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      if (field[k]! < least || !canHold(water, day.at(k), k)) continue;
      if (isPeak(field, nx, ny, i, j, radius, radius)) first.push(k);
      else if (shearAt(water, k) > SEAM_SHEAR && isPeak(field, nx, ny, i, j, 0, radius))
        second.push(k);
    }
  }
  const spacing = Math.sqrt(territoryM2(day.base.body.forkLengthCm));
  const chosen: number[] = [];
  for (const tier of [first, second]) {
    for (const k of tier.sort((a, b) => field[b]! - field[a]! || a - b)) {
      if (chosen.every((c) => farEnough(water, field, k, c, spacing))) chosen.push(k);
    }
  }
  for (const patch of eddies(water, day)) {
    const off = (k: number) => chosen.every((c) => cellsApart(nx, k, c) * cellM >= spacing / 2);
    const inner = patch.filter((k) => off(k) && field[k]! > 0);
    if (inner.length > 0) chosen.push(inner.reduce((a, b) => (field[b]! > field[a]! ? b : a)));
  }
  return chosen;
}

/** Patches of water that turns back up the valley, deep and large enough to hold a fish. */
function eddies(water: WaterForFish, day: FishDay): number[][] {
  const { nx, cellM, u, depthM } = water.flow;
  const { paceMps, areaM2, depthM: least } = GUESS.eddy;
  const turns = (k: number) => u[k]! > paceMps && depthM[k]! >= least && water.open[k] === 1;
  const seen = new Uint8Array(u.length);
  const out: number[][] = [];
  for (let k = 0; k < u.length; k++) {
    if (seen[k] || !turns(k)) continue;
    const patch = [k];
    seen[k] = 1;
    for (let n = 0; n < patch.length; n++) {
      const own = patch[n]!;
      const i = own % nx;
      for (const next of [own - nx, own + nx, i > 0 ? own - 1 : -1, i < nx - 1 ? own + 1 : -1]) {
        if (next < 0 || next >= u.length || seen[next] || !turns(next)) continue;
        seen[next] = 1;
        patch.push(next);
      }
    }
    if (patch.length * cellM * cellM >= areaM2)
      out.push(patch.filter((c) => canHold(water, day.at(c), c)));
  }
  return out;
}

const cellsApart = (nx: number, a: number, b: number) => {
  const [ax, bx] = [a % nx, b % nx];
  return Math.hypot(ax - bx, (a - ax) / nx - (b - bx) / nx);
};

function isPeak(
  field: Float64Array,
  nx: number,
  ny: number,
  ci: number,
  cj: number,
  ri: number,
  rj: number,
): boolean {
  const own = field[cj * nx + ci]!;
  for (let j = Math.max(0, cj - rj); j <= Math.min(ny - 1, cj + rj); j++) {
    for (let i = Math.max(0, ci - ri); i <= Math.min(nx - 1, ci + ri); i++) {
      const other = field[j * nx + i]!;
      if (other > own || (other === own && j * nx + i < cj * nx + ci)) return false;
    }
  }
  return true;
}

function farEnough(
  water: WaterForFish,
  field: Float64Array,
  a: number,
  b: number,
  spacingM: number,
): boolean {
  const { nx, cellM } = water.flow;
  const ax = a % nx;
  const ay = (a - ax) / nx;
  const bx = b % nx;
  const by = (b - bx) / nx;
  const distance = Math.hypot(ax - bx, ay - by) * cellM;
  if (distance >= spacingM) return true;
  if (distance < spacingM / 2) return false;
  const saddle = GUESS.saddleShare * Math.min(field[a]!, field[b]!);
  const steps = Math.ceil((distance / cellM) * 2);
  for (let s = 1; s < steps; s++) {
    const k =
      Math.round(ay + ((by - ay) * s) / steps) * nx + Math.round(ax + ((bx - ax) * s) / steps);
    if (!water.open[k] || field[k]! < saddle) return true;
  }
  return false;
}
