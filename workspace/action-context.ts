import type { PageQueue } from '../sync/page-queue';
import type { Engine } from './engine/engine';
import { NO_ANSWER } from './state/answer';
import type { BeatInput } from './state/document';
import type { WorkspaceState } from './state/state';
import type { WorkspaceStore } from './state/store';
import type { Place } from '../core/grid/index';

/** What every action needs: the state, the beat, the engine, the line to the book, the clock and the address. */
export interface ActionContext {
  store: WorkspaceStore;
  beat: BeatInput;
  engine: Engine;
  queue: Pick<PageQueue, 'post'>;
  now: () => number;
  /** Choosing pushes history; dragging replaces it once on release. */
  push: () => void;
  replace: () => void;
}

/** Places are kept to a centimetre: what the address holds. */
export const cm = (m: number) => Math.round(m * 100) / 100;
export const toCm = (p: Place): Place => ({ xM: cm(p.xM), yM: cm(p.yM) });

/** Another target: the cast at the last one is gone, and what was found for it. */
export const withoutCast = (s: WorkspaceState): Partial<WorkspaceState> => ({
  stand: null,
  landing: null,
  mend: null,
  via: [],
  filmAtS: null,
  filmRuns: false,
  search: { kind: 'idle' },
  shotsCompared: [],
  poolAsked: false,
  answers: { ...s.answers, shots: NO_ANSWER },
});
