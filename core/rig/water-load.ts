import { alongDragPerM, WATER_KG_PER_M3 } from './fly';
import { measureRig } from './measure';
import { endMm, startMm, type FlyBox, type RigPlan } from './plan';

/** What is drawn over the water behind a lob: so much leader, and so much line, m (our guess). */
const LEADER_M = 1.7;
const LINE_M = 1.5;
const LAW_HOLDS_MPS = 1;
const SPHERE_CD = 0.44;
const LEAD_KG_PER_M3 = 11000;
/** A hand draws a line so fast, m/s. */
export const DRAWN_MPS = 3;

/** A sphere's drag area, m2. */
const sphereM2 = (diameterM: number) => SPHERE_CD * Math.PI * 0.25 * diameterM * diameterM;

/** Force to draw what hangs out of the water, N, at a speed: what loads a rod without a back cast. */
export function waterLoadN(plan: RigPlan, box: FlyBox, speedMps = DRAWN_MPS): number {
  let m2 = 0;
  for (const p of plan.parts) {
    if (p.part === 'float') m2 += sphereM2(p.diameterMm / 1000);
    if (p.part === 'shot')
      m2 += sphereM2(Math.cbrt((6 * p.massMg * 1e-6) / LEAD_KG_PER_M3 / Math.PI));
    if (p.part === 'fly') m2 += sphereM2((box.find((f) => f.id === p.flyId)?.bead?.mm ?? 2) / 1000);
  }
  const { sections } = measureRig(plan, box);
  const whole = sections.reduce((sum, s) => sum + s.part.lengthM, 0);
  const meanMm =
    sections.reduce((sum, { part: s }) => sum + 0.5 * (startMm(s) + endMm(s)) * s.lengthM, 0) /
    Math.max(1e-9, whole);
  // The lengthwise law holds for thick line to about a metre a second.
  const v = Math.min(LAW_HOLDS_MPS, speedMps);
  const leader = alongDragPerM(meanMm, v) * Math.min(LEADER_M, whole);
  const line = plan.line ? alongDragPerM(plan.line.diameterMm, v) * LINE_M : 0;
  return 0.5 * WATER_KG_PER_M3 * m2 * speedMps * speedMps + (leader + line) * speedMps;
}

/** Pull of 9 m of a line in the air at a usual stroke, N: what loads the rod of that weight (our guess). */
const STROKE_MPS2 = 40;
const CARRIED_M = 9;
export const airLoadN = (kgPerM: number): number => kgPerM * CARRIED_M * STROKE_MPS2;
