import { clamp, distanceTransform, lerp } from '../grid/index';
import { ASSIMILATED, depthSuitability, swimmingCost } from '../fish/index';
import { noseSpeedMps } from '../water/index';
import type { FishDay, FishToday } from './fish-day';
import { GUESS } from './guesses';
import { ratingOf, type Method, type Weighed } from './methods';
import { LAYERS, type LayersSeen, type WaterForFish } from './water-for-fish';

/** What one place offers this fish. Paces m/s, energies J/h, needs 0-1. */
export interface PlaceNeeds extends Weighed {
  noseMps: number;
  bestWithinReachMps: number;
  fluxJph: number;
  intakeJph: number;
  costJph: number;
  profitJph: number;
  oxygenMgL: number;
  temperature: number;
  warmth: number;
}

const BIN_M = 0.1;
/** Out to here drift is counted in single bins, m: most of it is taken nearer. */
const NEAR_M = 0.8;

/** Reused by the sweep over a field, so that nothing is allocated a cell. */
export function createPlaceNeeds(): PlaceNeeds {
  return {
    noseMps: 0,
    bestWithinReachMps: 0,
    fluxJph: 0,
    intakeJph: 0,
    costJph: 0,
    profitJph: 0,
    oxygenMgL: 0,
    temperature: 0,
    warmth: 0,
    idle: 0,
    food: 0,
    ease: 0,
    shelter: 0,
    shelterNear: 0,
    oxygen: 0,
    profit: 0,
  };
}

/** False where it is dry or too shallow for the body. */
export function canHold(water: WaterForFish, fish: FishToday, k: number): boolean {
  return water.open[k] === 1 && water.flow.depthM[k]! >= fish.leastDepthM;
}

/** Evaluates cell `k`, which must hold (`canHold`), into `out`. */
export function placeNeedsInto(
  water: WaterForFish,
  day: FishDay,
  k: number,
  out: PlaceNeeds,
): PlaceNeeds {
  driftWithinReachInto(water, day.at(k), k, out);
  return needsFromDriftInto(water, day, k, out);
}

/** The same, with `fluxJph` and `bestWithinReachMps` of `out` already known. */
export function needsFromDriftInto(
  water: WaterForFish,
  day: FishDay,
  k: number,
  out: PlaceNeeds,
): PlaceNeeds {
  const { flow } = water;
  const fish = day.at(k);
  out.noseMps = noseSpeedMps(
    water.pace[k]!,
    water.flow.depthM[k]!,
    flow.d84M[k]!,
    fish.body.lengthM,
    water.toSolidM[k]!,
    fish.noseHeightM,
  );
  out.costJph = fish.restCostJph * swimmingCost(out.noseMps);
  const appetite = fish.appetiteJph;
  out.intakeJph = appetite > 0 ? appetite * (1 - Math.exp(-out.fluxJph / appetite)) : 0;
  out.profitJph = ASSIMILATED * out.intakeJph - out.costJph;
  out.food = appetite > 0 ? out.intakeJph / appetite : 0;
  out.ease = clamp((fish.powerJph - out.costJph) / (fish.powerJph - fish.restCostJph));
  out.shelter = shelterOf(water, day, k);
  out.shelterNear =
    day.options.method === 'thin-seams' ? shelterNear(water, day, k, out.shelter) : out.shelter;
  out.oxygenMgL = fish.saturationMgL * (0.8 + 0.2 * water.aeration[k]!);
  out.oxygen = clamp((out.oxygenMgL - fish.oxygenNeededMgL + 3) / 3);
  // Breaking even is bearable, not the worst: 0 where it loses what rest costs, 1 at the most it could gain.
  const mostProfit = ASSIMILATED * appetite - fish.restCostJph;
  const span = mostProfit + fish.restCostJph;
  out.profit = span > 0 ? clamp((out.profitJph + fish.restCostJph) / span) : 0;
  out.temperature = fish.temperature;
  out.warmth = fish.warmth;
  out.idle = fish.idle;
  return out;
}

export const rated = (n: PlaceNeeds, method: Method) => ratingOf(n, n.warmth, method);

/** How well a place hides this fish, 0-1. */
export const shelterOf = (water: WaterForFish, day: FishDay, k: number): number =>
  shelterAt(water, day.at(k), k, day.shade === null ? 0 : day.shade[k]!);

