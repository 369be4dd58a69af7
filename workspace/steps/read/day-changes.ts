'use client';

import { useMemo } from 'react';
import { compareDays, type DayChange } from '../../../core/lies/index';
import { usePart } from '../../context';
import { valueOf } from '../../state/answer';

/** Changes between the day laid by and now, largest first; empty while no day is laid by. */
export function useDayChanges(): DayChange[] {
  const then = usePart((s) => s.keptDay);
  const lies = usePart((s) => valueOf(s, 'lies'));
  const flow = usePart((s) => s.flow);
  return useMemo(
    () => (then && lies && flow ? compareDays(then, { flow, lies }) : []),
    [then, lies, flow],
  );
}
