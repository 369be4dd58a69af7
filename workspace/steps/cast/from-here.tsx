'use client';

import { formatLength } from '../../../core/units/index';
import { Choice } from '../../../ui/choice';
import { DescriptionRow, Facts } from '../../../ui/facts';
import { useActions, useCalmPart } from '../../context';
import { useFishNames } from '../../use-fish-names';
import {
  aheadText,
  angleWords,
  castName,
  remainingCasts,
  roomWords,
  towardWords,
  windWords,
} from '../../../words/cast-words';
import type { Settings } from '../../../core/log/index';
import { valueOf } from '../../state/answer';
import { createPlanActions } from '../../plan-actions';
import panel from '../../../ui/panel.module.css';

const WINDS: readonly (readonly [Settings['windFrom'], string])[] = [
  ['unknown', 'not known'],
  ['upstream', 'down the valley'],
  ['downstream', 'up the valley'],
  ['true-left', 'from true left'],
  ['true-right', 'from true right'],
];

/** The cast from where the angler stands: angle, lining, room behind, wind, false casts. */
export function FromHere() {
  const acting = useActions(createPlanActions);
  const now = useCalmPart((s) => valueOf(s, 'drift')?.now);
  const units = useCalmPart((s) => s.settings.units);
  const windFrom = useCalmPart((s) => s.settings.windFrom);
  const nameOf = useFishNames();
  if (!now) return null;
  const far = now.distanceM > now.sureM;
  return (
    <section>
      <h3>From here</h3>
      {now.by === null && (
        <p role="status" className={panel.caution}>
          {now.distanceM > now.layReachM
            ? `Too far for this lay: it reaches ${formatLength(now.layReachM, units)}.`
            : now.refusal === 'boughs-ahead'
              ? `What hangs ahead is in its way${now.ahead.met ? `: ${aheadText(now.ahead.met, units)}` : ''}. Move the stand, or take a lower cast.`
              : 'No room behind for this cast: see what remains below, or move the stand.'}
        </p>
      )}
      {now.by !== null && now.ahead.risk[now.by].plain > 0.05 && (
        <p className={panel.caution}>
          {Math.round(100 * now.ahead.risk[now.by].plain)} in 100 casts hang the fly up ahead;{' '}
          {Math.round(100 * now.ahead.risk[now.by].dropper)} with a dropper.
        </p>
      )}
      {now.ahead.strikeLow && (
        <p className={panel.second}>Strike low and to the side: boughs hang over the way up.</p>
      )}
      {now.snag && <p className={panel.caution}>The line lies over wood or rock.</p>}
      <Facts>
        {now.angleRad !== null && (
          <DescriptionRow name="Angle">{angleWords(now.angleRad)}</DescriptionRow>
        )}
        {now.liningM !== null && (
          <DescriptionRow name="Line off the fish">
            {formatLength(now.liningM, units)}
          </DescriptionRow>
        )}
        {now.lines && now.lines.awayM < 1 && (
          <DescriptionRow name="Line near another">
            {nameOf(now.lines.fishId)}, {formatLength(now.lines.awayM, units)}
          </DescriptionRow>
        )}
        <DescriptionRow name="You land within half a metre to">
          {formatLength(now.sureM, units)}
          {far ? ': this is beyond' : ''}
        </DescriptionRow>
      </Facts>
      <p>
        <strong>Behind.</strong> {roomWords(now.room, units)}
        {now.by ? ` Thrown ${castName(now.by)}.` : ''}
      </p>
      <p className={panel.second}>Remaining: {remainingCasts(now.room, units)}.</p>
      {now.falseCast && (
        <p>
          <strong>False casts</strong>{' '}
          {now.falseCast.clear
            ? `off the fish's side: turned ${Math.round((Math.abs(now.falseCast.turnRad) * 180) / Math.PI)}°, ${towardWords(now.falseCast.bearingRad)}.`
            : 'would fly over a fish whichever way: make none.'}
        </p>
      )}
      <p>
        <strong>Wind.</strong> {windWords(now.wind, windFrom !== 'unknown', units)}
      </p>
      <Choice
        label="The wind blows"
        value={windFrom}
        options={WINDS}
        onChange={(v) => acting.changeSettings({ windFrom: v })}
      />
      {now.strikeRad !== null && (
        <p>
          <strong>Strike</strong> with its own current: {towardWords(now.strikeRad)}.
        </p>
      )}
    </section>
  );
}
