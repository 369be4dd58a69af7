'use client';

import { usePart } from '../context';
import { STEP_ROWS } from './steps';

/** What the step says of what is chosen. */
export function StepPanel() {
  const step = usePart((s) => s.step);
  const { panel: Panel, name } = STEP_ROWS[step];
  if (Panel) return <Panel />;
  return (
    <section>
      <h2>{name}</h2>
      <p>This step is coming. Read, Spot, Stalk, Cast and Log work now.</p>
    </section>
  );
}
