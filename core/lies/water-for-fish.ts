import { distanceTransform, pointInPolygon, smoothstep } from '../grid/index';
import { featuresOf, shapePlaces, type BeatPlan } from '../formats/index';
import {
  brokenWater,
  createChannel,
  profileRatio,
  settleTracer,
  SOLID,
  type FlowField,
} from '../water/index';
import { GUESS } from './guesses';

/** What a flow offers any fish: computed once, independent of species, size and temperature. */
export interface WaterForFish {
  flow: FlowField;
  /** 1 where wet and open. */
  open: Uint8Array;
  /** Root mean square pace, m/s: felt where eddies are shed. */
  pace: Float64Array;
  froude: Float64Array;
  broken: Float64Array;
  /** What drifts sunk, and what drifts afloat and gathers in eddies; over the inlet's. */
  drift: Float64Array;
  floating: Float64Array;
  /** By column: depth of the deepest slow water near, m, and area of deep water near, m2, along the valley. */
  deepNearM: Float64Array;
  deepNearM2: Float64Array;
  aeration: Float64Array;
  /** Pace over the depth mean at the middle of each of LAYERS layers: index k * LAYERS + layer. */
  layerRatio: Float64Array;
  cover: Float64Array;
  /** Distances, m. */
  toSolidM: Float64Array;
  toBoltM: Float64Array;
  toBankM: Float64Array;
  /** Share of spring water on each cell and its temperature; null where no spring rises. */
  spring: { share: Float64Array; tempC: number } | null;
  /** Deep water told to lie a step away, beyond what is drawn. */
  deepShelter?: { depthM: number; offM: number };
  /** Working arrays of `needs.ts`; a changed copy of the water needs its own. */
  scratch: { seen?: LayersSeen };
  /** Drift within reach, kept for the fish asked for last (see `needs-field.ts`). */
  reachable: Map<string, Reachable>;
}

/**
 * What drifts through each layer of a cell as one fish meets it, filled as cells are visited:
 * pace, share of the reaction distance's square left at it, and what is carried and caught, m2/s.
 */
export interface LayersSeen {
  /** Whose they are: told apart by identity. */
  fish: object;
  generation: number;
  stamp: Int32Array;
  paceOf: Float64Array;
  reachOf: Float64Array;
  carried: Float64Array;
}

/** Energy that passes within reach of each cell and is caught, J/h, and the best pace there, m/s. */
export interface Reachable {
  fluxJph: Float64Array;
  bestMps: Float64Array;
}

/** Layers of depth that drift is counted in. */
export const LAYERS = 5;

const made = new WeakMap<FlowField, { plan: BeatPlan; water: WaterForFish }>();

/** Made once a flow and plan: a change of temperature or size costs none of it. */
export function waterForFish(plan: BeatPlan, flow: FlowField): WaterForFish {
  const known = made.get(flow);
  if (known && known.plan === plan) return known.water;
  const water = makeWater(plan, flow);
  made.set(flow, { plan, water });
  return water;
}

