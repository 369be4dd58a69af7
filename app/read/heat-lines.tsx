'use client';

import type { Heat } from '@/core/day/index';
import type { UnitSystem } from '@/core/units/index';
import { heatText } from '@/words/heat-words';

/** What warm water means, over the answer. */
export function HeatLines({
  heat,
  tempC,
  units,
}: {
  heat: Heat;
  tempC: number;
  units: UnitSystem;
}) {
  return (
    <div role="status" data-part="heat">
      {heatText(heat, tempC, units).map((line) => (
        <p key={line}>{line}</p>
      ))}
    </div>
  );
}
