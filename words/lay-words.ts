import type { Lay } from '../core/cast/index';
import { TOWARD } from './lay-names';
import { formatLength, type UnitSystem } from '../core/units/index';

/** What the hands do, in a sentence. */
export function layHow(lay: Lay, units: UnitSystem): string {
  const m = (metres: number) => formatLength(metres, units);
  if (lay.kind === 'straight') return 'Straight line.';
  if (lay.kind === 'reach')
    return `Reach ${TOWARD[lay.toward]}-current, ${m(lay.amountM)}, and follow with the rod.`;
  if (lay.kind === 'slack') return 'Slack in waves: check the cast and wag the rod.';
  if (lay.kind === 'pile') return 'A pile: aim high, drop the rod, the leader falls in a heap.';
  if (lay.kind === 'curve') return `The end of the line curves ${TOWARD[lay.toward]}-current.`;
  if (lay.kind === 'aerial-mend')
    return `Throw the middle of the line ${TOWARD[lay.toward]}-current before it falls.`;
  if (lay.kind === 'feed') return 'Feed line at the pace of the water, rod low.';
  if (lay.kind === 'late-feed')
    return 'Straight; take in as it comes, and pay out once it has passed the rod.';
  if (lay.kind === 'high-stick')
    return 'Rod high over the line, follow it; leader alone on the water.';
  if (lay.kind === 'bow-and-arrow') return 'Bow and arrow: draw the leader by the fly and let go.';
  return lay.kind === 'roll'
    ? 'A roll: no back cast.'
    : 'Line over the grass, leader alone on the water.';
}
