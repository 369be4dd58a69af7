import type { BeatPlan } from '../core/formats/index';
import { formatDepth, formatDischarge, formatSpeed, type UnitSystem } from '../core/units/index';
import { toldSurface, type DepthMisfit } from '../core/water/index';

/** How the water that is shown answers to the water that was told. */

/** What the taped depths asked of the bed and of the fall; empty where they asked for nothing worth a word. */
export function toldSurfaceText(plan: BeatPlan, units: UnitSystem): string {
  const { roughness, fallToldM, fallUsedM } = toldSurface(plan);
  const q = plan.levels.find((l) => l.name === plan.surveyedLevel)!.dischargeM3s;
  const rough = plan.calibration ? 1 : roughness;
  const stones =
    Math.abs(rough - 1) < 0.02
      ? null
      : `stones ${rough.toFixed(2)} times as rough as the book says`;
  const fall =
    fallToldM !== null && Math.abs(fallUsedM - fallToldM) >= 0.005
      ? `${formatDepth(fallUsedM, units)} of fall instead of ${formatDepth(fallToldM, units)}`
      : null;
  const needs = [stones, fall].filter((n) => n !== null).join(' and ');
  return needs && `The depths told at ${formatDischarge(q, units)} need ${needs}.`;
}

/** How far solved depths are from those taken, and where they are farthest. */
export function misfitText({ rmsM, worst, places }: DepthMisfit, units: UnitSystem): string {
  if (!worst) return 'No depth was taken off the banks and the rocks to hold the water against.';
  const speed =
    worst.takenMps === null || worst.solvedMps === null
      ? ''
      : ` (${formatSpeed(worst.takenMps, units)} taken, ${formatSpeed(worst.solvedMps, units)} solved)`;
  return (
    `Solved depths differ from the ${places} taken by ${formatDepth(rmsM, units)} (root mean square); ` +
    `worst at ${worst.xM.toFixed(1)}, ${worst.yM.toFixed(1)}: ${formatDepth(worst.takenDepthM, units)} taken, ` +
    `${formatDepth(worst.solvedDepthM, units)} solved${speed}.`
  );
}
