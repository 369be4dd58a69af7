'use client';

import { useEffect, useState } from 'react';
import {
  compareSketch,
  type Sketch,
  type SketchBeat,
  type ToldAndSolved,
} from '../../core/water/index';
import { across, spawnFlow } from '../../workers/client';

/** After the last change, before the water is solved, ms. */
const QUIET_MS = 700;

export type Compared =
  | { state: 'solving' }
  | { state: 'failed'; message: string }
  /** `of`: the sketch that was solved; another one now is older news. */
  | { state: 'done'; pieces: ToldAndSolved[] };

/**
 * The sketch solved on coarse cells at the level it was told at, a moment after the last change, and
 * laid beside what was told.
 */
export function useCompared(sketch: Sketch, built: SketchBeat): Compared {
  const [held, setHeld] = useState<{ of: SketchBeat; compared: Compared } | null>(null);
  useEffect(() => {
    if (!built.ok) return;
    const { plan } = built;
    let worker: ReturnType<typeof spawnFlow> | null = null;
    const say = (compared: Compared) => setHeld({ of: built, compared });
    const timer = window.setTimeout(() => {
      worker = spawnFlow((message) => say({ state: 'failed', message }));
      const q = plan.levels.find((l) => l.name === plan.surveyedLevel)!.dischargeM3s;
      const events = across({
        onProgress: () => {},
        onCoarse: (flow: Parameters<typeof compareSketch>[2]) => {
          say({ state: 'done', pieces: compareSketch(sketch, plan, flow) });
          worker?.terminate();
        },
      });
      worker.call.solve(plan, q, events).catch((e: unknown) => {
        say({ state: 'failed', message: String(e) });
      });
    }, QUIET_MS);
    return () => {
      window.clearTimeout(timer);
      worker?.terminate();
    };
  }, [sketch, built]);
  return held?.of === built ? held.compared : { state: 'solving' };
}
