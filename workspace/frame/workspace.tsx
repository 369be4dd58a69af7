'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { formatLength } from '../../core/units/index';
import { channelMiddleYM, SHARP_CELL_M } from '../../core/water/index';
import { openingCamera, wholeCamera, type Camera } from '../../drawing/camera';
import {
  useActions,
  usePart,
  useWorkspace,
  type Workspace as Held,
  WorkspaceProvider,
} from '../context';
import { HourStrip } from '../hours/hour-strip';
import { ObjectList } from './object-list';
import { baseAddress, createWorkspace } from './create-workspace';
import { parseAddress } from '../state/address';
import { Arrivals } from './arrivals';
import { listenForBench } from './listen-for-bench';
import { CompareView, fetchLater, SectionFly, STEP_ROWS } from './steps';
import { PlanView } from './plan-view';
import { SectionView } from '../section/section-view';
import { StepRail } from './step-rail';
import { TopLine } from './top-line';
import { useSize } from '../../drawing/use-size';
import type { BeatInput } from '../state/document';
import { createPlanActions } from '../plan-actions';
import { Button } from '../../ui/button';
import { ProgressBar } from '../../ui/progress-bar';
import css from './frame.module.css';
import panel from '../../ui/panel.module.css';

/** One beat, seven steps over the same water. */
export function Workspace({ beat, step, query }: { beat: BeatInput; step: string; query: string }) {
  const [held] = useState<Held>(() => createWorkspace(beat, step, query));
  useEffect(() => {
    const stop = held.engine.start();
    const leave = listenForBench(held.store);
    fetchLater();
    return () => {
      leave();
      stop();
    };
  }, [held]);
  useFollowAddress(held);
  return (
    <WorkspaceProvider value={held}>
      <div className={css.workspace}>
        <TopLine />
        <StepRail />
        <Water />
        <Inspector />
        <HourStrip />
      </div>
      <Arrivals />
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

function Water() {
  const { beat } = useWorkspace();
  const comparing = usePart((s) => s.step === 'read' && s.compareLevel !== null);
  const [planRef, planSize] = useSize<HTMLDivElement>();
  const [sectionRef, sectionSize] = useSize<HTMLDivElement>();
  const middle = useMemo(() => channelMiddleYM(beat.plan), [beat.plan]);
  const { store } = useWorkspace();
  useEffect(() => {
    if (planSize.height > 0) store.setState({ planHeightPx: planSize.height });
  }, [store, planSize.height]);
  const [moved, setMoved] = useState<Camera | null>(null);
  const opening = useMemo(
    () => openingCamera(beat.plan.lengthM, middle, planSize.width || 864, planSize.height || 432),
    [beat, middle, planSize.width, planSize.height],
  );
  const whole = wholeCamera(
    beat.plan.lengthM,
    middle,
    planSize.width || 864,
    planSize.height || 432,
  );
  const camera = moved ?? opening;
  const setCamera = useMemo(
    () => (change: (c: Camera) => Camera) => setMoved((c) => change(c ?? opening)),
    [opening],
  );
  const zoom = (factor: number) =>
    setCamera((c) => ({
      ...c,
      scale: c.scale * factor,
      leftM: c.leftM + (planSize.width / 2 / c.scale) * (1 - 1 / factor),
      topM: c.topM - (planSize.height / 2 / c.scale) * (1 - 1 / factor),
    }));
  return (
    <main className={`${css.waterColumn}${comparing ? ` ${css.comparing}` : ''}`}>
      <div className={css.planBox} ref={planRef}>
        <PlanView
          camera={camera}
          setCamera={setCamera}
          width={planSize.width}
          height={planSize.height}
        />
        <div className={css.zoom}>
          <Button voice="bare" aria-label="Nearer" onClick={() => zoom(1.4)}>
            +
          </Button>
          <Button voice="bare" aria-label="Farther" onClick={() => zoom(1 / 1.4)}>
            −
          </Button>
          <Button voice="bare" aria-label="Whole beat" onClick={() => setMoved(whole)}>
            All
          </Button>
        </div>
        <FlowStatus />
        <Notices />
      </div>
      <div className={css.sectionBox} ref={sectionRef}>
        <Below camera={camera} width={sectionSize.width} height={sectionSize.height} />
      </div>
    </main>
  );
}

/** Under the plan, on the same x: the long section, or the same beat at another level. */
function Below(size: { camera: Camera; width: number; height: number }) {
  const comparing = usePart((s) => s.step === 'read' && s.compareLevel !== null);
  return comparing ? <CompareView {...size} /> : <SectionView {...size} fly={SectionFly} />;
}

/** The flow's own state: opening, solving with progress and a way to stop, stopped, failed. */
function FlowStatus() {
  const { engine } = useWorkspace();
  const state = usePart((s) => s.flowState);
  const shown = usePart((s) => s.flow !== null);
  const coarse = usePart((s) => s.flowStale);
  if (state.kind === 'ready') return <SharpStatus />;
  return (
    <div className={panel.flowStatus} role="status">
      {state.kind === 'opening' && <p>Opening the water.</p>}
      {state.kind === 'solving' && (
        <>
          <p>
            Solving the flow: {Math.round(100 * state.progress)} %.{' '}
            {coarse ? 'A rough picture is drawn meanwhile.' : 'A rough picture in a second or two.'}
          </p>
          <ProgressBar share={state.progress} label="Solving the flow" />
          <Button voice="plain" onClick={() => engine.cancelSolve()}>
            Stop
          </Button>
        </>
      )}
      {state.kind === 'cancelled' && (
        <>
          <p>
            Stopped.{' '}
            {shown ? 'What is drawn is a rough picture or another level.' : 'Nothing is drawn.'}
          </p>
          <Button voice="plain" onClick={() => engine.solveAgain()}>
            Solve it
          </Button>
        </>
      )}
      {state.kind === 'failed' && (
        <>
          <p>The flow could not be solved: {state.message}</p>
          <Button voice="plain" onClick={() => engine.solveAgain()}>
            Try again
          </Button>
        </>
      )}
    </div>
  );
}

/** The sharper picture on its way; it can be stopped. */
function SharpStatus() {
  const { engine } = useWorkspace();
  const sharp = usePart((s) => s.sharp);
  const units = usePart((s) => s.settings.units);
  const progress = usePart((s) => Math.round(100 * s.sharpProgress));
  if (sharp !== 'running') return null;
  return (
    <div className={`${panel.flowStatus} ${panel.sharpStatus}`} role="status">
      <p>
        Sharpening to {formatLength(SHARP_CELL_M, units, 1)}: {progress} %
      </p>
      <Button voice="plain" onClick={() => engine.stopSharpening()}>
        Stop
      </Button>
    </div>
  );
}

function Notices() {
  const acting = useActions(createPlanActions);
  const notices = usePart((s) => s.notices);
  if (notices.length === 0) return null;
  return (
    <ul className={css.notices} aria-label="Notices">
      {notices.map((text, i) => (
        <li key={i} role="alert">
          {text}
          <Button voice="plain" onClick={() => acting.dismissNotice(i)}>
            Done
          </Button>
        </li>
      ))}
    </ul>
  );
}

function Inspector() {
  const step = usePart((s) => s.step);
  const { panel: Panel, name } = STEP_ROWS[step];
  const chosen = usePart((s) => s.markId ?? s.lieId);
  const aside = useRef<HTMLElement>(null);
  // What was just chosen is told from its beginning, wherever the panel had been scrolled to.
  useEffect(() => {
    if (aside.current) aside.current.scrollTop = 0;
  }, [step, chosen]);
  return (
    <aside ref={aside} className={css.inspector} aria-label="What is chosen">
      {Panel ? (
        <Panel />
      ) : (
        <section>
          <h2>{name}</h2>
          <p>This step is coming. Read, Spot, Stalk, Cast and Log work now.</p>
        </section>
      )}
      <ObjectList />
    </aside>
  );
}
