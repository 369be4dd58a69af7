'use client';

import { POSTURES } from '../../core/sight/index';
import { Choice } from '../../ui/choice';
import { POSTURE_NAMES } from '../../words/names';
import { useActions, usePart } from '../context';
import { createPlanActions } from '../plan-actions';

/** The posture at the stand, in whichever step it matters. */
export function PostureChoice() {
  const acting = useActions(createPlanActions);
  const posture = usePart((s) => s.posture);
  return (
    <Choice
      label="Posture"
      value={posture}
      options={POSTURES.map((p) => [p, POSTURE_NAMES[p]] as const)}
      onChange={acting.setPosture}
    />
  );
}
