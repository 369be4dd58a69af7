'use client';

import { useMemo } from 'react';
import { tallyOf, type Try } from '../core/log/index';
import { paysToday } from '../core/moves/index';
import { placesToday } from './places-today';
import type { OutingShared } from './shared';
import { useTimeAndWater } from './use-time-and-water';

/** What elsewhere pays: along water that nobody drew by its places, else by what the day has shown. */
export function usePays(attempt: Try, shared: OutingShared, tempC: number | null): number {
  const { view, outing, tries, now } = shared;
  const { until, water } = useTimeAndWater();
  const minute = Math.floor(now / 60_000);
  return useMemo(
    () =>
      attempt.readId
        ? placesToday(shared, tempC, water, until).plan.lambda
        : paysToday(
            tallyOf(outing, tries, now).taken,
            outing ? (now - outing.startMs) / 3_600_000 : 0,
          ),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [attempt.readId, view.log, minute, tempC, water, until],
  );
}
