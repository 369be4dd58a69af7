import { useMemo } from 'react';
import type { Place } from '../core/grid/index';
import { createChannel } from '../core/water/index';
import { useWorkspace } from './context';

export type Side = 'left' | 'right' | 'water';

/** On which bank a place is, looking down the current, or in the water between them. */
export function useSide(): (p: Place) => Side {
  const { plan } = useWorkspace().beat;
  const channel = useMemo(() => createChannel(plan), [plan]);
  return (p) => {
    const n = channel.across(Math.min(plan.lengthM, Math.max(0, p.xM)), p.yM);
    return n <= 0 ? 'left' : n >= 1 ? 'right' : 'water';
  };
}
