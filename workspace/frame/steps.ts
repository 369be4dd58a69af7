import type { ComponentType } from 'react';
import { formatMinutes } from '../../core/units/index';
import type { Camera } from '../../drawing/camera';
import type { Step } from '../state/address';
import { lazy } from '../lazy';
import { valueOf } from '../state/answer';
import { dayFound } from '../state/day-here';
import { bestWay, numberOfMark, rigOf, shownWay } from '../state/selectors';
import type { WorkspaceState } from '../state/state';
import { ReadPanel } from '../steps/read/read-panel';

export interface StepRow {
  name: string;
  panel: ComponentType;
  /** What it has found, in two or three words. */
  found(s: WorkspaceState): string;
}

const counted = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** The seven steps: their names, panels and what the rail says of each. */
export const STEP_ROWS: Record<Step, StepRow> = {
  day: {
    name: 'Day',
    panel: lazy(() => import('../steps/day/day-panel').then((m) => m.DayPanel)),
    found: dayFound,
  },
  read: {
    name: 'Read',
    panel: ReadPanel,
    found(s) {
      const lies = valueOf(s, 'lies');
      return lies ? `${lies.lies.length} lies` : 'reading';
    },
  },
  spot: {
    name: 'Spot',
    panel: lazy(() => import('../steps/spot/spot-panel').then((m) => m.SpotPanel)),
    found(s) {
      const number = s.markId ? numberOfMark(s, s.markId) : 0;
      return number > 0
        ? `fish ${number} of ${s.marks.length}`
        : counted(s.marks.length, 'fish', 'fish');
    },
  },
  stalk: {
    name: 'Stalk',
    panel: lazy(() => import('../steps/stalk/stalk-panel').then((m) => m.StalkPanel)),
    found(s) {
      if (!valueOf(s, 'stalk')) return 'no stand yet';
      const way = bestWay(s) && shownWay(s);
      return way ? formatMinutes(way.seconds / 60) : 'no way';
    },
  },
  cast: {
    name: 'Cast',
    panel: lazy(() => import('../steps/cast/cast-panel').then((m) => m.CastPanel)),
    found(s) {
      const drift = valueOf(s, 'drift');
      if (!drift) return 'no cast yet';
      const { chance } = drift.now;
      return chance
        ? `${Math.round(100 * chance.found)} in 100`
        : `clean ${drift.band.best.cleanS.toFixed(1)} s`;
    },
  },
  log: {
    name: 'Log',
    panel: lazy(() => import('../steps/log/log-panel').then((m) => m.LogPanel)),
    found: (s) => (s.tries.length === 0 ? 'no tries' : counted(s.tries.length, 'try', 'tries')),
  },
  learn: {
    name: 'Learn',
    panel: lazy(() => import('../steps/learn/learn-panel').then((m) => m.LearnPanel)),
    found: (s) => (s.learned ? counted(s.learned.learned.tries, 'try', 'tries') : 'the record'),
  },
  bench: {
    name: 'Bench',
    panel: lazy(() => import('../steps/bench/bench-panel').then((m) => m.BenchPanel)),
    found: (s) => rigOf(s).name,
  },
};

/** Drawings of later steps over the plan and in the long section. */
export const CastLayer = lazy<{ camera: Camera }>(() =>
  import('../steps/cast/cast-layer').then((m) => m.CastLayer),
);
export const StalkLayer = lazy<{ camera: Camera }>(() =>
  import('../steps/stalk/stalk-layer').then((m) => m.StalkLayer),
);
export const SpotLayer = lazy<{ camera: Camera; width: number; height: number }>(() =>
  import('../steps/spot/spot-layer').then((m) => m.SpotLayer),
);
export const ReadingLayer = lazy<
  Parameters<typeof import('../steps/read/reading-layer').ReadingLayer>[0]
>(() => import('../steps/read/reading-layer').then((m) => m.ReadingLayer));
export const ProbeLayer = lazy<
  Parameters<typeof import('../steps/read/probe-layer').ProbeLayer>[0]
>(() => import('../steps/read/probe-layer').then((m) => m.ProbeLayer));
export const ReadsLayer = lazy<
  Parameters<typeof import('../steps/read/reads-layer').ReadsLayer>[0]
>(() => import('../steps/read/reads-layer').then((m) => m.ReadsLayer));
export const ShadeLayer = lazy<
  Parameters<typeof import('../steps/spot/shade-layer').ShadeLayer>[0]
>(() => import('../steps/spot/shade-layer').then((m) => m.ShadeLayer));
export const SectionFly = lazy<
  Parameters<typeof import('../steps/cast/section-fly').SectionFly>[0]
>(() => import('../steps/cast/section-fly').then((m) => m.SectionFly));
/** Steps that need the whole room of the plan. */
export const WholeView = lazy(() => import('./whole-view').then((m) => m.WholeView));
export const CompareView = lazy<
  Parameters<typeof import('../steps/read/compare-view').CompareView>[0]
>(() => import('../steps/read/compare-view').then((m) => m.CompareView));
