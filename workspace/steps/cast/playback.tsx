'use client';

import { useEffect } from 'react';
import { formatSeconds, formatSpeed } from '../../../core/units/index';
import { MICRO_MPS, WAKE_MPS, type DriftResult } from '../../../core/cast/index';
import { Button } from '../../../ui/button';
import { useActions, useCalmPart, useWorkspace } from '../../context';
import { driftSecondsOf } from './questions';
import { valueOf } from '../../state/answer';
import { createCastActions } from './cast-actions';
import css from './cast.module.css';
import panel from '../../../ui/panel.module.css';
import { Slider } from '../../../ui/slider';

/** The drift as a film: line and leader as they lie, from the moment the fly lands. */
export function Playback() {
  const { store } = useWorkspace();
  const casting = useActions(createCastActions);
  const best = useCalmPart((s) => valueOf(s, 'drift')?.band?.best ?? null);
  const atS = useCalmPart((s) => s.filmAtS);
  const runs = useCalmPart((s) => s.filmRuns);
  const dragging = useCalmPart((s) => s.dragging !== null);
  const units = useCalmPart((s) => s.settings.units);
  const driftS = useCalmPart((s) => driftSecondsOf(s.lay));
  const film = best?.film;
  useEffect(() => {
    if (!runs) return;
    let frame = 0;
    let before = performance.now();
    const turn = (now: number) => {
      const next = Math.min(driftS, (store.getState().filmAtS ?? 0) + (now - before) / 1000);
      before = now;
      casting.filmTo(next, next < driftS);
      if (next < driftS) frame = requestAnimationFrame(turn);
    };
    frame = requestAnimationFrame(turn);
    return () => cancelAnimationFrame(frame);
  }, [runs, casting, store, driftS]);
  if (!best) return null;
  const ready = film !== undefined && !dragging;
  return (
    <div className={css.playback}>
      <div className={panel.row}>
        <Button
          disabled={!ready}
          onClick={() =>
            runs
              ? casting.runFilm(false)
              : casting.filmTo(atS === null || atS >= driftS - 0.01 ? 0 : atS, true)
          }
        >
          {runs ? 'Stop' : 'Play the drift'}
        </Button>
        {atS !== null && !runs && (
          <Button voice="plain" onClick={() => casting.showFilm(null)}>
            As laid
          </Button>
        )}
      </div>
      <Slider
        label="Moment of the drift"
        min={0}
        max={driftS}
        step={0.05}
        value={atS ?? 0}
        disabled={!ready}
        text={momentText(best, atS ?? 0, units)}
        onChange={casting.showFilm}
      />
      <p className={panel.second}>
        {momentText(best, atS ?? 0, units)}
        {atS !== null && ' Black: where the line is pulled.'}
      </p>
    </div>
  );
}

function momentText(best: DriftResult, atS: number, units: 'metric' | 'us'): string {
  const n = Math.min(
    best.t.length - 1,
    Math.max(0, Math.round((atS / best.t[best.t.length - 1]!) * (best.t.length - 1))),
  );
  const drag = best.dragMps[n]!;
  const state =
    n === 0
      ? 'the fly lands'
      : drag > WAKE_MPS
        ? `a wake, ${formatSpeed(drag, units)}`
        : drag > MICRO_MPS
          ? `drags a little, ${formatSpeed(drag, units)}`
          : 'clean';
  const first = best.firstMicroS;
  const bites = first !== null && Math.abs(atS - first) < 0.06 ? ', the line bites' : '';
  return `At ${formatSeconds(atS)}: ${state}${bites}.`;
}
