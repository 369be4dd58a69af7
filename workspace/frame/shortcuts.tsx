'use client';

import { Keyboard } from 'lucide-react';
import { useEffect } from 'react';
import { Button } from '../../ui/button';
import { useActions, usePart, useWorkspace } from '../context';
import { createPlanActions } from '../plan-actions';
import { STEPS, stepKey } from '../state/address';
import { lazy } from '../lazy';

const KeysHelp = lazy<{ onClose: () => void }>(() => import('./keys-help').then((m) => m.KeysHelp));

/** Typed into something, a key is a letter. */
const typing = (event: KeyboardEvent) =>
  (event.target as HTMLElement).closest('input:not([type=radio]), textarea, select') !== null;

/** The keys of the whole page, and their help behind "?". */
export function Shortcuts() {
  const acting = useActions(createPlanActions);
  const { store } = useWorkspace();
  const open = usePart((s) => s.keysShown);
  useEffect(() => {
    const steps = Object.fromEntries(
      STEPS.map((step) => [
        stepKey(step),
        (event: KeyboardEvent) => {
          if (typing(event)) return;
          event.preventDefault();
          acting.go(step);
        },
      ]),
    );
    const help = (event: KeyboardEvent) => {
      if (!typing(event)) store.setState({ keysShown: true });
    };
    // Comes just after the page: nobody presses a key before it stands.
    let gone = false;
    let leave: (() => void) | null = null;
    void import('tinykeys').then(({ tinykeys }) => {
      if (!gone) leave = tinykeys(window, { ...steps, 'Shift+?': help, '?': help });
    });
    return () => {
      gone = true;
      leave?.();
    };
  }, [acting, store]);
  return open ? <KeysHelp onClose={() => store.setState({ keysShown: false })} /> : null;
}

/** Opens the help by a press. */
export function ShortcutsKey() {
  const { store } = useWorkspace();
  return (
    <Button voice="icon" aria-label="Keys" onClick={() => store.setState({ keysShown: true })}>
      <Keyboard size={18} aria-hidden="true" />
    </Button>
  );
}
