import { clamp, wrapAngle } from '../grid/index';

/** What is done about wind, by school. */
export type WindSchool = 'tilt' | 'heavier-line' | 'change-sides';

export interface WindOnCast {
  /** Against the cast, m/s; negative: from behind. */
  headMps: number;
  /** Across it, m/s, toward the angler's right when positive. */
  crossMps: number;
  /** Whether it blows the line onto the rod arm's side of the body. */
  ontoBody: boolean;
  /** What is done about it, by school. */
  advice: 'none' | WindSchool;
  /** Share of the usual distance that is left. */
  distanceShare: number;
}

/** Wind below which a cast is as in still air, m/s; and what a head wind takes of the distance, 1/(m/s) (our guesses). */
const WIND_FELT_MPS = 2;
const HEAD_TAKES = 0.05;

/** Head and cross wind of a cast; `fromRad` null: not known, taken as none. */
export function windOnCast(
  windMps: number,
  fromRad: number | null,
  aimRad: number,
  rodHand: 'right' | 'left',
  school: WindSchool,
): WindOnCast {
  if (fromRad === null)
    return { headMps: 0, crossMps: 0, ontoBody: false, advice: 'none', distanceShare: 1 };
  const off = wrapAngle(fromRad - aimRad);
  const headMps = windMps * Math.cos(off);
  // From the left of the cast (off > 0) it blows toward the right.
  const crossMps = windMps * Math.sin(off);
  const ontoBody =
    Math.abs(crossMps) > WIND_FELT_MPS && (rodHand === 'right' ? crossMps < 0 : crossMps > 0);
  const felt = Math.max(Math.abs(headMps), Math.abs(crossMps)) > WIND_FELT_MPS;
  return {
    headMps,
    crossMps,
    ontoBody,
    advice: !felt ? 'none' : ontoBody ? 'change-sides' : school,
    distanceShare: clamp(1 - HEAD_TAKES * Math.max(0, headMps - WIND_FELT_MPS), 0.3, 1),
  };
}
