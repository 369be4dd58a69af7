'use client';

import { useCalmPart } from '../../context';
import { heldBackText, hookText, partsText, stayText } from '../../../words/chance-words';
import { valueOf } from '../../state/answer';
import panel from '../../../ui/panel.module.css';

/** The one currency: how likely this cast gets an honest look, its parts, what holds it back, what follows. */
export function ChanceFigures() {
  const now = useCalmPart((s) => valueOf(s, 'drift')?.now ?? null);
  const stay = useCalmPart((s) => s.settings.methods.stay);
  const chance = now?.chance;
  if (!chance) return null;
  const round = (share: number) => Math.round(100 * share);
  return (
    <>
      <p className={panel.large} aria-live="polite" data-part="chance">
        {round(chance.found)}
        <small> in 100</small>
        <span>
          <strong>an honest look in three casts</strong>
          between {round(chance.low)} and {round(chance.high)}
        </span>
      </p>
      <p className={panel.second}>{partsText(chance)}</p>
      <p>
        <strong>{heldBackText(chance, now.dwell)}</strong> {hookText(chance)}{' '}
        {stayText(stay, chance)}
      </p>
    </>
  );
}
