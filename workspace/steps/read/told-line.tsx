'use client';

import { useMemo } from 'react';
import { depthMisfit } from '../../../core/water/index';
import { misfitText, toldSurfaceText } from '../../../words/water-words';
import panel from '../../../ui/panel.module.css';
import { usePart, useWorkspace } from '../../context';

/** How the solved water answers to the told: the misfit at the surveyed level, and what the told depths asked for. */
export function ToldLine() {
  const { plan } = useWorkspace().beat;
  const flow = usePart((s) => s.flow);
  const atSurvey = usePart((s) => s.level === plan.surveyedLevel);
  const units = usePart((s) => s.settings.units);
  const misfit = useMemo(
    () => (flow && atSurvey ? depthMisfit(plan, flow) : null),
    [plan, flow, atSurvey],
  );
  return (
    <p className={panel.second}>
      {misfit && `${misfitText(misfit, units)} `}
      {toldSurfaceText(plan, units)}
    </p>
  );
}
