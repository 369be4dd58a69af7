import type { Heat } from '../core/day/index';
import { formatTemp, type UnitSystem } from '../core/units/index';

/** What warm water means, said once and plainly; empty where it means nothing. */
export function heatText(heat: Heat, tempC: number | null, units: UnitSystem): string[] {
  if (heat.kind === 'fine' || tempC === null) return [];
  const limit = formatTemp(heat.limitC, units);
  const now = formatTemp(tempC, units);
  if (heat.kind === 'none')
    return [
      `The water is ${now}. No fishing advice today: a trout played now may die out of sight, whatever it looks like when it swims off.`,
      'Cooler water: springs and side streams, the shaded reach higher up, below broken water; and the first hours after dawn. Local closures decide.',
    ];
  if (heat.kind === 'stop')
    return [
      `The water is ${now}; your limit is ${limit}. Stop now, and come back in the cool of the morning. Local rules decide.`,
    ];
  const near = `The water is ${now}, near your limit of ${limit}. Play them short, keep them in the water, and take the temperature again within the hour.`;
  return heat.beyondKinder
    ? [
        near,
        'You fish on beyond the kinder limit: more of the fish you release will die of it than you see. Short fights, no photographs, few fish.',
      ]
    : [near];
}
