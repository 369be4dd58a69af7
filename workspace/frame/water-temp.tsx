'use client';

import { useState } from 'react';
import { ASSUMED_TEMP_C } from '../../core/log/index';
import { formatTemp, parseTempC, tempUnit } from '../../core/units/index';
import { TextInput } from '../../ui/input';
import panel from '../../ui/panel.module.css';
import { useActions, usePart } from '../context';
import { createPlanActions } from '../plan-actions';
import css from './frame.module.css';

/** One figure the angler types. Until then a stated guess is used. */
export function WaterTemp() {
  const acting = useActions(createPlanActions);
  const units = usePart((s) => s.settings.units);
  const tempC = usePart((s) => s.settings.waterTempC);
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = text ?? (tempC === null ? '' : formatTemp(tempC, units).replace(/[^\d.,-]/g, ''));
  const keep = () => {
    if (text === null) return;
    if (text.trim() === '') {
      acting.changeSettings({ waterTempC: null });
      setProblem(null);
      setText(null);
      return;
    }
    const parsed = parseTempC(text, units);
    if (!parsed.ok) {
      setProblem(parsed.message);
      return;
    }
    setProblem(null);
    setText(null);
    if (parsed.value !== tempC)
      acting.changeSettings({ waterTempC: Math.round(parsed.value * 10) / 10 });
  };
  return (
    <label className={css.temp}>
      Water
      <TextInput
        voice="words"
        inputMode="decimal"
        aria-label={`Water temperature, ${tempUnit(units)}`}
        aria-invalid={problem !== null}
        aria-describedby="temp-problem"
        placeholder={formatTemp(ASSUMED_TEMP_C, units).replace(/[^\d.]/g, '')}
        value={shown}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep();
          if (e.key === 'Escape') {
            setText(null);
            setProblem(null);
          }
        }}
      />
      {tempUnit(units)}
      {tempC === null && problem === null && <span className={css.assumed}>assumed</span>}
      <span id="temp-problem" role="alert" className={panel.problem}>
        {problem}
      </span>
    </label>
  );
}
