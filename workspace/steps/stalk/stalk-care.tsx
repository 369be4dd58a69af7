'use client';

import { atClockText, formatLength } from '../../../core/units/index';
import { usePart } from '../../context';
import { cautionText, changeText } from '../../../words/stalk-words';
import { capital } from '../../../words/names';
import { useFishNames } from '../../use-fish-names';
import { shownWay, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import css from './stalk.module.css';
import panel from '../../../ui/panel.module.css';

/** The shadow thrown from the stand, and when it leaves the water. */
export function ShadowPanel() {
  const study = usePart((s) => valueOf(s, 'stalkStudy'));
  const units = usePart((s) => s.settings.units);
  const nameOf = useFishNames();
  const shadow = study?.shadow;
  if (!shadow || shadow.onWaterM === 0) return null;
  const leaves =
    study.shadowLeavesHour === null
      ? 'It lies on the water for the next hours.'
      : `It is off the water by ${atClockText(study.shadowLeavesHour)}.`;
  return (
    <p>
      <strong>
        Your shadow lies {formatLength(shadow.onWaterM, units)} over the water
        {shadow.over && `, on ${nameOf(shadow.over)}`}.
      </strong>{' '}
      {leaves}
    </p>
  );
}

/** Cautions where they belong, and the angler's own local notes beside them. */
export function CarePanel() {
  const cautions = usePart((s) => valueOf(s, 'stalkStudy')?.cautions[s.stalkShown] ?? null);
  const way = usePart(shownWay);
  const units = usePart((s) => s.settings.units);
  const notes = usePart((s) => s.settings.localNotes);
  if (!way || !cautions || (cautions.length === 0 && notes === '')) return null;
  return (
    <div className={css.careList}>
      {cautions.map((c, i) => (
        <p key={i} className={panel.caution}>
          {cautionText(c, units)}
        </p>
      ))}
      {notes && (
        <p className={css.localNotes}>
          <strong>Your local notes.</strong> {notes}
        </p>
      )}
    </div>
  );
}

/** What waiting or keeping lower would change. */
export function ChangesPanel() {
  const study = usePart((s) => valueOf(s, 'stalkStudy'));
  const target = usePart(targetOf);
  const nameOf = useFishNames();
  if (!study || !target) return null;
  const name = nameOf(target.id);
  return (
    <section>
      <h3>What would change it</h3>
      {study.changes.length === 0 ? (
        <p className={panel.second}>
          Neither waiting nor keeping lower gains anything worth saying.
        </p>
      ) : (
        <ul className={panel.changes}>
          {study.changes.slice(0, 3).map((c, i) => (
            <li key={i}>{changeText(c, capital(name))}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
