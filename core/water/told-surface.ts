import { clamp, memoizeByObject, type Place } from '../grid/index';
import { featuresOf, type BeatPlan } from '../formats/index';
import { buildBed, SOLID, type Bed } from './bed';
import { createChannel, type Channel } from './channel';
import { frictionCoefficient } from './resistance';

const GRAVITY = 9.81;
/** Cells on which the surface is reckoned, whatever the solve's own: it is so the same at every sharpness. */
export const SURFACE_CELL_M = 0.4;
/** What a slope can be that water takes of itself. */
const SLOPE = { least: 0.0002, most: 0.15 };
/** Where water slows, half its head is lost in eddies (common in backwater reckoning: .3 to .5). */
const HEAD_KEPT_SLOWING = 0.5;
/** Spreads of what is known, in the logarithm: the bed's roughness; a fall by eye, by a level (our guesses). */
const SPREAD = { roughness: 0.3, fall: 0.3, levelled: 0.1 };
const ROUGHNESS = { least: 0.5, most: 2 };
/** A ledge this near an end is left without a lip: what stands beyond it is not known, m. */
const LIP_OFF_ENDS_M = 1;
/** The lip of a ledge is this long, up-current of its edge, m. */
export const LIP_LENGTH_M = 0.4;

/**
 * The surface that makes the told depths right at the surveyed discharge, and what it took: the
 * fall and the roughness that were told or assumed, each moved by its share of the disagreement.
 */
export interface ToldSurface {
  /** The channel under this surface. */
  channel: Channel;
  /** Factor on the bed's friction (on n; the stones' law takes its square). */
  roughness: number;
  /** Fall between the ends without the ledges, m: as told, null where none was; as used. */
  fallToldM: number | null;
  fallUsedM: number;
}

/**
 * Column by column on the told depths: conveyance K = sum h sqrt(g h / cf) dy, slope S = (Q/K)^2,
 * head e = (Q/A)^2 / 2g without solid cells; going up-current dz = S dx + (e below - e here), the
 * second term halved where the water slows going down, and left out across ledges, whose drop is
 * told. Roughness and fall share what the told fall asks by their spreads. A plan that was
 * calibrated keeps its factor, one told no fall takes 1; the fall gives way. Derived (gradually
 * varied flow; Chow 1959 ch. 10).
 */
export const toldSurface = memoizeByObject((plan: BeatPlan): ToldSurface => {
  const told = createChannel(plan);
  // Where no depth was taken there is nothing to shape the surface by.
  if (![...featuresOf(plan, 'section'), ...featuresOf(plan, 'sounding')].length)
    return { channel: told, roughness: 1, fallToldM: told.fallM, fallUsedM: told.fallM };
  const bed = buildBed(plan, SURFACE_CELL_M, told);
  const columns = columnsOf(bed, dischargeOf(plan));
  const evenFallM = told.fallM;
  const roughness =
    plan.calibration?.roughness ??
    (plan.fallTold === false ? 1 : sharedRoughness(plan, columns, evenFallM));
  const { heights, footSlope, headSlope } = surfaceOf(columns, roughness, plan.lengthM);
  const channel = createChannel(plan, { heights, footSlope, headSlope });
  return {
    channel,
    roughness,
    fallToldM: plan.fallTold === false ? null : evenFallM,
    fallUsedM: heights[heights.length - 1]!.yM,
  };
});

/** The bed under the told surface, its lips raised: what a solve runs over. */
export function shapedBed(plan: BeatPlan, cellM: number): Bed {
  const surface = toldSurface(plan);
  const bed = buildBed(plan, cellM, surface.channel);
  raiseLips(bed, dischargeOf(plan));
  return bed;
}

const dischargeOf = (plan: BeatPlan) =>
  plan.levels.find((l) => l.name === plan.surveyedLevel)!.dischargeM3s;

/** One column of the beat: cells that water runs over, and its head. */
interface Column {
  xM: number;
  /** Slope the discharge asks at roughness m, and within what water takes of itself. */
  ownSlope(roughness: number): number;
  slope(roughness: number): number;
  headM: number;
  /** Whether a ledge lies between this column and the next up-current. */
  ledgeAbove: boolean;
}

function columnsOf(bed: Bed, dischargeM3s: number): Column[] {
  const { plan } = bed.channel;
  const out: Column[] = [];
  const count = Math.round(plan.lengthM / bed.cellM);
  for (let i = bed.extraColumns; i < bed.extraColumns + count; i++) {
    const wet: number[] = [];
    let area = 0;
    for (let k = i; k < bed.bedM.length; k += bed.nx) {
      if (bed.solid[k] !== SOLID.none || depthAt(bed, k) <= 0) continue;
      wet.push(k);
      area += depthAt(bed, k) * bed.cellM;
    }
    const xM = bed.x0M + i * bed.cellM;
    const crosses = (k: number) =>
      bed.channel.ledgeBetween(xM, xM + bed.cellM, bed.y0M + Math.floor(k / bed.nx) * bed.cellM);
    const ownSlope = (roughness: number) => {
      let conveyance = 0;
      for (const k of wet) conveyance += unitConveyance(bed, k, roughness) * bed.cellM;
      return conveyance > 0 ? (dischargeM3s / conveyance) ** 2 : SLOPE.most;
    };
    out.push({
      xM,
      ownSlope,
      headM: area > 0 ? (dischargeM3s / area) ** 2 / (2 * GRAVITY) : 0,
      ledgeAbove: wet.some(crosses),
      slope: (roughness) => clamp(ownSlope(roughness), SLOPE.least, SLOPE.most),
    });
  }
  return out;
}

