import { temporal, type TemporalState } from 'zundo';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { shallow } from 'zustand/shallow';
import { useStoreWithEqualityFn } from 'zustand/traditional';
import type { WorkspaceState } from './state';

/** What can be undone: the fish marked, the stand and the shot, and the way to it. */
const UNDOABLE = [
  'marks',
  'stand',
  'landing',
  'lay',
  'mend',
  'fly',
  'rigId',
  'posture',
  'from',
  'via',
  'out',
] as const;
export type Undoable = Pick<WorkspaceState, (typeof UNDOABLE)[number]>;
const undoablePart = (s: WorkspaceState) =>
  Object.fromEntries(UNDOABLE.map((key) => [key, s[key]])) as Undoable;

/** Steps that can be taken back. */
const MOST_UNDO = 60;

export type WorkspaceStore = StoreApi<WorkspaceState> & {
  temporal: StoreApi<TemporalState<Undoable>>;
};

/** One beat's state. A drag is one step of undo, from where it began. */
export function createWorkspaceStore(initial: WorkspaceState): WorkspaceStore {
  let before: Undoable | null = null;
  const store: WorkspaceStore = createStore<WorkspaceState>()(
    temporal(() => initial, {
      partialize: undoablePart,
      limit: MOST_UNDO,
      handleSet: (keep) => (past) => {
        const was = before ?? (past as Undoable);
        if (store.getState().dragging !== null) {
          before = was;
          return;
        }
        before = null;
        if (!shallow(was, undoablePart(store.getState()))) keep(was);
      },
    }),
  );
  return store;
}

/** `select` must give the same thing, or by `equal` an equal one, while nothing it reads has changed. */
export function useStorePart<S>(
  store: WorkspaceStore,
  select: (state: WorkspaceState) => S,
  equal?: (a: S, b: S) => boolean,
): S {
  return useStoreWithEqualityFn(store, select, equal);
}

/** While something is dragged, figures beside the drawing follow so often, ms: no eye reads them faster. */
export const CALM_MS = 100;

const calmed = new WeakMap<WorkspaceStore, WorkspaceStore>();
/**
 * The same store, whose listeners are called at most every `CALM_MS` while something is dragged, and once
 * more after the last change: what is read rather than aimed by must not take the drag's time.
 */
export function calmStore(store: WorkspaceStore): WorkspaceStore {
  const known = calmed.get(store);
  if (known) return known;
  const subscribe: WorkspaceStore['subscribe'] = (listener) => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    let calledMs = -Infinity;
    let told = store.getState();
    const call = () => {
      if (timer !== null) clearTimeout(timer);
      timer = null;
      calledMs = performance.now();
      const [now, before] = [store.getState(), told];
      told = now;
      listener(now, before);
    };
    const stop = store.subscribe((s) => {
      const left = s.dragging === null ? 0 : CALM_MS - (performance.now() - calledMs);
      if (left <= 0) call();
      else timer ??= setTimeout(call, left);
    });
    return () => {
      if (timer !== null) clearTimeout(timer);
      stop();
    };
  };
  const calm: WorkspaceStore = { ...store, subscribe };
  calmed.set(store, calm);
  return calm;
}
