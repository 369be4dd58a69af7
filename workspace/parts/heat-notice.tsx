'use client';

import { heatText } from '../../words/heat-words';
import { usePart } from '../context';
import { heatOf, toldTempOf } from '../state/selectors';
import panel from '../../ui/panel.module.css';

/** Warm water, said once and plainly at the head of every step that would send one fishing. */
export function HeatNotice() {
  const heat = usePart(heatOf);
  const tempC = usePart(toldTempOf);
  const units = usePart((s) => s.settings.units);
  const [lead, ...rest] = heatText(heat, tempC, units);
  if (!lead) return null;
  return (
    <section role="status" data-part="heat">
      <p className={panel.caution}>
        <strong>{lead}</strong>
      </p>
      {rest.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </section>
  );
}
