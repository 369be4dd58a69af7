'use client';

import { useMemo } from 'react';
import {
  blankWeight,
  DREW_BLANK,
  type DepthPattern,
  depthPattern,
  foldTry,
  type Look,
  type Try,
} from '../../../core/log/index';
import { civilDay } from '../../../core/units/index';
import { usePart, useWorkspace } from '../../context';

/** What a try says of its place; null when nothing yet, or when the water there was not kept. */
export function lookOf(attempt: Try): Look | null {
  const { target } = attempt.snapshot;
  if (!target || target.depthM === null || target.meanSpeedMps === null) return null;
  const fold = foldTry(attempt.fly, attempt.events);
  const standing = fold.timeline.filter((t) => !t.undone).map((t) => t.event);
  const found = standing.some((e) =>
    ['look', 'refusal', 'miss', 'hook', 'loss', 'landing'].includes(e.code),
  );
  if (!found && fold.casts === 0) return null;
  const blank = standing.some((e) => e.note === DREW_BLANK);
  return {
    depthM: target.depthM,
    meanSpeedMps: target.meanSpeedMps,
    found,
    weight: blank ? 1 : blankWeight(fold.casts),
  };
}

/** Within this of a place tried today a lie counts as fished, m. */
const FISHED_M = 1.5;

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
    return (at) => places.some((p) => Math.hypot(p.xM - at.xM, p.yM - at.yM) < FISHED_M);
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
      .flatMap((t) => lookOf(t) ?? []);
    return looks.length === 0 ? null : depthPattern(looks);
  }, [tries, day, zone]);
}
