'use client';

import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/button';
import { Tabs } from '../../ui/tabs';
import { usePart } from '../context';
import { HourStrip } from '../hours/hour-strip';
import { Below } from './below';
import css from './frame.module.css';
import { ObjectList } from './object-list';
import { PhoneTop } from './phone-top';
import { PlanBox } from './plan-box';
import { SaidLine } from './said-line';
import { StepPanel } from './step-panel';
import { StepRail } from './step-rail';
import type { View } from './use-view';

const HEIGHTS = ['low', 'half', 'tall'] as const;
type Height = (typeof HEIGHTS)[number];
type Page = 'why' | 'section' | 'list';

/** Dragged farther than this, the sheet takes the next height, px. */
const NEXT_PX = 40;

/** One thumb: the plan on top, one sheet under it, the hour and the steps at the foot. */
export function PhoneFrame({ view }: { view: View }) {
  return (
    <div className={`${css.workspace} ${css.phone}`}>
      <PhoneTop />
      <main className={css.waterColumn}>
        <PlanBox view={view} />
      </main>
      <Sheet view={view} />
      <HourStrip />
      <StepRail />
    </div>
  );
}

/** What is chosen, why, the section and the list, in one of three heights. */
function Sheet({ view }: { view: View }) {
  const [height, setHeight] = useState<Height>('half');
  const [page, setPage] = useState<Page>('why');
  const step = usePart((s) => s.step);
  const chosen = usePart((s) => s.markId ?? s.lieId);
  const comparing = usePart((s) => s.step === 'read' && s.compareLevel !== null);
  const body = useRef<HTMLDivElement>(null);
  // What was just chosen is told, from its beginning.
  useEffect(() => {
    setPage('why');
    // These are not about the plan above them.
    if (step === 'day' || step === 'learn') setHeight('tall');
    if (body.current?.parentElement) body.current.parentElement.scrollTop = 0;
  }, [step, chosen]);
  useEffect(() => {
    if (comparing) setPage('section');
  }, [comparing]);
  const turn = (by: number) =>
    setHeight((h) => HEIGHTS[Math.min(2, Math.max(0, HEIGHTS.indexOf(h) + by))]!);
  return (
    <aside className={css.sheet} data-height={height} aria-label="What is chosen">
      <Grip height={height} onTurn={turn} onCycle={() => setHeight(NEXT[height])} />
      <SaidLine quiet />
      <Tabs<Page>
        label="Of what is chosen"
        value={page}
        onChange={(next) => {
          setPage(next);
          if (height === 'low') setHeight('half');
        }}
        pages={[
          [
            'why',
            'Why',
            <div key="why" ref={body} className={css.inspector}>
              <StepPanel />
            </div>,
          ],
          ['section', 'Section', <Below key="section" view={view} />],
          [
            'list',
            'List',
            <div key="list" className={css.inspector}>
              <ObjectList />
            </div>,
          ],
        ]}
      />
    </aside>
  );
}

const NEXT: Record<Height, Height> = { low: 'half', half: 'tall', tall: 'low' };
const SAID: Record<Height, string> = {
  low: 'low, the plan is large',
  half: 'half',
  tall: 'tall',
};

/** Dragged or pressed: the next height. */
function Grip({
  height,
  onTurn,
  onCycle,
}: {
  height: Height;
  onTurn: (by: number) => void;
  onCycle: () => void;
}) {
  const from = useRef<{ y: number; moved: boolean } | null>(null);
  return (
    <Button
      voice="bare"
      className={css.grip}
      aria-label={`Height of the sheet: ${SAID[height]}. Press for the next; arrow keys.`}
      onPointerDown={(e) => {
        from.current = { y: e.clientY, moved: false };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        const held = from.current;
        if (!held || Math.abs(e.clientY - held.y) < NEXT_PX) return;
        onTurn(e.clientY < held.y ? 1 : -1);
        from.current = { y: e.clientY, moved: true };
      }}
      onClick={() => {
        if (!from.current?.moved) onCycle();
        from.current = null;
      }}
      onKeyDown={(e) => {
        if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
        e.preventDefault();
        onTurn(e.key === 'ArrowUp' ? 1 : -1);
      }}
    >
      <span />
    </Button>
  );
}
