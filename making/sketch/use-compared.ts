'use client';

import { useEffect, useState } from 'react';
import {
  compareSketch,
  type Sketch,
  type SketchBeat,
  type ToldAndSolved,
} from '../../core/water/index';
import { spawnFlow, type WorkerHandle } from '../../workers/client';
import type { FlowWorker } from '../../workers/protocol';

/** Keys that are pressed one after the other are one change, ms. */
const QUIET_MS = 60;

export type Compared =
  | { state: 'solving' }
  | { state: 'failed'; message: string }
  /** `of`: the sketch that was solved; another one now is older news. */
  | { state: 'done'; pieces: ToldAndSolved[] };

/**
 * The sketch solved on coarse cells at the level it was told at, as it is told: one worker for as long
 * as the page is open, the newest question wins. Laid beside what was told.
 */
export function useCompared(sketch: Sketch, built: SketchBeat): Compared {
  const [held, setHeld] = useState<{ of: SketchBeat; compared: Compared } | null>(null);
  const [worker, setWorker] = useState<WorkerHandle<FlowWorker> | null>(null);
  const [death, setDeath] = useState<string | null>(null);
  useEffect(() => {
    const made = spawnFlow(setDeath);
    setWorker(made);
    return () => made.terminate();
  }, []);
  useEffect(() => {
    if (!built.ok || !worker) return;
    const { plan } = built;
    let wanted = true;
    const say = (compared: Compared) => {
      if (wanted) setHeld({ of: built, compared });
    };
    const timer = window.setTimeout(() => {
      const q = plan.levels.find((l) => l.name === plan.surveyedLevel)!.dischargeM3s;
      worker.call.picture(plan, q).then(
        (flow) => {
          if (flow) say({ state: 'done', pieces: compareSketch(sketch, plan, flow) });
          else if (wanted) say({ state: 'failed', message: 'The water does not settle as told.' });
        },
        (e: unknown) => say({ state: 'failed', message: String(e) }),
      );
    }, QUIET_MS);
    return () => {
      wanted = false;
      window.clearTimeout(timer);
    };
  }, [sketch, built, worker]);
  if (death !== null) return { state: 'failed', message: death };
  return held?.of === built ? held.compared : { state: 'solving' };
}