function makeWater(plan: BeatPlan, flow: FlowField): WaterForFish {
  const { nx, ny, cellM } = flow;
  const cells = nx * ny;
  const make = () => new Float64Array(cells);
  const open = new Uint8Array(cells);
  const pace = make();
  const froude = make();
  const broken = make();
  const layerRatio = new Float64Array(cells * LAYERS);
  for (let k = 0; k < cells; k++) {
    const h = flow.depthM[k]!;
    if (h <= 0) continue;
    open[k] = 1;
    pace[k] = Math.sqrt(flow.speedSqM2s2[k]!);
    layersInto(layerRatio, k, h, flow.d84M[k]!);
    froude[k] = pace[k]! / Math.sqrt(9.81 * h);
    broken[k] = brokenWater(froude[k]!, h, flow.d84M[k]!);
  }
  const over = overhead(plan, flow);
  const metres = (mask: ArrayLike<number>) => distanceTransform(nx, ny, mask).map((d) => d * cellM);
  const solidMask = flow.solid.map((s) => (s === SOLID.none ? 0 : 1));
  const toSolidM = metres(solidMask);
  const toLogM = metres(flow.solid.map((s) => (s === SOLID.log ? 1 : 0)));
  const toBoulderM = metres(flow.solid.map((s) => (s === SOLID.boulder ? 1 : 0)));
  const bolt = new Uint8Array(cells);
  const bigBoulders = featuresOf(plan, 'boulder').filter((b) => b.diameterM >= GUESS.boltBoulderM);
  for (let k = 0; k < cells; k++) {
    const log = flow.solid[k] === SOLID.log;
    const boulder = flow.solid[k] === SOLID.boulder && bigBoulders.length > 0;
    if (
      log ||
      boulder ||
      (open[k] && (over.cover[k]! > 0.3 || flow.depthM[k]! >= GUESS.boltDepthM))
    )
      bolt[k] = 1;
  }
  const cover = make();
  for (let k = 0; k < cells; k++) {
    if (!open[k]) continue;
    const log = GUESS.logCover * Math.exp(-toLogM[k]! / GUESS.solidReachM);
    const boulder = GUESS.boulderCover * Math.exp(-toBoulderM[k]! / GUESS.solidReachM);
    cover[k] = 1 - (1 - over.cover[k]!) * (1 - log) * (1 - boulder);
  }
  const land = open.map((o, k) => (o || solidMask[k] ? 0 : 1));
  const drift = settleTracer(flow, open, {
    inlet: 1,
    source: (k) => GUESS.driftFromBroken * broken[k]! + GUESS.driftFromOverhang * over.leaves[k]!,
    ceiling: GUESS.driftCeiling,
    sink: (k) => {
      const settles = 1 - smoothstep(0, GUESS.driftSettlesBelowMps, pace[k]!);
      return (GUESS.driftSettlingMps / flow.depthM[k]!) * settles;
    },
  });
  const floating = settleTracer(flow, open, {
    inlet: 1,
    source: (k) =>
      GUESS.driftFromBroken * broken[k]! +
      GUESS.driftFromOverhang * over.leaves[k]! +
      (flow.u[k]! > 0 ? GUESS.floatGathers : 0),
    ceiling: GUESS.driftCeiling,
    sink: () => 0,
    // Without a sink it settles slowly from the inlet.
    from: drift,
  });
  const aeration = settleTracer(flow, open, {
    inlet: GUESS.airInlet,
    source: (k) => GUESS.airFromBroken * broken[k]!,
    ceiling: 1,
    sink: () => 1 / GUESS.airDecayS,
  });
  return {
    flow,
    open,
    pace,
    froude,
    broken,
    drift,
    floating,
    ...deepWaterNear(flow, pace),
    aeration,
    layerRatio,
    cover,
    toSolidM,
    toBoltM: metres(bolt),
    toBankM: metres(land),
    spring: springWater(plan, flow, open),
    scratch: {},
    reachable: new Map(),
  };
}

/** The deepest slow water and the area of deep water within reach along the valley, by column. */
function deepWaterNear(flow: FlowField, pace: Float64Array) {
  const { nx, ny, cellM, depthM } = flow;
  const deepest = new Float64Array(nx);
  const area = new Float64Array(nx);
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const h = depthM[j * nx + i]!;
      if (pace[j * nx + i]! < GUESS.gatherPaceMps) deepest[i] = Math.max(deepest[i]!, h);
      if (h >= GUESS.offDrift.deepM) area[i]! += cellM * cellM;
    }
  }
  const over = (reachM: number, of: Float64Array, join: (a: number, b: number) => number) => {
    const r = Math.round(reachM / cellM);
    return of.map((_, i) => {
      let value = 0;
      for (let n = Math.max(0, i - r); n <= Math.min(nx - 1, i + r); n++)
        value = join(value, of[n]!);
      return value;
    });
  };
  return {
    deepNearM: over(GUESS.gatherM, deepest, Math.max),
    deepNearM2: over(GUESS.offDrift.withinM, area, (a, b) => a + b),
  };
}

