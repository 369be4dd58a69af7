import type { Place } from '../grid/index';
import { surfaceInto, type Current } from './drift-current';
import { mayBeHeld, type Lay, type Toward } from './lays';

/** Where the rod tip is, and how it moves: still, following a reach or a mend down, or over the line. */
export interface Rod {
  xM: number;
  yM: number;
  zM: number;
  /** Follows along `ux`, `uy`: `left` of the way from `base`, down to `least`, at `pace`. */
  base: Place;
  ux: number;
  uy: number;
  left: number;
  least: number;
  followMps: number;
  /** High stick: keeps over the line where it enters the water, within `swingM` of the pivot. */
  overLine: boolean;
  pivot: Place;
  swingM: number;
}

/** A rod that follows is swung at least at a stroll, m/s (our guess). */
export const LEAST_FOLLOW_MPS = 0.3;
/** A tip higher than this is held over the line, m. */
const RAISED_TIP_M = 1.2;
/** From the hand to the tip of a raised rod, when no stand is given, m. */
const RAISED_REACH_M = 1.7;
/** A raised rod can be lowered to follow this much farther out than it began, m (our guess). */
const LOWERED_MORE_M = 0.7;

export function rodFor(
  tip: { xM: number; yM: number; zM: number },
  landing: Place,
  lay: Lay,
  upRad: number,
  current: Current,
  stand?: Place,
): Rod {
  const d = Math.hypot(landing.xM - tip.xM, landing.yM - tip.yM) || 1;
  const pivot = stand ?? {
    xM: tip.xM - (RAISED_REACH_M * (landing.xM - tip.xM)) / d,
    yM: tip.yM - (RAISED_REACH_M * (landing.yM - tip.yM)) / d,
  };
  const rod: Rod = {
    xM: tip.xM,
    yM: tip.yM,
    zM: tip.zM,
    base: { xM: tip.xM, yM: tip.yM },
    ux: 0,
    uy: 0,
    left: 0,
    least: 0,
    followMps: 0,
    overLine: lay.kind === 'high-stick' || (mayBeHeld(lay.kind) && tip.zM > RAISED_TIP_M),
    pivot,
    swingM: Math.hypot(tip.xM - pivot.xM, tip.yM - pivot.yM) + LOWERED_MORE_M,
  };
  if (lay.kind === 'reach' && lay.amountM > 0) {
    swing(rod, lay.toward, lay.amountM, upRad, landing, current);
    rod.least = -lay.amountM;
  }
  return rod;
}

/** Swings the tip up- or down-current; from there it follows the line at the pace of the quickest water under it. */
export function swing(
  rod: Rod,
  toward: Toward,
  amountM: number,
  upRad: number,
  fly: Place,
  current: Current,
): void {
  const sign = toward === 'up-current' ? 1 : -1;
  rod.base = { xM: rod.xM, yM: rod.yM };
  rod.ux = sign * Math.cos(upRad);
  rod.uy = sign * Math.sin(upRad);
  rod.left = amountM;
  rod.least = 0;
  rod.followMps = LEAST_FOLLOW_MPS;
  for (let n = 0; n <= 10; n++) {
    const s = surfaceInto(
      current,
      rod.base.xM + ((fly.xM - rod.base.xM) * n) / 10,
      rod.base.yM + ((fly.yM - rod.base.yM) * n) / 10,
    );
    rod.followMps = Math.max(rod.followMps, -(s.u * rod.ux + s.v * rod.uy));
  }
  placeTip(rod);
}

function placeTip(rod: Rod): void {
  rod.xM = rod.base.xM + rod.left * rod.ux;
  rod.yM = rod.base.yM + rod.left * rod.uy;
}

/** One step of following; `entry` is where the line enters the water. */
export function followInto(rod: Rod, entry: Place, current: Current, dt: number): void {
  if (rod.followMps > 0) {
    rod.left = Math.max(rod.least, rod.left - rod.followMps * dt);
    placeTip(rod);
  }
  if (!rod.overLine) return;
  const s = surfaceInto(current, entry.xM, entry.yM);
  const xM = rod.xM + s.u * dt;
  const yM = rod.yM + s.v * dt;
  const out = Math.hypot(xM - rod.pivot.xM, yM - rod.pivot.yM);
  const share = out > rod.swingM ? rod.swingM / out : 1;
  rod.xM = rod.pivot.xM + share * (xM - rod.pivot.xM);
  rod.yM = rod.pivot.yM + share * (yM - rod.pivot.yM);
}
