'use client';

import { useMemo } from 'react';
import { depthPattern, lookOfTry, type DepthPattern } from '../../../core/log/index';
import { sameLie } from '../../../core/terms/index';
import { civilDay } from '../../../core/units/index';
import { usePart, useWorkspace } from '../../context';

/** Whether a lie was fished today: a try's fish lay in it, or beside it. */
export function useFishedToday(): (at: { xM: number; yM: number }) => boolean {
  const { beat } = useWorkspace();
  const tries = usePart((s) => s.tries);
  const zone = beat.plan.timeZone;
  const day = usePart((s) => civilDay(s.atMs, zone));
  return useMemo(() => {
    const places = tries
      .filter((t) => civilDay(t.openedMs, zone) === day)
      .flatMap((t) => t.snapshot.target ?? []);
    return (at) => places.some((p) => sameLie(p, at));
  }, [tries, day, zone]);
}

/** Where fish are being found on the day of the hour strip; null while nothing was tried. */
export function useDepthPattern(): DepthPattern | null {
  const { beat } = useWorkspace();
  const tries = usePart((s) => s.tries);
  const zone = beat.plan.timeZone;
  const day = usePart((s) => civilDay(s.atMs, zone));
  return useMemo(() => {
    const looks = tries
      .filter((t) => civilDay(t.openedMs, zone) === day)
      .flatMap((t) => lookOfTry(t) ?? []);
    return looks.length === 0 ? null : depthPattern(looks);
  }, [tries, day, zone]);
}