/** Pace over the depth mean at the middle of each layer. */
export function layersInto(ratio: Float64Array, k: number, depthM: number, d84M: number): void {
  for (let n = 0; n < LAYERS; n++)
    ratio[k * LAYERS + n] = profileRatio(((n + 0.5) / LAYERS) * depthM, depthM, d84M);
}

/** How close to a spring's own place its water is taken as unmixed, m. */
const SPRING_REACH_M = 0.6;

/** Spring water carried down-current, thinning out; several springs share one mean temperature. */
function springWater(
  plan: BeatPlan,
  flow: FlowField,
  open: Uint8Array,
): { share: Float64Array; tempC: number } | null {
  const springs = featuresOf(plan, 'spring');
  if (springs.length === 0) return null;
  const tempC =
    springs.reduce((sum, s) => sum + (s.tempC ?? GUESS.springTempC), 0) / springs.length;
  const rises = new Uint8Array(open.length);
  for (let k = 0; k < open.length; k++) {
    if (!open[k]) continue;
    const i = k % flow.nx;
    const place = {
      xM: flow.x0M + i * flow.cellM,
      yM: flow.y0M + ((k - i) / flow.nx) * flow.cellM,
    };
    const near = springs.some((s) =>
      s.shape.type === 'Polygon'
        ? pointInPolygon(place, s.shape.ring)
        : shapePlaces(s.shape).some(
            (p) => Math.hypot(p.xM - place.xM, p.yM - place.yM) <= SPRING_REACH_M,
          ),
    );
    if (near) rises[k] = 1;
  }
  const share = settleTracer(flow, open, {
    inlet: 0,
    source: (k) => (rises[k] ? 5 : 0),
    ceiling: 1,
    sink: () => 1 / GUESS.springFadesS,
  });
  return { share, tempC };
}

/** Cover above each cell: plants over it, weed in it, undercut banks; `leaves` where insects fall from plants. */
function overhead(plan: BeatPlan, flow: FlowField): { cover: Float64Array; leaves: Float64Array } {
  const cells = flow.nx * flow.ny;
  const cover = new Float64Array(cells);
  const leaves = new Float64Array(cells);
  const overhangs = featuresOf(plan, 'overhang');
  const weeds = featuresOf(plan, 'weed');
  const channel = createChannel(plan);
  for (let j = 0; j < flow.ny; j++) {
    for (let i = 0; i < flow.nx; i++) {
      const k = j * flow.nx + i;
      const place = { xM: flow.x0M + i * flow.cellM, yM: flow.y0M + j * flow.cellM };
      let bare = 1;
      for (const o of overhangs) {
        if (o.shape.type !== 'Polygon' || !pointInPolygon(place, o.shape.ring)) continue;
        bare *= 1 - GUESS.overhangCover * Math.exp(-o.clearanceM / GUESS.overhangReachM);
        leaves[k] = 1;
      }
      for (const w of weeds) {
        if (w.shape.type === 'Polygon' && pointInPolygon(place, w.shape.ring))
          bare *= 1 - GUESS.weedCover[w.density];
      }
      for (const side of ['left', 'right'] as const) {
        const bank = channel.bankAt(place.xM, side);
        if (bank.form !== 'undercut') continue;
        const edge = side === 'left' ? channel.leftYM(place.xM) : channel.rightYM(place.xM);
        if (Math.abs(place.yM - edge) <= (bank.cutM ?? 0.4)) bare *= 1 - GUESS.undercutCover;
      }
      cover[k] = 1 - bare;
    }
  }
  return { cover, leaves };
}
