import css from './cast.module.css';
import type { DriftResult } from '../../../core/cast/index';

/** Runs of the track by drag class. */
export function runsOf(best: DriftResult): { kind: 0 | 1 | 2; from: number; to: number }[] {
  const at = (n: number): 0 | 1 | 2 => {
    const t = best.t[n]!;
    if (best.firstWakeS !== null && t > best.firstWakeS) return 2;
    return best.firstMicroS !== null && t > best.firstMicroS ? 1 : 0;
  };
  const runs: { kind: 0 | 1 | 2; from: number; to: number }[] = [];
  for (let n = 1; n < best.t.length; n++) {
    const kind = at(n);
    const last = runs[runs.length - 1];
    if (last && last.kind === kind) last.to = n;
    else runs.push({ kind, from: n - 1, to: n });
  }
  return runs;
}

export const TRACK_CLASS = [css.trackClean, css.trackMicro, css.trackWake] as const;
