import { blankWeight, type Look } from './depth-pattern';
import { standing } from './events';
import { DREW_BLANK, type Try } from './tries';

/**
 * What a try says of its place; null when nothing happened yet, or when nobody knows the water there.
 * `read`: what was told of the place, where the snapshot kept no water.
 */
export function lookOfTry(
  t: Try,
  read?: { depthM: number; meanSpeedMps: number },
): (Look & { weight: number }) | null {
  const { target } = t.snapshot;
  const depthM = target?.depthM ?? read?.depthM;
  const meanSpeedMps = target?.meanSpeedMps ?? read?.meanSpeedMps;
  if (depthM === undefined || meanSpeedMps === undefined) return null;
  const events = standing(t);
  const found = events.some(({ means }) => means.showsFish);
  const casts = events.filter(({ means }) => means.isCast).length;
  if (!found && casts === 0) return null;
  // Who says that a lie drew blank has looked it over as well: it counts whole.
  const whole = events.some(({ event }) => event.note === DREW_BLANK);
  return { depthM, meanSpeedMps, found, weight: whole ? 1 : blankWeight(casts) };
}