/** How far every place is from one that would keep this fish, m. */
export function toShelterM(water: WaterForFish, day: FishDay): Float64Array {
  let far = distances.get(day);
  if (far) return far;
  const { nx, ny, cellM } = water.flow;
  const shelters = water.open.map((_, k) =>
    canHold(water, day.at(k), k) && shelterOf(water, day, k) >= GUESS.keepShelter ? 1 : 0,
  );
  far = distanceTransform(nx, ny, shelters).map((d) => d * cellM);
  if (toldShelter(water, day)) far = far.map((d) => Math.min(d, water.deepShelter!.offM));
  distances.set(day, far);
  return far;
}
const distances = new WeakMap<FishDay, Float64Array>();

/** Per fish, whether each place would keep it: 0 not asked yet, 1 no, 2 yes. */
const keepers = new WeakMap<FishDay, Uint8Array>();

/** The same of one place alone: looked for outward from it, so that only what lies near is weighed. */
export function offShelterM(water: WaterForFish, day: FishDay, k: number, mostM: number): number {
  const { nx, ny, cellM } = water.flow;
  let kept = keepers.get(day);
  if (!kept) keepers.set(day, (kept = new Uint8Array(nx * ny)));
  const i0 = k % nx;
  const j0 = (k - i0) / nx;
  const most = Math.min(Math.max(nx, ny), Math.ceil(mostM / cellM));
  let nearest2 = Infinity;
  for (let r = 0; r <= most && r * r < nearest2; r++) {
    for (let j = Math.max(0, j0 - r); j <= Math.min(ny - 1, j0 + r); j++) {
      // Of the rows between only the two ends belong to the ring.
      const step = j === j0 - r || j === j0 + r ? 1 : Math.max(1, 2 * r);
      for (let i = i0 - r; i <= i0 + r; i += step) {
        if (i < 0 || i >= nx) continue;
        const n = j * nx + i;
        if (kept[n] === 0)
          kept[n] =
            canHold(water, day.at(n), n) && shelterOf(water, day, n) >= GUESS.keepShelter ? 2 : 1;
        const off2 = (i - i0) ** 2 + (j - j0) ** 2;
        if (kept[n] === 2 && off2 < nearest2) nearest2 = off2;
      }
    }
  }
  const farM = Math.sqrt(nearest2) * cellM;
  return toldShelter(water, day) ? Math.min(farM, water.deepShelter!.offM) : farM;
}

/** Whether what was told to lie a step away, beyond the water that is drawn, shelters such a fish. */
const toldShelter = ({ deepShelter }: WaterForFish, day: FishDay): boolean =>
  Boolean(deepShelter) &&
  deepShelter!.depthM >= Math.max(GUESS.boltSideM, 2 * day.base.leastDepthM);

/** A large fish comes to feed as far from shelter as the light allows. */
function shelterNear(water: WaterForFish, day: FishDay, k: number, own: number): number {
  const { reachM } = GUESS.feedLight[day.options.feedLight ?? 'soft'];
  return Math.max(own, GUESS.shelterNear * (1 - toShelterM(water, day)[k]! / reachM));
}

function shelterAt(water: WaterForFish, fish: FishToday, k: number, shade: number): number {
  const size = Math.sqrt(fish.body.totalLengthCm / 25);
  const depthM = water.flow.depthM[k]!;
  const { cold, sightM } = fish;
  const feeds = 1 - cold;
  // What counts for nothing today is not worked out: a power costs more than all the rest.
  const refuge =
    cold > 0 ? 1 - Math.exp(-((depthM / (GUESS.refugeDepthM * size)) ** GUESS.refugeSteepness)) : 0;
  const depth = 1 - feeds * 0.9 * depthSuitability(depthM / size) - cold * refuge;
  const bolt = 1 - feeds * 0.45 * Math.exp(-water.toBoltM[k]! / (1.5 * fish.swimming));
  const stained = clamp(1 - sightM / GUESS.stainBelowSightM);
  const stain = stained > 0 ? GUESS.stainCover * stained * (1 - Math.exp(-depthM / sightM)) : 0;
  const open =
    depth *
    (1 - water.cover[k]!) *
    (1 - feeds * 0.55 * water.broken[k]!) *
    bolt *
    (1 - feeds * stain) *
    (1 - feeds * GUESS.shadeCover * shade);
  return (1 - open) ** fish.shelterExponent;
}

