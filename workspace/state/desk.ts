import type { Outbox } from '../../sync/outbox';
import type { BeatInput, WorkspaceState } from './state';
import type { Store } from './store';

/** What every action needs: the store, the beat, the way out, the clock and the address. */
export interface Desk {
  store: Store<WorkspaceState>;
  beat: BeatInput;
  outbox: Outbox;
  now: () => number;
  /** Choosing pushes history; dragging replaces it once on release. */
  push: () => void;
  replace: () => void;
}

/** Places are kept to a centimetre: what the address holds. */
export const cm = (m: number) => Math.round(m * 100) / 100;

/** Another target: the cast at the last one is gone. */
export const NO_CAST: Partial<WorkspaceState> = {
  stand: null,
  landing: null,
  drift: null,
  castNow: null,
  castStudy: null,
  filmAtS: null,
  filmRuns: false,
  mend: null,
  search: { kind: 'idle' },
  shots: null,
  shotsCompared: [],
  pool: null,
  stalk: null,
  hours: null,
  via: [],
  stalkStudy: null,
  farBank: null,
};
