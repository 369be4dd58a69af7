import type { Place } from '../grid/index';
import {
  POSTURE,
  sceneIndex,
  shadowLengthM,
  windowRadiusM,
  type Conditions,
  type Fish,
  type Posture,
  type Scene,
} from '../sight/index';
import { DRY_M, sampleFlow } from '../water/index';

/** The shadow a still angler throws. */
export interface Shadow {
  /** From the feet to where the shadow of the head falls; the feet themselves when there is none. */
  tip: Place;
  lengthM: number;
  /** Length of it that lies on water, m. */
  onWaterM: number;
  /** The fish whose window it darkens, if any. */
  over: string | null;
}

const STEP_M = 0.25;
/** Longer shadows are lost among those of the land, m. */
const LONGEST_M = 30;
/** A fish notices the dark edge this far outside its window, m (our guess). */
const BESIDE_WINDOW_M = 0.5;

/** Shadow of an angler at a place; null with the sun down or the sky overcast, when there is none. */
export function shadowAt(
  scene: Scene,
  at: Place & { posture: Posture; heightM: number },
  fish: readonly Fish[],
  conditions: Conditions,
): Shadow | null {
  const { sunPlanRad, sunAltitudeRad, sky } = conditions;
  if (sunPlanRad === null || sunAltitudeRad <= 0 || sky === 'overcast') return null;
  const topM = POSTURE[at.posture].topShare * at.heightM;
  const feetM = scene.groundM[sceneIndex(scene, at.xM, at.yM)]!;
  const rise = Math.tan(sunAltitudeRad);
  const most = Math.min(LONGEST_M, shadowLengthM(topM + 2, sunAltitudeRad));
  const [ux, uy] = [-Math.cos(sunPlanRad), -Math.sin(sunPlanRad)];
  const shadow: Shadow = { tip: { xM: at.xM, yM: at.yM }, lengthM: 0, onWaterM: 0, over: null };
  const sample = { depthM: 0, u: 0, v: 0 };
  for (let d = STEP_M; d <= most; d += STEP_M) {
    const xM = at.xM + ux * d;
    const yM = at.yM + uy * d;
    sampleFlow(scene.flow, xM, yM, sample);
    const wet = sample.depthM > DRY_M;
    const ground = scene.groundM[sceneIndex(scene, xM, yM)]!;
    const lies = wet ? ground + sample.depthM : ground;
    // The ray over the head has come down to the land here.
    if (feetM + topM - d * rise < lies) break;
    shadow.tip = { xM, yM };
    shadow.lengthM = d;
    if (wet) shadow.onWaterM += STEP_M;
    shadow.over ??= wet ? fishUnder(fish, xM, yM) : null;
  }
  return shadow;
}

const fishUnder = (fish: readonly Fish[], xM: number, yM: number): string | null =>
  fish.find((f) => Math.hypot(f.xM - xM, f.yM - yM) < windowRadiusM(f.fishDepthM) + BESIDE_WINDOW_M)
    ?.id ?? null;

/** The first of the later hours at which no shadow falls on the water; null when none does. */
export function shadowLeaves(
  scene: Scene,
  at: Place & { posture: Posture; heightM: number },
  later: readonly { hour: number; conditions: Conditions }[],
): number | null {
  for (const { hour, conditions } of later) {
    const s = shadowAt(scene, at, [], conditions);
    if (!s || s.onWaterM === 0) return hour;
  }
  return null;
}
