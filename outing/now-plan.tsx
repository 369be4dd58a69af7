'use client';

import type { HeldPack, LieState, PackTarget } from '../core/outing/index';
import { frameRound } from './frame';
import type { OutingShared } from './shared';
import { goTo } from './use-bank';
import { WaterPicture } from './water-picture';

const PLAN = { width: 390, height: 250 } as const;
const LEAST_M = 11;

/** The water round what is next, and the thread of the route. */
export function NowPlan({
  held,
  targets,
  next,
  states,
  shared,
  marking,
  thread,
  onTarget,
}: {
  held: HeldPack;
  targets: readonly PackTarget[];
  next: PackTarget | null;
  states: ReadonlyMap<string, LieState>;
  shared: OutingShared;
  marking: boolean;
  thread: readonly { xM: number; yM: number }[];
  onTarget: (t: PackTarget) => void;
}) {
  const { view, actions } = shared;
  const round = next ? [next, ...(next.shot ? [next.shot.stand, next.shot.landing] : [])] : targets;
  const frame = frameRound(
    round.length > 0 ? round : [{ xM: held.pack.lengthM / 2, yM: 0 }],
    PLAN.width / PLAN.height,
    LEAST_M,
  );
  return (
    <WaterPicture
      held={held}
      targets={targets}
      next={next}
      states={states}
      log={view.log}
      frame={frame}
      widthPx={PLAN.width}
      heightPx={PLAN.height}
      units={view.bank?.settings.units ?? 'metric'}
      onTarget={onTarget}
      thread={thread}
      onPlace={
        marking
          ? (at) => {
              actions.markFish(held.beatId, at, 0, 'holding');
              goTo('now');
            }
          : null
      }
    />
  );
}