/**
 * Energy of the drift that passes within reach and is caught, J/h: both sides of the nose across
 * the current in bins of .1 m (twice that beyond `NEAR_M`), five layers of depth;
 * reach^2 = RD^2 (1 - (u/Vmax)^2) - (z - zn)^2 (Hughes & Dill 1990), caught
 * 1/(1 + e^(3(u/V50 - 1))). A walk stops at dry ground.
 */
export function driftWithinReachInto(
  water: WaterForFish,
  fish: FishToday,
  k: number,
  out: PlaceNeeds,
): void {
  const { flow } = water;
  const { nx, ny, cellM } = flow;
  const speed = Math.hypot(flow.u[k]!, flow.v[k]!);
  const ax = speed > 0.005 ? -flow.v[k]! / speed : 0;
  const ay = speed > 0.005 ? flow.u[k]! / speed : 1;
  const i0 = k % nx;
  const j0 = (k - i0) / nx;
  const { reactionM2, preyJPerM3, noseHeightM } = fish;
  const kinds = reactionM2.length;
  const far2 = reactionM2[kinds - 1]!;
  const far = Math.sqrt(far2);
  // Own copies: an imported constant is read through a getter.
  const layers = LAYERS;
  const binM = BIN_M;
  const nearM = NEAR_M;
  const { open } = water;
  const { depthM } = flow;
  const seen = layersSeenBy(water, fish);
  const { stamp, generation, paceOf, reachOf, carried } = seen;
  let flux = 0;
  let best = 0;
  for (let side = -1; side <= 1; side += 2) {
    let next = side < 0 ? binM : 0;
    while (next <= far) {
      const y = next;
      const widthM = y < nearM ? binM : 2 * binM;
      next += widthM;
      const i = i0 + side * evenRound((y * ax) / cellM);
      const j = j0 + side * evenRound((y * ay) / cellM);
      if (i < 0 || j < 0 || i >= nx || j >= ny) break;
      const n = j * nx + i;
      if (open[n] === 0) break;
      if (stamp[n] !== generation) fillLayers(water, fish, seen, n);
      const dz = depthM[n]! / layers;
      for (let layer = 0; layer < layers; layer++) {
        const share = reachOf[n * layers + layer]!;
        const dzn = (layer + 0.5) * dz - noseHeightM;
        const off2 = y * y + dzn * dzn;
        if (off2 > far2 * share) continue;
        let energy = 0;
        // Larger prey is seen farther: from the largest down, until one is too small to be seen.
        for (let p = kinds - 1; p >= 0 && off2 <= reactionM2[p]! * share; p--)
          energy += preyJPerM3[p]!;
        const w = paceOf[n * layers + layer]!;
        if (w > best) best = w;
        flux += energy * carried[n * layers + layer]! * widthM;
      }
    }
  }
  out.fluxJph = flux * 3600;
  out.bestWithinReachMps = best;
}

/** One set of arrays a water, taken over by whichever fish asks. */
function layersSeenBy(water: WaterForFish, fish: FishToday): LayersSeen {
  const { scratch } = water;
  const cells = water.open.length;
  scratch.seen ??= {
    fish,
    generation: 1,
    stamp: new Int32Array(cells),
    paceOf: new Float64Array(cells * LAYERS),
    reachOf: new Float64Array(cells * LAYERS),
    carried: new Float64Array(cells * LAYERS),
  };
  const { seen } = scratch;
  if (seen.fish !== fish) {
    seen.fish = fish;
    seen.generation++;
  }
  return seen;
}

function fillLayers(water: WaterForFish, fish: FishToday, seen: LayersSeen, n: number): void {
  const vmax2 = fish.vmaxMps ** 2;
  const v50 = GUESS.captureHalfSpeed * fish.vmaxMps;
  const dz = water.flow.depthM[n]! / LAYERS;
  const drift = lerp(water.drift[n]!, water.floating[n]!, fish.floatingShare);
  for (let m = n * LAYERS; m < (n + 1) * LAYERS; m++) {
    const w = water.pace[n]! * water.layerRatio[m]!;
    seen.paceOf[m] = w;
    seen.reachOf[m] = 1 - (w * w) / vmax2;
    const caught = 1 / (1 + Math.exp(GUESS.captureSteepness * (w / v50 - 1)));
    seen.carried[m] = drift * caught * w * dz;
  }
  seen.stamp[n] = seen.generation;
}

/** Halves away from nought, so that both sides of the nose are looked at alike. */
const evenRound = (v: number) => (v < 0 ? -Math.round(-v) : Math.round(v));
