import { bilinearInto, clamp } from '../grid/index';
import { shapePlaces, type BeatPlan } from '../formats/index';
import type { Channel } from './channel';
import type { FlowField } from './flow-field';
import { toldSurface } from './told-surface';

/**
 * Land beyond the outermost feature that may be walked, m: flat, open, not surveyed. Out to whole
 * metres, so that stands and steps lie alike on a beat and on its mirror.
 */
const WALKABLE_MARGIN_M = 6;

/** The lie of the land round a beat: heights in the beat's datum, and how far one may walk. */
export interface Ground {
  channel: Channel;
  box: { xMinM: number; xMaxM: number; yMinM: number; yMaxM: number };
  /** Height of bed or land, m. */
  heightM(xM: number, yM: number): number;
}

export function createGround(plan: BeatPlan, flow: FlowField): Ground {
  const { channel } = toldSurface(plan);
  const places = plan.features.flatMap((f) => shapePlaces(f.shape));
  const xs = places.map((p) => p.xM);
  const ys = places.map((p) => p.yM);
  return {
    channel,
    box: {
      xMinM: Math.floor(Math.min(...xs) - WALKABLE_MARGIN_M),
      xMaxM: Math.ceil(Math.max(...xs) + WALKABLE_MARGIN_M),
      yMinM: Math.floor(Math.min(...ys) - WALKABLE_MARGIN_M),
      yMaxM: Math.ceil(Math.max(...ys) + WALKABLE_MARGIN_M),
    },
    heightM(xM, yM) {
      const x = clamp(xM, 0, plan.lengthM);
      const n = channel.across(x, yM);
      const top = flow.y0M + (flow.ny - 1) * flow.cellM;
      if (yM >= flow.y0M && yM <= top) return bilinearInto(flow, flow.bedM, x, yM);
      const side = n <= 0 ? 'left' : 'right';
      return channel.surveyedSurfaceM(x, yM) + channel.bankRiseM(x, yM, side);
    },
  };
}
