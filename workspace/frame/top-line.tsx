'use client';

import Link from 'next/link';
import { dayText, formatLength } from '../../core/units/index';
import { ThemeButton } from '../../ui/theme-button';
import { usePart, useWorkspace } from '../context';
import css from './frame.module.css';
import { Discharge, LevelChoice } from './level-choice';
import { SavingLine } from './saving-line';
import { ShortcutsKey } from './shortcuts';
import { UndoButtons } from './undo-buttons';
import { UnitsButton } from './units-button';
import { WaterTemp } from './water-temp';

export function TopLine() {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const atMs = usePart((s) => s.atMs);
  const { plan } = beat;
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
      <LevelChoice />
      <Discharge />
      <strong>{dayText(atMs, plan.timeZone)}</strong>
      <WaterTemp />
      <span className={css.spring} />
      <UndoButtons />
      <SavingLine />
      <ShortcutsKey />
      <ThemeButton />
      <UnitsButton />
    </header>
  );
}
