'use client';

import { createContext, useContext } from 'react';
import type { ActionContext } from './action-context';
import type { Engine } from './engine/engine';
import type { BeatInput } from './state/document';
import type { WorkspaceState } from './state/state';
import { calmStore, useStorePart, type WorkspaceStore } from './state/store';

export interface Workspace {
  beat: BeatInput;
  store: WorkspaceStore;
  engine: Engine;
  /** The actions that a step's own file makes, made once a workspace. */
  actionsOf<A>(create: (context: ActionContext) => A): A;
}

const Context = createContext<Workspace | null>(null);
export const WorkspaceProvider = Context.Provider;

export function useWorkspace(): Workspace {
  const held = useContext(Context);
  if (!held) throw new Error('useWorkspace: outside a workspace');
  return held;
}

/** Part of the state; the component is drawn anew only when that part changes (or, by `equal`, differs). */
export function usePart<S>(select: (s: WorkspaceState) => S, equal?: (a: S, b: S) => boolean): S {
  return useStorePart(useWorkspace().store, select, equal);
}

/** The same for figures that are read, not aimed by: while something is dragged they follow a little later. */
export function useCalmPart<S>(
  select: (s: WorkspaceState) => S,
  equal?: (a: S, b: S) => boolean,
): S {
  return useStorePart(calmStore(useWorkspace().store), select, equal);
}

/** What a person can do, as one of the `create…Actions` makes it. */
export function useActions<A>(create: (context: ActionContext) => A): A {
  return useWorkspace().actionsOf(create);
}
