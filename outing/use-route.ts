'use client';

import { useEffect, useRef, useState } from 'react';
import type { OutingLog, Settings } from '../core/log/index';
import type { BeatPack, DayBook } from '../core/outing/index';
import type { TodaysPattern } from '../core/places/index';
import type { RouteAsk, RouteResult, Stop } from '../core/route/index';

/** The route, and where today's fish lay; null: too few were found to say. */
export interface PlannedRoute {
  result: RouteResult;
  pattern: TodaysPattern | null;
}

/** Plans anew this long after something changed, ms: what was pressed shows first. */
const AFTER_MS = 30;

/**
 * The route from here on: worked out on this phone from what was taken along, again whenever something was
 * ticked off. null: no route was taken along, or it is on its way.
 */
export function useRoute(
  pack: BeatPack | null,
  ask: RouteAsk | null,
  log: Pick<OutingLog, 'tries' | 'reads'>,
  outingId: string | null,
  settings: Settings | undefined,
  day: DayBook | undefined,
  nowMs: number,
): PlannedRoute | null {
  const [result, setResult] = useState<PlannedRoute | null>(null);
  const stops = useRef<{ beatId: string; stops: readonly Stop[] } | null>(null);
  // By quarter hours of what is left: not at every second.
  const asked =
    ask && pack
      ? JSON.stringify([pack.beatId, pack.madeMs, { ...ask, budgetS: quarter(ask.budgetS) }])
      : null;
  useEffect(() => {
    if (!pack?.route || !ask) {
      setResult(null);
      return;
    }
    let gone = false;
    const later = setTimeout(async () => {
      // By their own files: the rooms' doors would bring the search for shots along.
      const [
        { planRoute },
        { groundByPattern },
        { looksOf },
        { todaysPattern },
        { seasonsPattern },
      ] = await Promise.all([
        import('../core/route/plan-route'),
        import('../core/outing/route-by-pattern'),
        import('../core/outing/place-plan'),
        import('../core/places/pattern'),
        import('./seasons-pattern'),
      ]);
      if (gone) return;
      const today = log.tries.filter((t) => t.outingId === outingId);
      const pattern = todaysPattern(
        looksOf(today, log.reads),
        seasonsPattern(settings, nowMs, day),
      );
      const { ground: even } = pack.route!;
      const ground = pattern ? groundByPattern(even, pack.targets, pattern) : even;
      const warm = stops.current?.beatId === pack.beatId ? stops.current.stops : pack.route!.stops;
      const next = planRoute(ground, ask, { warm, brief: true });
      if (next.kind === 'route') stops.current = { beatId: pack.beatId, stops: next.stops };
      setResult({ result: next, pattern });
    }, AFTER_MS);
    return () => {
      gone = true;
      clearTimeout(later);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  return result;
}

const quarter = (s: number | null) => (s === null ? null : Math.round(s / 900));
