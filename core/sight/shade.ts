import { sceneIndex, type Conditions, type Scene } from './scene';

/** Light that a leafy crown keeps off; a bank or rock keeps off all (our guess). */
const CROWN_SHADE = 0.85;
/** Under a covered sky nothing throws a shadow and everything is a little dim (our guess). */
const OVERCAST_SHADE = 0.35;
const STEP_M = 0.5;
/** Beyond this a shadow's edge is too soft and the survey too poor, m. */
const FAR_M = 40;

/**
 * Share of the sun kept off each cell of the flow by banks, rocks, bushes and trees, 0-1; 1 while
 * the sun is down. Shadow length H/tan(altitude), walked toward the sun over the scene's heights.
 */
export function shadeField(scene: Scene, conditions: Conditions): Float64Array {
  const { flow, frame, screenM, plantsM } = scene;
  const shade = new Float64Array(flow.depthM.length);
  const { sunAltitudeRad, sunPlanRad, sky } = conditions;
  if (sky === 'overcast') return shade.fill(OVERCAST_SHADE);
  if (sunPlanRad === null || sunAltitudeRad <= 0) return shade.fill(1);
  const slope = Math.tan(sunAltitudeRad);
  const ux = Math.cos(sunPlanRad) * STEP_M;
  const uy = Math.sin(sunPlanRad) * STEP_M;
  let top = -Infinity;
  for (let k = 0; k < screenM.length; k++) top = Math.max(top, screenM[k]!, plantsM[k]!);
  const xMax = frame.x0M + (frame.nx - 1) * frame.cellM;
  const yMax = frame.y0M + (frame.ny - 1) * frame.cellM;
  const crown = CROWN_SHADE;
  for (let k = 0; k < shade.length; k++) {
    if (flow.depthM[k]! <= 0) continue;
    const i = k % flow.nx;
    let x = flow.x0M + i * flow.cellM;
    let y = flow.y0M + ((k - i) / flow.nx) * flow.cellM;
    const from = flow.surfaceM[k]!;
    const far = Math.min(FAR_M, (top - from) / slope);
    for (let d = STEP_M; d <= far; d += STEP_M) {
      x += ux;
      y += uy;
      if (x < frame.x0M || y < frame.y0M || x > xMax || y > yMax) break;
      const n = sceneIndex(scene, x, y);
      const ray = from + d * slope;
      if (screenM[n]! > ray) {
        shade[k] = 1;
        break;
      }
      if (plantsM[n]! > ray) shade[k] = crown;
    }
    if (sky === 'broken') shade[k] = OVERCAST_SHADE + (1 - OVERCAST_SHADE) * 0.5 * shade[k]!;
  }
  return shade;
}
