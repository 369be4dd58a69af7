'use client';

import { useEffect } from 'react';

/** Ctrl-Z, Ctrl-Shift-Z and Ctrl-Y, unless a field is being typed in. */
export function useUndoKeys(undoOne: () => void, redoOne: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select')) return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) undoOne();
      else if ((key === 'z' && event.shiftKey) || key === 'y') redoOne();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undoOne, redoOne]);
}
