import type { StopTime } from '../day/index';
import { calibration, wilson, type Calibration, type Share } from './stats';
import { LEAST, verdictOf, type Verdict } from './verdict';

/** One day at one water: what was to be said of the stop by its readings before noon, and all that was read. */
export interface StopDay {
  said: Pick<StopTime, 'earlyH' | 'bestH' | 'lateH' | 'most'>;
  readings: readonly { h: number; tempC: number }[];
  limitC: number;
}

export interface StopsTold {
  days: number;
  /** Chance that the limit is reached, against how often it was. */
  reached: { found: Share; said: number; verdict: Verdict; fit: Calibration | null };
  /** Of the days on which it was and a band was said: how often it lay in it; 8 in 10 are to be expected. */
  within: Share;
  /** Found less said, h, on the mean of them; null: none. */
  laterH: number | null;
}

/** Readings must go on to this hour to say that a limit was not reached. */
const LAST_H = 16;
/** Share of days that a band from .1 to .9 should hold. */
export const HELD = 0.8;

/** When the limit was reached, by readings on either side of it; 'never': they went on late enough; null: nobody knows. */
export function stopFound({ readings, limitC }: Pick<StopDay, 'readings' | 'limitC'>) {
  const inOrder = [...readings].sort((a, b) => a.h - b.h);
  const at = inOrder.findIndex((r) => r.tempC >= limitC);
  if (at > 0) {
    const [before, after] = [inOrder[at - 1]!, inOrder[at]!];
    const share = (limitC - before.tempC) / Math.max(1e-9, after.tempC - before.tempC);
    return before.h + share * (after.h - before.h);
  }
  if (at === 0) return null;
  return (inOrder.at(-1)?.h ?? 0) >= LAST_H ? ('never' as const) : null;
}

/** Stop times as they would have been said at noon, against the readings after. null: no such day. */
export function stopsTold(all: readonly StopDay[]): StopsTold | null {
  const days = all.flatMap((d) => {
    const found = stopFound(d);
    return found === null ? [] : [{ said: d.said, found }];
  });
  if (days.length === 0) return null;
  const came = days.flatMap(({ said, found }) => (found === 'never' ? [] : [{ said, found }]));
  const banded = came.filter((d) => d.said.earlyH !== null);
  const timed = came.filter((d) => d.said.bestH !== null);
  const found = wilson(came.length, days.length);
  const said = days.reduce((sum, d) => sum + d.said.most, 0) / days.length;
  const isIn = ({ said: s, found: h }: (typeof banded)[number]) =>
    h >= s.earlyH! && (s.lateH === null || h <= s.lateH);
  return {
    days: days.length,
    reached: {
      found,
      said,
      verdict: verdictOf(found, said, LEAST.tries),
      fit: calibration(days.map((d) => ({ chance: d.said.most, came: d.found !== 'never' }))),
    },
    within: wilson(banded.filter(isIn).length, banded.length),
    laterH:
      timed.length === 0
        ? null
        : timed.reduce((sum, d) => sum + d.found - d.said.bestH!, 0) / timed.length,
  };
}
