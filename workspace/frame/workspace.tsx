'use client';

import { useEffect, useRef, useState } from 'react';
import { usePart, type Workspace as Held, WorkspaceProvider } from '../context';
import { HourStrip } from '../hours/hour-strip';
import { ObjectList } from './object-list';
import { baseAddress, createWorkspace } from './create-workspace';
import { parseAddress, type Step } from '../state/address';
import { Arrivals } from './arrivals';
import { listenForBench } from './listen-for-bench';
import { Below } from './below';
import { PlanBox } from './plan-box';
import { SaidLine } from './said-line';
import { Shortcuts } from './shortcuts';
import { StepPanel } from './step-panel';
import { WholeView } from './steps';
import { fetchLater, lazy } from '../lazy';
import { listenForDay } from './listen-for-day';
import { usePhone } from '../../ui/use-phone';
import { useView, type View } from './use-view';
import { StepRail } from './step-rail';
import { TopLine } from './top-line';
import type { BeatInput } from '../state/document';
import css from './frame.module.css';

/** A desk never asks for it. */
const PhoneFrame = lazy<{ view: View }>(
  () => import('./phone-frame').then((m) => m.PhoneFrame),
  OpeningFrame,
);

/** One beat, seven steps over the same water. */
export function Workspace({ beat, step, query }: { beat: BeatInput; step: string; query: string }) {
  const [held] = useState<Held>(() => createWorkspace(beat, step, query));
  useEffect(() => {
    const stop = held.engine.start();
    const leave = listenForBench(held.store);
    const stopDay = listenForDay(held);
    fetchLater();
    return () => {
      leave();
      stopDay();
      stop();
    };
  }, [held]);
  useFollowAddress(held);
  return (
    <WorkspaceProvider value={held}>
      <Frame />
      <Arrivals />
      <Shortcuts />
    </WorkspaceProvider>
  );
}

/** Back and forward put the plan that the link holds. */
function useFollowAddress({ beat, store }: Held): void {
  useEffect(() => {
    const onPop = () => {
      const at = window.location.pathname.split('/');
      if (at[1] !== 'b' || at[2] !== beat.id) return;
      const { address } = parseAddress(
        at[3] ?? 'read',
        new URLSearchParams(window.location.search),
        baseAddress(beat),
        beat.plan.timeZone,
      );
      store.setState({ ...address, dragging: null, placing: false });
    };
    window.addEventListener('popstate', onPop);
    return () => window.removeEventListener('popstate', onPop);
  }, [beat, store]);
}

/** A desk has everything side by side; a phone has the plan, and one sheet under it. */
function Frame() {
  const phone = usePhone();
  const view = useView(phone);
  return phone ? <PhoneFrame view={view} /> : <DeskFrame view={view} />;
}

/** Steps that need the whole room of the plan. */
const WHOLE: readonly Step[] = ['day', 'learn', 'bench'];

function DeskFrame({ view }: { view: View }) {
  const comparing = usePart((s) => s.step === 'read' && s.compareLevel !== null);
  // Day has a chart of its own, and what the tries say hangs on no hour.
  const noHours = usePart((s) => s.step === 'day' || s.step === 'learn');
  const whole = usePart((s) => WHOLE.includes(s.step));
  return (
    <div className={css.workspace} data-day={noHours || undefined}>
      <TopLine />
      <StepRail />
      <main className={`${css.waterColumn}${comparing ? ` ${css.comparing}` : ''}`}>
        {whole ? (
          <WholeView />
        ) : (
          <>
            <PlanBox view={view} />
            <div className={css.below}>
              <SaidLine />
              <Below view={view} />
            </div>
          </>
        )}
      </main>
      <Inspector />
      {!noHours && <HourStrip />}
    </div>
  );
}

function Inspector() {
  const step = usePart((s) => s.step);
  const chosen = usePart((s) => s.markId ?? s.lieId);
  const aside = useRef<HTMLElement>(null);
  // What was just chosen is told from its beginning, wherever the panel had been scrolled to.
  useEffect(() => {
    if (aside.current) aside.current.scrollTop = 0;
  }, [step, chosen]);
  return (
    <aside ref={aside} className={css.inspector} aria-label="What is chosen">
      <StepPanel />
      <ObjectList />
    </aside>
  );
}

function OpeningFrame() {
  return (
    <main className={css.opening} aria-busy="true">
      <h1>Opening the beat.</h1>
    </main>
  );
}
