import type { FishOrder } from '../state/answer';

/** Which fish a card plans a shot for, in order: one alone needs none worked out. Empty: it is not known yet. */
export const fishToPlan = (
  present: readonly { id: string }[],
  order: FishOrder | null,
): string[] =>
  present.length === 1
    ? [present[0]!.id]
    : order
      ? order.sequence.order.map((i) => order.fishIds[i]!)
      : [];
