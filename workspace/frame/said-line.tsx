'use client';

import { formatLength } from '../../core/units/index';
import { kernelHere, SHARP_CELL_M } from '../../core/water/index';
import { Button } from '../../ui/button';
import { ProgressBar } from '../../ui/progress-bar';
import { useActions, usePart, useWorkspace } from '../context';
import { createPlanActions } from '../plan-actions';
import type { WorkspaceState } from '../state/state';
import css from './frame.module.css';

/**
 * One line under the plan, so that nothing lies over the water: what was refused, how far solving and
 * sharpening are, and how far the water on screen can be believed. `quiet`: only what is not usual.
 */
export function SaidLine({ quiet = false }: { quiet?: boolean }) {
  const what = usePart(sayingOf);
  if (quiet && what === 'believed') return null;
  const Saying = SAYINGS[what];
  return (
    <div className={css.said}>
      <Saying />
    </div>
  );
}

function sayingOf(s: WorkspaceState): keyof typeof SAYINGS {
  if (s.notices.length > 0) return 'notices';
  if (s.flowState.kind !== 'ready') return 'flow';
  if (s.compareLevel !== null && s.otherState.kind !== 'ready') return 'other';
  return s.sharp === 'running' ? 'sharpening' : 'believed';
}

/** The flow's own state: opening, solving with progress and a way to stop, stopped, failed. */
function FlowStatus() {
  const { engine } = useWorkspace();
  const state = usePart((s) => s.flowState);
  const shown = usePart((s) => s.flow !== null);
  const coarse = usePart((s) => s.flowStale);
  return (
    <div className={css.saying} role="status" data-part="flow-status">
      {state.kind === 'opening' && <p>Opening the water.</p>}
      {state.kind === 'solving' && (
        <>
          <p>
            Solving the flow: {Math.round(100 * state.progress)} %.{' '}
            {coarse ? 'A rough picture is drawn meanwhile.' : 'A rough picture in a second.'}
            {kernelHere() !== 'wasm' &&
              ' This browser is slow at it: about six times as long as others.'}
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
function Sharpening() {
  const { engine } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const progress = usePart((s) => Math.round(100 * s.sharpProgress));
  return (
    <div className={css.saying} role="status" data-part="sharp-status">
      <p>
        Sharpening to {formatLength(SHARP_CELL_M, units, 1)}: {progress} %
      </p>
      <Button voice="plain" onClick={() => engine.stopSharpening()}>
        Stop
      </Button>
    </div>
  );
}

/** The level that is laid beside this one, on its way. */
function OtherStatus() {
  const state = usePart((s) => s.otherState);
  const level = usePart((s) => s.compareLevel);
  return (
    <p className={css.saying} role="status">
      {state.kind === 'opening' && `Opening ${level}.`}
      {state.kind === 'solving' && `Solving ${level}: ${Math.round(100 * state.progress)} %.`}
      {state.kind === 'failed' && `${level} could not be solved: ${state.message}`}
    </p>
  );
}

/** What the water on screen is worth. */
function Believed() {
  const cellM = usePart((s) => s.flow?.cellM ?? null);
  const calibrated = usePart((s) => s.flow?.calibrated ?? true);
  const units = usePart((s) => s.settings.units);
  if (cellM === null) return null;
  return (
    <p className={css.saying} data-part="believed">
      Water solved every {formatLength(cellM, units, 1)}
      {calibrated
        ? ', set by what was measured here.'
        : '. Not set by any reading here: pace ±10 %.'}
    </p>
  );
}

function Notices() {
  const acting = useActions(createPlanActions);
  const notices = usePart((s) => s.notices);
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

const SAYINGS = {
  notices: Notices,
  flow: FlowStatus,
  other: OtherStatus,
  sharpening: Sharpening,
  believed: Believed,
};
