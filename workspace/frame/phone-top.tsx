'use client';

import { ChevronLeft, Ellipsis } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { dayText } from '../../core/units/index';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { ThemeButton } from '../../ui/theme-button';
import { usePart, useWorkspace } from '../context';
import css from './frame.module.css';
import { Discharge, LevelChoice } from './level-choice';
import { LevelGlyph } from './level-glyph';
import { SavingLine } from './saving-line';
import { UndoButtons } from './undo-buttons';
import { UnitsButton } from './units-button';
import { WaterTemp } from './water-temp';

/** Name and level; what is set once a day lies behind one key. */
export function PhoneTop() {
  const { beat } = useWorkspace();
  const level = usePart((s) => s.level);
  const atMs = usePart((s) => s.atMs);
  const [open, setOpen] = useState(false);
  return (
    <header className={css.phoneTop}>
      <Link href="/" aria-label="Book" className={css.toBook}>
        <ChevronLeft size={22} aria-hidden="true" />
      </Link>
      <h1>{beat.plan.name}</h1>
      <SavingLine />
      <UndoButtons />
      <Button voice="bare" className={css.levelKey} onClick={() => setOpen(true)}>
        <LevelGlyph level={level} />
        {level}
        <Ellipsis size={18} aria-label="and what else is set for the day" />
      </Button>
      <Dialog title="The day" open={open} onClose={() => setOpen(false)}>
        <div className={css.dayForm}>
          <p>
            {dayText(atMs, beat.plan.timeZone)}, {beat.streamName}
          </p>
          <LevelChoice />
          <p>
            <Discharge />
          </p>
          <WaterTemp />
          <p className={css.dayKeys}>
            <UnitsButton />
            <ThemeButton />
          </p>
        </div>
      </Dialog>
    </header>
  );
}
