'use client';

import { createContext, useContext } from 'react';
import type { Actions } from './actions';
import type { Engine } from './engine/engine';
import type { BeatInput, WorkspaceState } from './state/state';
import { useStore, type Store } from './state/store';

export interface Workspace {
  beat: BeatInput;
  store: Store<WorkspaceState>;
  actions: Actions;
  engine: () => Engine | null;
}

const Context = createContext<Workspace | null>(null);
export const WorkspaceProvider = Context.Provider;

export function useWorkspace(): Workspace {
  const held = useContext(Context);
  if (!held) throw new Error('useWorkspace: outside a workspace');
  return held;
}

/** Part of the state; the component is drawn anew only when that part changes. */
export function usePart<S>(select: (s: WorkspaceState) => S): S {
  return useStore(useWorkspace().store, select);
}
