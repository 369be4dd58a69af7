import type { Place } from '../grid/index';
import type { Scene } from '../sight/index';
import { cellAt } from './walk-grid';
import {
  planStalkOn,
  type StalkContext,
  type StalkInput,
  type StalkResult,
  type StalkWay,
} from './plan-stalk';

export type FarBank =
  /** Over the water first, then along the far bank to the stand. */
  | { kind: 'crossed'; crossing: StalkWay; onward: StalkResult; landsAt: Place }
  /** No water on the beat that this body may cross, by the limits that were set. */
  | { kind: 'no safe crossing' };

/** Landing places are tried this far apart along the far bank, m, and this far back from the water. */
const EVERY_M = 2;
const BACK_M = 0.8;

/**
 * The way for one who means to come from the bank across from the start: the crossing that weighs
 * least of those the limits allow, then the way onward. The crossing is never promised safe.
 */
export function fromFarBank(ground: StalkContext, input: StalkInput): FarBank {
  const { scene, grid } = ground;
  const start = 'xM' in input.from ? input.from : input.from[0];
  if (!start) return { kind: 'no safe crossing' };
  let best: { crossing: StalkWay; landsAt: Place } | null = null;
  for (const landsAt of landings(scene, start)) {
    const cell = cellAt(grid, landsAt);
    if (cell < 0 || grid.closed[cell]) continue;
    const crossing = planStalkOn(ground, { ...input, to: landsAt, endPosture: 'stand', via: [] });
    if (crossing.kind !== 'way' || crossing.wadedM === 0) continue;
    if (!best || crossing.cost < best.crossing.cost) best = { crossing, landsAt };
  }
  if (!best) return { kind: 'no safe crossing' };
  const onward = planStalkOn(ground, { ...input, from: best.landsAt });
  return { kind: 'crossed', ...best, onward };
}

function landings(scene: Scene, start: Place): Place[] {
  const { channel } = scene.ground;
  const { lengthM } = scene.plan;
  const fromLeft = channel.across(Math.min(lengthM, Math.max(0, start.xM)), start.yM) < 0.5;
  const out: Place[] = [];
  for (let xM = 1; xM < lengthM; xM += EVERY_M)
    out.push({
      xM,
      yM: fromLeft ? channel.rightYM(xM) + BACK_M : channel.leftYM(xM) - BACK_M,
    });
  return out;
}
