import { nearestOnSegment, wrapAngle, type Place } from '../grid/index';
import { windowRadiusM, type Fish } from '../sight/index';

/** Where the false casts go: turned off the fish's side. */
export interface FalseCast {
  /** Plan angle of the false casts, and how far that is turned from the cast itself. */
  bearingRad: number;
  turnRad: number;
  /** False: whichever way they are turned, line flies over a fish. */
  clear: boolean;
}

const STEP_RAD = (5 * Math.PI) / 180;
const MOST_RAD = (80 * Math.PI) / 180;
/** Least turn, so that no line or spray crosses the fish (our guess; the rule is common practice). */
const LEAST_RAD = (15 * Math.PI) / 180;
/** Line in the air keeps this far outside every window, m (our guess). */
const MARGIN_M = 0.8;

/**
 * The least turn toward the fish's tail, else toward its head, at which a line as long as the
 * cast flies over no fish's window. Common practice: keep false casts off the fish's side.
 */
export function falseCast(
  stand: Place,
  landing: Place,
  target: Fish,
  others: readonly Fish[],
): FalseCast {
  const aim = Math.atan2(landing.yM - stand.yM, landing.xM - stand.xM);
  const lengthM = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM);
  const fish = [target, ...others];
  // Behind the fish it sees least: turn toward its tail.
  const tail = target.headingRad + Math.PI;
  const first = Math.sin(wrapAngle(tail - aim)) >= 0 ? 1 : -1;
  for (const side of [first, -first]) {
    for (let turn = LEAST_RAD; turn <= MOST_RAD + 1e-9; turn += STEP_RAD) {
      const bearing = wrapAngle(aim + side * turn);
      const end = {
        xM: stand.xM + lengthM * Math.cos(bearing),
        yM: stand.yM + lengthM * Math.sin(bearing),
      };
      if (fish.every((f) => clears(f, stand, end)))
        return { bearingRad: bearing, turnRad: side * turn, clear: true };
    }
  }
  return { bearingRad: wrapAngle(aim + first * MOST_RAD), turnRad: first * MOST_RAD, clear: false };
}

const clears = (f: Fish, a: Place, b: Place) =>
  nearestOnSegment(f, a, b).distanceM > windowRadiusM(f.fishDepthM) + MARGIN_M;
