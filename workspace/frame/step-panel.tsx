'use client';

import { usePart } from '../context';
import { lazy } from '../lazy';
import { heatOf } from '../state/selectors';
import type { Step } from '../state/address';
import { STEP_ROWS } from './steps';

const HeatNotice = lazy(() => import('../parts/heat-notice').then((m) => m.HeatNotice));

/** Steps that send one fishing: none of their advice is given in water too warm for it. */
const ADVISES: readonly Step[] = ['read', 'stalk', 'cast'];

/** What the step says of what is chosen. */
export function StepPanel() {
  const step = usePart((s) => s.step);
  const { panel: Panel } = STEP_ROWS[step];
  const warm = usePart((s) => heatOf(s).kind);
  if (ADVISES.includes(step) && warm !== 'fine')
    return (
      <>
        <HeatNotice />
        {warm !== 'none' && <Panel />}
      </>
    );
  return <Panel />;
}
