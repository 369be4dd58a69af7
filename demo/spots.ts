import type { BeatPlan } from '../core/formats/index';
import type { LieKind } from '../core/lies/index';
import type { KeptRead } from '../core/log/index';
import { DEFAULT_TACKLE, rigFrom, startOf } from '../core/rig/index';
import { feltTable, hungRig, sinkLane, type FeltTable } from '../core/sink/index';
import { createChannel, type FlowField } from '../core/water/index';

export const LEAD_M = 3;
const PAST_M = 1;
const KINDS: readonly LieKind[] = ['pocket', 'seam', 'undercut', 'cushion'];
/** Drifts are felt on this one, laid so. */
export const FELT_RIG = 'usual-dropper';
export const FELT_LAY = { kind: 'pile' } as const;

/** A lie that is fished again and again: where it is, and what its bed does to a drift. */
export interface Spot {
  beatId: string | null;
  plan: BeatPlan | null;
  readId: string | null;
  id: string;
  xM: number;
  yM: number;
  depthM: number;
  speedMps: number;
  kind: LieKind;
  felt: FeltOdds | null;
}
/** Chance that a drift never touches, and that it hangs: as it was said, and as it is. */
export interface FeltOdds {
  said: { clear: number };
  is: { clear: number; hung: number };
}

const SPOTS_A_BEAT = 14;

export function spotsOf(
  beatId: string,
  plan: BeatPlan,
  random: () => number,
  solved: { beatId: string; level: string; flow: FlowField } | undefined,
  /** The angler's own nymphs against the reckoned ones, times. */
  sink: number,
): Spot[] {
  const channel = createChannel(plan);
  return Array.from({ length: SPOTS_A_BEAT }, (_, i): Spot => {
    const xM = plan.lengthM * (0.08 + (0.84 * (i + 0.5)) / SPOTS_A_BEAT);
    const across = 0.3 + 0.4 * random();
    const yM = channel.leftYM(xM) + across * (channel.rightYM(xM) - channel.leftYM(xM));
    return {
      beatId,
      plan,
      readId: null,
      id: `demo-lie-${beatId}-${i + 1}`,
      xM,
      yM,
      depthM: 0.2 + 0.85 * random(),
      speedMps: 0.12 + 0.75 * random(),
      kind: KINDS[Math.floor(KINDS.length * random())]!,
      felt: solved?.beatId === beatId ? feltOdds(solved.flow, { xM, yM }, sink) : null,
    };
  });
}

/** How the nymph under the usual dry goes by a place: as it is reckoned, and as this angler's sinks. */
function feltOdds(
  flow: FlowField,
  place: { xM: number; yM: number },
  sink: number,
): FeltOdds | null {
  const plan = rigFrom(FELT_RIG);
  const lane = sinkLane(flow, place, LEAD_M + 1, PAST_M + 1);
  if (!lane || !hungRig(plan, DEFAULT_TACKLE.box)) return null;
  const table = (felt: 'clear' | 'hung') =>
    feltTable({
      placeId: '',
      lane,
      rigAt: (m) => hungRig(plan, DEFAULT_TACKLE.box, m),
      start: startOf(FELT_LAY.kind, plan),
      leadM: LEAD_M,
      pastM: PAST_M,
      felt,
    });
  const [clear, hung] = [table('clear'), table('hung')];
  const at = (t: FeltTable, lnM: number) => Math.exp(t[cellOf(lnM)]!);
  const lnM = Math.log(sink);
  return {
    said: { clear: at(clear, 0) },
    is: { clear: at(clear, lnM), hung: at(hung, lnM) },
  };
}
/** Cell of a table at a multiplier, on the bed as it was drawn: 33 rows by .04 from -.64, 41 columns. */
const cellOf = (lnM: number) => Math.round((lnM + 0.64) / 0.04) * 41 + 20;

/** A place along the stream as one. */
export const spotOfRead = (r: KeptRead): Spot => ({
  beatId: null,
  plan: null,
  readId: r.id,
  id: r.id,
  xM: 0,
  yM: 0,
  depthM: r.answers.depthM,
  speedMps: 0.85 * r.answers.surfacePaceMps,
  kind: r.result.kind,
  felt: null,
});
