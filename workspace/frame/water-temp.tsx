'use client';

import { formatTemp, parseTempC, tempUnit } from '../../core/units/index';
import { TextInput } from '../../ui/input';
import panel from '../../ui/panel.module.css';
import { useFigure } from '../../ui/use-figure';
import { useActions, usePart } from '../context';
import { createPlanActions } from '../plan-actions';
import { tempOf, tempSourceOf } from '../state/selectors';
import css from './frame.module.css';

/** One figure the angler types. Until then a stated guess is used. */
export function WaterTemp() {
  const acting = useActions(createPlanActions);
  const units = usePart((s) => s.settings.units);
  const beatId = usePart((s) => s.daySiteId);
  // A thermometer that was in another beat's water is not this one's.
  const tempC = usePart(({ settings }) =>
    settings.waterTempAt && settings.waterTempAt.beatId !== beatId ? null : settings.waterTempC,
  );
  const source = usePart(tempSourceOf);
  const usedC = usePart(tempOf);
  const atMs = usePart((s) => s.atMs);
  const { problem, input } = useFigure<number | null>(
    tempC === null ? '' : formatTemp(tempC, units).replace(/[^\d.,-]/g, ''),
    // Nothing typed: it is not known any more.
    (text) => (text.trim() === '' ? { ok: true, value: null } : parseTempC(text, units)),
    (value) => {
      // 65 °F is a limit: a tenth of a degree Celsius would blur it.
      const kept = value === null ? null : Math.round(value * 100) / 100;
      if (value !== tempC)
        acting.changeSettings({
          waterTempC: kept,
          waterTempAt: kept === null ? null : { beatId, ms: atMs },
        });
    },
  );
  return (
    <label className={css.temp}>
      Water
      <TextInput
        voice="words"
        inputMode="decimal"
        aria-label={`Water temperature, ${tempUnit(units)}`}
        aria-describedby="temp-problem"
        placeholder={formatTemp(usedC, units).replace(/[^\d.]/g, '')}
        {...input}
      />
      {tempUnit(units)}
      {tempC === null && problem === null && (
        <span className={css.assumed}>{source === 'curve' ? 'by the curve' : 'assumed'}</span>
      )}
      <span id="temp-problem" role="alert" className={panel.problem}>
        {problem}
      </span>
    </label>
  );
}
