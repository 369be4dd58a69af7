import { POSTURE } from './exposure';
import { fishView, type AnglerAt } from './angler-seen';
import { sceneIndex, type Conditions, type Fish, type Scene } from './scene';
import { CRITICAL_RAD, rayToFish, WATER_INDEX, type RayToFish } from './window';

/** What stands round a fish as it shows in the disc of its window: 0 in the middle, 1 at its edge. */
export interface WindowView {
  /** Radius of the disc on the surface, m. */
  radiusM: number;
  /** One a bearing, counter-clockwise from +x: how far in the banks and the plants reach. */
  skyline: { bearingRad: number; ground: number; plants: number }[];
  sun: { bearingRad: number; at: number } | null;
  angler: WindowBody | null;
  rod: WindowBody | null;
  /** The ray from the top of the angler to the fish, dry and wet; null without one. */
  sight: { distanceM: number; topM: number; footM: number; ray: RayToFish } | null;
  /** Half the arc behind it that it does not see, rad, and the way it faces. */
  blindHalfRad: number;
  headingRad: number;
}

/** An upright thing in the disc: from its foot (near the edge) to its top. */
export interface WindowBody {
  bearingRad: number;
  halfWidthRad: number;
  foot: number;
  top: number;
}

/** Blind behind: some 30 degrees in all (from memory: 30, up to 60). */
const BLIND_HALF_RAD = (15 * Math.PI) / 180;
const BEARINGS = 72;
const FAR_M = 30;
const STEP_M = 0.5;
const BODY_WIDTH_M = 0.5;
const ROD_WIDTH_M = 0.05;

/**
 * Where a thing at an elevation above the horizon shows in the window: the ray's angle from the
 * vertical under water over the critical angle (Snell). The horizon is the edge, the zenith the middle.
 */
export function inWindow(elevationRad: number): number {
  const zenith = Math.asin(Math.cos(Math.max(0, elevationRad)) / WATER_INDEX);
  return zenith / CRITICAL_RAD;
}

export function windowView(
  scene: Scene,
  fish: Fish,
  angler: (AnglerAt & { rodM: number }) | null,
  conditions: Conditions,
): WindowView {
  const { surfaceM } = fishView(scene, fish, conditions);
  const skyline = Array.from({ length: BEARINGS }, (_, i) => {
    const bearingRad = (2 * Math.PI * i) / BEARINGS;
    let ground = 0;
    let plants = 0;
    for (let d = 0.5; d <= FAR_M; d += STEP_M) {
      const n = sceneIndex(
        scene,
        fish.xM + d * Math.cos(bearingRad),
        fish.yM + d * Math.sin(bearingRad),
      );
      ground = Math.max(ground, Math.atan2(scene.screenM[n]! - surfaceM, d));
      plants = Math.max(plants, Math.atan2(scene.plantsM[n]! - surfaceM, d));
    }
    return { bearingRad, ground: inWindow(ground), plants: inWindow(Math.max(ground, plants)) };
  });
  const sun =
    conditions.sunPlanRad !== null && conditions.sunAltitudeRad > 0
      ? { bearingRad: conditions.sunPlanRad, at: inWindow(conditions.sunAltitudeRad) }
      : null;
  return {
    radiusM: Math.tan(CRITICAL_RAD) * fish.fishDepthM,
    skyline,
    sun,
    angler: angler && bodyOf(scene, fish, angler, surfaceM, 0, BODY_WIDTH_M),
    rod: angler && bodyOf(scene, fish, angler, surfaceM, angler.rodM, ROD_WIDTH_M),
    sight: angler && sightOf(scene, fish, angler, surfaceM),
    blindHalfRad: BLIND_HALF_RAD,
    headingRad: fish.headingRad,
  };
}

function sightOf(scene: Scene, fish: Fish, angler: AnglerAt, surfaceM: number) {
  const distanceM = Math.max(0.3, Math.hypot(angler.xM - fish.xM, angler.yM - fish.yM));
  const ground = scene.groundM[sceneIndex(scene, angler.xM, angler.yM)]! - surfaceM;
  const footM = Math.max(0, ground);
  const topM = footM + POSTURE[angler.posture].topShare * angler.heightM;
  const ray = rayToFish({ distanceM, heightM: topM, fishDepthM: fish.fishDepthM });
  return { distanceM, topM, footM, ray };
}

/** The angler, or what is held up `overM` above the head. */
function bodyOf(
  scene: Scene,
  fish: Fish,
  angler: AnglerAt,
  surfaceM: number,
  overM: number,
  widthM: number,
): WindowBody {
  const dx = angler.xM - fish.xM;
  const dy = angler.yM - fish.yM;
  const { distanceM, footM: foot, topM: head } = sightOf(scene, fish, angler, surfaceM);
  const show = (heightM: number) => {
    const ray = rayToFish({
      distanceM,
      heightM: Math.max(0.001, heightM),
      fishDepthM: fish.fishDepthM,
    });
    return ray.zenithRad / CRITICAL_RAD;
  };
  return {
    bearingRad: Math.atan2(dy, dx),
    halfWidthRad: Math.atan2(widthM / 2, distanceM),
    foot: overM > 0 ? show(head) : show(foot),
    top: show(head + overM),
  };
}
