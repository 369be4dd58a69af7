import { distanceToPolyline, pointInPolygon, type GridFrame, type Place } from '../grid/index';
import { featuresOf, type BeatPlan, type Shape } from '../formats/index';
import { createChannel, type Channel } from './channel';
import { surveyedDepths, type SurveyedDepths } from './depths';
import { MATERIALS, WEED_N } from './materials';

/** Ground kept beyond the banks, so that a flood has somewhere to go, m. */
const LAND_MARGIN_M = 2;
/** A boulder is a cap, flat to this share of its radius. */
export const BOULDER_FLAT = 0.6;
/** A log blocks where its clearance is below this share of the depth. */
const LOG_BLOCKS = 0.3;
/** A blocked cell stands this far above the surveyed surface, m: out of any flood solved here. */
const BLOCK_HEIGHT_M = 1.5;

/** What stands in a cell: nothing, a boulder, a log or rootwad. */
export const SOLID = { none: 0, boulder: 1, log: 2 } as const;

/** A bed on a grid, `extraColumns` of repeated end section on each side of the beat. */
export interface Bed extends GridFrame {
  extraColumns: number;
  bedM: Float64Array;
  manningN: Float64Array;
  d84M: Float64Array;
  solid: Uint8Array;
  /** Surface of the survey at each cell: the first guess of the solved one. */
  surveyedSurfaceM: Float64Array;
  channel: Channel;
  depths: SurveyedDepths;
}

/** Rasterises a beat, under the surface as told unless another channel is given. `cellM` > 0. */
export function buildBed(plan: BeatPlan, cellM: number, channel = createChannel(plan)): Bed {
  if (!(cellM > 0)) throw new RangeError(`buildBed: cellM must be positive, got ${cellM}`);
  const depths = surveyedDepths(channel);
  const ys = [...channel.left, ...channel.right].map((p) => p.yM);
  const lowY = Math.min(...ys) - LAND_MARGIN_M;
  const highY = Math.max(...ys) + LAND_MARGIN_M;
  const width = Math.max(
    channel.rightYM(0) - channel.leftYM(0),
    channel.rightYM(plan.lengthM) - channel.leftYM(plan.lengthM),
  );
  const inside = Math.round(plan.lengthM / cellM);
  const extraColumns = Math.ceil(width / cellM);
  const frame: GridFrame = {
    nx: inside + 2 * extraColumns,
    ny: Math.ceil((highY - lowY) / cellM),
    cellM,
    x0M: (0.5 - extraColumns) * cellM,
    y0M: lowY + 0.5 * cellM,
  };
  const cells = frame.nx * frame.ny;
  const bed: Bed = {
    ...frame,
    extraColumns,
    bedM: new Float64Array(cells),
    manningN: new Float64Array(cells),
    d84M: new Float64Array(cells),
    solid: new Uint8Array(cells),
    surveyedSurfaceM: new Float64Array(cells),
    channel,
    depths,
  };
  layBed(bed);
  layMaterials(bed);
  placeBoulders(bed);
  placeTimber(bed);
  return bed;
}

/** Calls `visit` for every cell with its centre, held within the beat's length. */
function eachCell(
  bed: GridFrame,
  lengthM: number,
  visit: (k: number, xM: number, yM: number, heldXM: number) => void,
) {
  for (let j = 0; j < bed.ny; j++) {
    const y = bed.y0M + j * bed.cellM;
    for (let i = 0; i < bed.nx; i++) {
      const x = bed.x0M + i * bed.cellM;
      visit(j * bed.nx + i, x, y, Math.min(lengthM, Math.max(0, x)));
    }
  }
}

function layBed(bed: Bed): void {
  const { channel, depths } = bed;
  const { lengthM } = channel.plan;
  eachCell(bed, lengthM, (k, x, y, held) => {
    // Outside the beat the end section goes on at the slope it ends with.
    const slope = x < 0 ? channel.footSlope : channel.headSlope;
    const surface = channel.surveyedSurfaceM(held, y) + slope * (x - held);
    bed.surveyedSurfaceM[k] = surface;
    const n = channel.across(held, y);
    if (n > 0 && n < 1) bed.bedM[k] = surface - depths.depthM(held, y);
    else bed.bedM[k] = surface + channel.bankRiseM(x, y, n <= 0 ? 'left' : 'right');
  });
}

function inShape(shape: Shape, place: Place): boolean {
  return shape.type === 'Polygon' && pointInPolygon(place, shape.ring);
}

function layMaterials(bed: Bed): void {
  const { plan } = bed.channel;
  const beds = featuresOf(plan, 'bed');
  const weeds = featuresOf(plan, 'weed');
  eachCell(bed, plan.lengthM, (k, _x, y, held) => {
    const place = { xM: held, yM: y };
    let material = MATERIALS.cobble;
    // The later polygon wins.
    for (const b of beds) if (inShape(b.shape, place)) material = MATERIALS[b.material];
    let n = material.n;
    for (const w of weeds) if (inShape(w.shape, place)) n = material.n + WEED_N[w.density];
    bed.manningN[k] = n;
    bed.d84M[k] = material.d84M;
  });
}

function placeBoulders(bed: Bed): void {
  const { plan } = bed.channel;
  for (const boulder of featuresOf(plan, 'boulder')) {
    if (boulder.shape.type !== 'Point') continue;
    const { xM, yM } = boulder.shape.place;
    const radius = boulder.diameterM / 2;
    const foot = bed.channel.surveyedSurfaceM(xM, yM) - bed.depths.depthM(xM, yM);
    eachCell(bed, plan.lengthM, (k, x, y) => {
      const r = Math.hypot(x - xM, y - yM) / radius;
      if (r >= 1) return;
      const fall = Math.max(0, (r - BOULDER_FLAT) / (1 - BOULDER_FLAT));
      const top = foot + boulder.heightM * (1 - fall * fall);
      if (top > bed.bedM[k]!) bed.bedM[k] = top;
      bed.solid[k] = SOLID.boulder;
    });
  }
}

function placeTimber(bed: Bed): void {
  const { plan } = bed.channel;
  // Half a cell's diagonal at least, so that a raster line stays joined edge to edge.
  const reach = (diameterM: number) => Math.max(diameterM / 2, 0.71 * bed.cellM);
  for (const log of [...featuresOf(plan, 'log'), ...featuresOf(plan, 'rootwad')]) {
    const { shape } = log;
    eachCell(bed, plan.lengthM, (k, x, y, held) => {
      const on =
        shape.type === 'Polygon'
          ? pointInPolygon({ xM: x, yM: y }, shape.ring)
          : shape.type === 'LineString' &&
            distanceToPolyline({ xM: x, yM: y }, shape.line) <= reach(log.diameterM);
      if (!on) return;
      const depth = bed.depths.depthM(held, y);
      if ((log.clearanceM ?? 0) >= LOG_BLOCKS * depth && depth > 0) return;
      bed.bedM[k] = Math.max(bed.bedM[k]!, bed.surveyedSurfaceM[k]! + BLOCK_HEIGHT_M);
      bed.solid[k] = SOLID.log;
    });
  }
}
