'use client';

import { cleanToLift } from '../../../core/cast/index';
import { formatSeconds } from '../../../core/units/index';
import { useCalmPart } from '../../context';
import { driftWhy, PASS_WORDS } from '../../../words/words';
import { driftSecondsOf } from './questions';
import { valueOf } from '../../state/answer';
import panel from '../../../ui/panel.module.css';

/** The one large figure with its band, whether the fly passes the fish, and why the drift ends. */
export function DriftFigures() {
  const drift = useCalmPart((s) => valueOf(s, 'drift')?.band);
  const hasChance = useCalmPart((s) => Boolean(valueOf(s, 'drift')?.now.chance));
  const driftS = useCalmPart((s) => driftSecondsOf(s.lay));
  const units = useCalmPart((s) => s.settings.units);
  if (!drift)
    return (
      <p className={panel.working} role="status">
        Casting.
      </p>
    );
  const { best, cleanS } = drift;
  const known = best.status === 'ok';
  const whole = cleanS.best >= driftS - 0.11;
  const lifted = cleanToLift(best);
  return (
    <>
      <p className={hasChance ? panel.second : panel.large} aria-live="polite" data-part="drift">
        {known ? (
          <>
            {whole ? `${driftS}` : cleanS.best.toFixed(1)}
            <small> s</small>{' '}
            <span>
              <strong>
                {whole ? 'clean, or more' : lifted ? 'clean to the lift' : 'clean drift'}
              </strong>
              {hasChance ? ', ' : ''}
              {cleanS.low >= driftS - 0.11 || (lifted && cleanS.low >= best.cleanS)
                ? 'followed no further'
                : `between ${formatSeconds(cleanS.low)} and ${formatSeconds(cleanS.high)}`}
            </span>
          </>
        ) : (
          'Not known'
        )}
      </p>
      {!hasChance && best.passesFish && (
        <p>
          <strong>
            {PASS_WORDS[best.passesFish]}
            {best.passesAtS !== null ? ` at ${formatSeconds(best.passesAtS)}` : ''}.
          </strong>
        </p>
      )}
      <p>{driftWhy(best, units)}</p>
    </>
  );
}
