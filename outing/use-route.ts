'use client';

import { useEffect, useRef, useState } from 'react';
import type { BeatPack } from '../core/outing/index';
import type { RouteAsk, RouteResult, Stop } from '../core/route/index';

/** Plans anew this long after something changed, ms: what was pressed shows first. */
const AFTER_MS = 30;

/**
 * The route from here on: worked out on this phone from what was taken along, again whenever something was
 * ticked off. null: no route was taken along, or it is on its way.
 */
export function useRoute(pack: BeatPack | null, ask: RouteAsk | null): RouteResult | null {
  const [result, setResult] = useState<RouteResult | null>(null);
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
      const { planRoute } = await import('../core/route/plan-route');
      if (gone) return;
      const warm = stops.current?.beatId === pack.beatId ? stops.current.stops : pack.route!.stops;
      const next = planRoute(pack.route!.ground, ask, { warm, brief: true });
      if (next.kind === 'route') stops.current = { beatId: pack.beatId, stops: next.stops };
      setResult(next);
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
