'use client';

import { useEffect } from 'react';
import { useActions, usePart } from '../context';
import { targetOf } from '../state/selectors';
import { waterIsFinal } from '../state/session';
import type { WorkspaceState } from '../state/state';
import { createCastActions } from '../steps/cast/cast-actions';

/** In Stalk and Cast a fish that is meant and has no stand yet gets one proposed; its id, else null. */
const wantsStand = (s: WorkspaceState) =>
  (s.step === 'stalk' || s.step === 'cast') && !(s.stand && s.landing) && waterIsFinal(s) && s.flow
    ? (targetOf(s)?.id ?? null)
    : null;

/** In Cast the search is begun by itself once, when a cast already lies on the plan; the fish's id, else null. */
const wantsSearch = (s: WorkspaceState) =>
  s.step === 'cast' &&
  s.stand !== null &&
  s.dragging === null &&
  waterIsFinal(s) &&
  s.search.kind === 'idle' &&
  s.answers.shots.state === 'none'
    ? (targetOf(s)?.id ?? null)
    : null;

/** What is done by itself on coming to a step with a fish. */
export function Arrivals() {
  const casting = useActions(createCastActions);
  const standless = usePart(wantsStand);
  const unsearched = usePart(wantsSearch);
  useEffect(() => {
    if (standless) void casting.proposeCast();
  }, [casting, standless]);
  useEffect(() => {
    if (unsearched) casting.findShots();
  }, [casting, unsearched]);
  return null;
}
