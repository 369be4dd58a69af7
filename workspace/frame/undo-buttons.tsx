'use client';

import { Redo2, Undo2 } from 'lucide-react';
import { useStore } from 'zustand';
import { useUndoKeys } from '../../ui/use-undo-keys';
import { useActions, useWorkspace } from '../context';
import { createPlanActions } from '../plan-actions';
import { Button } from '../../ui/button';
import css from './frame.module.css';

/** Takes back, and brings again, what was done to fish, stand, shot and way. */
export function UndoButtons() {
  const { store } = useWorkspace();
  const acting = useActions(createPlanActions);
  const canUndo = useStore(store.temporal, (t) => t.pastStates.length > 0);
  const canRedo = useStore(store.temporal, (t) => t.futureStates.length > 0);
  useUndoKeys(acting.undo, acting.redo);
  return (
    <span className={css.undo} role="group" aria-label="Fish, stand and way">
      <Button voice="bare" aria-label="Undo" disabled={!canUndo} onClick={acting.undo}>
        <Undo2 size={18} aria-hidden="true" />
      </Button>
      <Button voice="bare" aria-label="Redo" disabled={!canRedo} onClick={acting.redo}>
        <Redo2 size={18} aria-hidden="true" />
      </Button>
    </span>
  );
}
