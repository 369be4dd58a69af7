'use client';

import Link from 'next/link';
import { useState } from 'react';
import {
  dayText,
  formatDischarge,
  formatLength,
  formatTemp,
  parseTempC,
  tempUnit,
} from '../../core/units/index';
import { UndoButtons } from './undo-buttons';
import { SavingLine } from './saving-line';
import { ThemeButton } from '../../ui/theme-button';
import { useActions, usePart, useWorkspace } from '../context';
import { ASSUMED_TEMP_C } from '../../core/log/index';
import { createPlanActions } from '../plan-actions';
import { Button } from '../../ui/button';
import { TextInput } from '../../ui/input';
import css from './frame.module.css';
import panel from '../../ui/panel.module.css';

/** Height of the water in the level's glyph, px of 11. */
const FILL = { Thin: 2.5, Fair: 5, Full: 8, Spate: 11 } as const;

export function TopLine() {
  const { beat } = useWorkspace();
  const acting = useActions(createPlanActions);
  const level = usePart((s) => s.level);
  const units = usePart((s) => s.settings.units);
  const atMs = usePart((s) => s.atMs);
  const { plan } = beat;
  const chosen = plan.levels.find((l) => l.name === level)!;
  return (
    <header className={css.top}>
      <h1>
        <span>
          <Link href="/">Book</Link> <span aria-hidden="true">/</span> {plan.name}
        </span>
        <span className={css.beatOf}>
          {beat.streamName}, {formatLength(plan.lengthM, units, 0)}
        </span>
      </h1>
      <div className={css.levels} role="radiogroup" aria-label="Level">
        {plan.levels.map((l) => (
          <Button
            voice="bare"
            key={l.name}
            role="radio"
            aria-checked={l.name === level}
            className={l.name === level ? css.chosen : ''}
            title={`${formatDischarge(l.dischargeM3s, units)}, ${l.how}`}
            onClick={() => acting.chooseLevel(l.name)}
          >
            <svg width="22" height="14" viewBox="0 0 22 14" aria-hidden="true">
              <path
                d={`M${3 + (11 - FILL[l.name]) * 0.3},${13 - FILL[l.name]}H${19 - (11 - FILL[l.name]) * 0.3}L16,13H6Z`}
                fill="var(--ink2)"
                opacity="0.5"
              />
              <path d="M2,1L6,13H16L20,1" fill="none" stroke="currentColor" strokeWidth="1.4" />
            </svg>
            {l.name}
          </Button>
        ))}
        <span className={css.discharge}>
          {formatDischarge(chosen.dischargeM3s, units)}
          {chosen.how === 'guessed' ? ', guessed' : ''}
        </span>
      </div>
      <strong className={css.day}>{dayText(atMs, plan.timeZone)}</strong>
      <WaterTemp />
      <span className={css.spring} />
      <UndoButtons />
      <SavingLine />
      <ThemeButton />
      <Button
        voice="plain"
        onClick={() => acting.changeSettings({ units: units === 'us' ? 'metric' : 'us' })}
      >
        Units {units === 'us' ? 'ft, °F' : 'm, °C'}
      </Button>
    </header>
  );
}

/** One figure the angler types. Until then a stated guess is used. */
function WaterTemp() {
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
