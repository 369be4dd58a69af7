'use client';

import { formatLength } from '../../../core/units/index';
import { usePart } from '../../context';
import { useFishNames } from '../../use-fish-names';
import { snagName, towardWords } from '../../../words/cast-words';
import { valueOf } from '../../state/answer';
import panel from '../../../ui/panel.module.css';

/** After the take: which way to press, where to lead and land it, and what it would make for. */
export function AfterTake() {
  const away = usePart((s) => valueOf(s, 'castStudy')?.leadAway ?? null);
  const units = usePart((s) => s.settings.units);
  const tempC = usePart((s) => s.settings.waterTempC);
  const nameOf = useFishNames();
  if (!away) return null;
  const far = Math.hypot(away.to.xM - away.from.xM, away.to.yM - away.from.yM);
  return (
    <section>
      <h3>After the take</h3>
      <p>
        <strong>Side pressure, {towardWords(away.pressureRad)}.</strong>{' '}
        {away.slack
          ? `Lead it ${formatLength(far, units)} to the slack, shallow water drawn with a cross, and land it there.`
          : 'No slack, shallow water lies within your reach: bring it to where you stand.'}
      </p>
      {away.danger && (
        <p className={panel.caution}>
          Keep it off {snagName(away.danger.kind)}, {formatLength(away.danger.awayM, units)} from
          its way.
        </p>
      )}
      {away.passes && (
        <p className={panel.caution}>
          It passes {nameOf(away.passes.fishId)} within {formatLength(away.passes.awayM, units)}:
          that one will know.
        </p>
      )}
      <p className={panel.second}>
        Wet hands, barbless, the fish in the water.
        {tempC !== null && tempC > 17 ? ' Short: the water is warm.' : ''} Mind your footing: never
        step deeper after a fish.
      </p>
    </section>
  );
}