const depthAt = (bed: Bed, k: number) => bed.surveyedSurfaceM[k]! - bed.bedM[k]!;

/** What a metre of width conveys at slope 1, at the told depth: h sqrt(g h / cf), m2/s. */
function unitConveyance(bed: Bed, k: number, roughness: number): number {
  const h = depthAt(bed, k);
  const cf = frictionCoefficient(h, bed.manningN[k]! * roughness, bed.d84M[k]! * roughness);
  return h * Math.sqrt((GRAVITY * h) / cf);
}

/** The roughness that alone would need the told fall, drawn toward 1 by how well each is known. */
function sharedRoughness(plan: BeatPlan, columns: Column[], fallM: number): number {
  const stepM = plan.lengthM / columns.length;
  const fallAt = (logM: number) =>
    columns.reduce((sum, c) => sum + c.slope(Math.exp(logM)) * stepM, 0);
  let [low, high] = [Math.log(0.1), Math.log(10)];
  for (let n = 0; n < 40; n++) {
    const mid = (low + high) / 2;
    if (fallAt(mid) < fallM) low = mid;
    else high = mid;
  }
  const fallSpread = plan.fallTold === 'levelled' ? SPREAD.levelled : SPREAD.fall;
  // Fall goes with the square of the roughness: half a spread of fall is one of roughness.
  const own = SPREAD.roughness ** 2;
  const share = own / (own + fallSpread ** 2 / 4);
  const shared = Math.exp((share * (low + high)) / 2);
  return Math.min(ROUGHNESS.most, Math.max(ROUGHNESS.least, shared));
}

function surfaceOf(columns: Column[], roughness: number, lengthM: number) {
  const slopes = columns.map((c) => c.slope(roughness));
  const first = columns[0]!;
  const heights: Place[] = [
    { xM: 0, yM: 0 },
    { xM: first.xM, yM: slopes[0]! * first.xM },
  ];
  for (let i = 1; i < columns.length; i++) {
    const [below, here] = [columns[i - 1]!, columns[i]!];
    const dx = here.xM - below.xM;
    const head = below.headM - here.headM;
    const kept = below.ledgeAbove ? 0 : head < 0 ? HEAD_KEPT_SLOWING : 1;
    const friction = (dx * (slopes[i - 1]! + slopes[i]!)) / 2;
    heights.push({ xM: here.xM, yM: heights[i]!.yM + friction + kept * head });
  }
  const last = columns.length - 1;
  const headSlope = slopes[last]!;
  const end = heights[heights.length - 1]!;
  if (lengthM > end.xM) heights.push({ xM: lengthM, yM: end.yM + headSlope * (lengthM - end.xM) });
  return { heights, footSlope: first.ownSlope(roughness), headSlope };
}

/**
 * Water goes over a ledge at critical depth, which takes 1.5 times that of head: where the told
 * depth above has more, the bed at the edge stands higher by the difference, in proportion where
 * the drop is under half a critical depth.
 */
function raiseLips(bed: Bed, dischargeM3s: number): void {
  const { plan, ledges } = bed.channel;
  const { roughness } = toldSurface(plan);
  for (let i = 0; i < bed.nx; i++) {
    const xM = bed.x0M + i * bed.cellM;
    if (xM < LIP_OFF_ENDS_M || xM > plan.lengthM - LIP_OFF_ENDS_M) continue;
    let conveyance = 0;
    for (let j = 0; j < bed.ny; j++) {
      const k = j * bed.nx + i;
      const wet = bed.solid[k] === SOLID.none && depthAt(bed, k) > 0;
      const above = ledges.find((l) => {
        const off = l.highSide * (xM - l.xAtYM(bed.y0M + j * bed.cellM));
        return off > 0 && off <= LIP_LENGTH_M;
      });
      if (!wet || !above) continue;
      if (conveyance === 0) conveyance = columnConveyance(bed, i, roughness);
      const h = depthAt(bed, k);
      const q = (dischargeM3s * unitConveyance(bed, k, roughness)) / conveyance;
      const critical = Math.cbrt((q * q) / GRAVITY);
      const spare = h + (q / h) ** 2 / (2 * GRAVITY) - 1.5 * critical;
      bed.bedM[k]! += Math.max(0, spare) * Math.min(1, above.dropM / (0.5 * critical));
    }
  }
}

function columnConveyance(bed: Bed, i: number, roughness: number): number {
  let sum = 0;
  for (let k = i; k < bed.bedM.length; k += bed.nx)
    if (bed.solid[k] === SOLID.none && depthAt(bed, k) > 0)
      sum += unitConveyance(bed, k, roughness) * bed.cellM;
  return sum;
}
