import type { FlowField } from '../core/water/index';
import { rampLab } from '../ui/colour';
import { DEPTH_RAMP, PACE_RAMP, type Theme } from '../ui/tokens';
import type { PaintJob } from '../workers/paint-water';

const RAMP_STEPS = 129;
const LAND: Record<Theme, [number, number, number]> = { light: [88, -2, 7], dim: [9.2, 0.3, 3.2] };
const LAND_WET: Record<Theme, [number, number, number]> = {
  light: [79.6, -0.5, 8.3],
  dim: [13.2, 0.4, 4.8],
};

/** What the painter is told, so that water looks the same wherever it is drawn. */
export function paintJob(
  flow: FlowField,
  quantity: 'depth' | 'pace',
  theme: Theme,
  pxPerM: number,
): PaintJob {
  const ramp = (quantity === 'depth' ? DEPTH_RAMP : PACE_RAMP)[theme];
  return {
    flow,
    quantity,
    pxPerM,
    ramp: rampLab(ramp, RAMP_STEPS),
    rampFullAt: ramp.fullAt,
    dim: theme === 'dim',
    land: LAND[theme],
    landWet: LAND_WET[theme],
  };
}
