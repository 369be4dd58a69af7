import { distanceTransform, pointInPolygon, smoothstep } from '../grid/index';
import { featuresOf, type BeatPlan } from '../formats/index';
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
  drift: Float64Array;
  aeration: Float64Array;
  /** Pace over the depth mean at the middle of each of LAYERS layers: index k * LAYERS + layer. */
  layerRatio: Float64Array;
  cover: Float64Array;
  /** Distances, m. */
  toSolidM: Float64Array;
  toBoltM: Float64Array;
  toBankM: Float64Array;
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
    for (let n = 0; n < LAYERS; n++) {
      layerRatio[k * LAYERS + n] = profileRatio(((n + 0.5) / LAYERS) * h, h, flow.d84M[k]!);
    }
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
    aeration,
    layerRatio,
    cover,
    toSolidM,
    toBoltM: metres(bolt),
    toBankM: metres(land),
  };
}

/** Cover above each cell: overhanging plants and undercut banks; `leaves` where insects fall from plants. */
function overhead(plan: BeatPlan, flow: FlowField): { cover: Float64Array; leaves: Float64Array } {
  const cells = flow.nx * flow.ny;
  const cover = new Float64Array(cells);
  const leaves = new Float64Array(cells);
  const overhangs = featuresOf(plan, 'overhang');
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
