'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { bookApi } from '../sync/book-api';
import { begin, commit, redo, undo, type History } from './history';

export interface DraftInput<T> {
  id: string;
  kind: 'sketch' | 'survey';
  streamName: string;
  /** The kept beat that this draft changes; null for a new one. */
  beatId: string | null;
  body: T;
  /** The book holds it already; absent where it is begun. */
  isKept?: boolean;
}

export type Saving = 'untouched' | 'saved' | 'saving' | 'waiting' | 'overtaken';

/** After the last change, before it is sent, ms. */
const QUIET_MS = 500;
const RETRY_MS = 4000;
const mirrorKey = (id: string) => `pebble-draft-${id}`;

interface Held<T> {
  streamName: string;
  body: T;
}

/**
 * A draft with its history, kept on the server a moment after each change and mirrored on this
 * device until it is. `draw` is for what moves under the pointer: it is not a step of its own.
 */
export function useDraft<T>(input: DraftInput<T>) {
  const [history, setHistory] = useState<History<Held<T>>>(() =>
    begin({ streamName: input.streamName, body: input.body }),
  );
  const [drawn, setDrawn] = useState<T | null>(null);
  const [saving, setSaving] = useState<Saving>('untouched');
  const touched = useRef(false);
  const { id, kind, beatId } = input;
  /** What the book holds of it, as this page knows; null: nothing yet. */
  const kept = useRef<Held<T> | null>(
    input.isKept ? { streamName: input.streamName, body: input.body } : null,
  );
  const held = history.present;

  // What could not be sent before the page was left is taken up again.
  useEffect(() => {
    const text = localStorage.getItem(mirrorKey(id));
    if (!text) return;
    touched.current = true;
    setHistory((h) => commit(h, JSON.parse(text) as Held<T>));
  }, [id]);

  useEffect(() => {
    if (!touched.current) return;
    localStorage.setItem(mirrorKey(id), JSON.stringify(held));
    setSaving('saving');
    let timer = 0;
    const send = async () => {
      const was = kept.current && { kind, beatId, ...kept.current };
      const reply = await bookApi.saveDraft(id, { kind, beatId, ...held }, was);
      // Another page changed the same part of it: the rest of this change is with the book.
      const overtaken = !reply.ok && reply.status === 409;
      if (reply.ok || overtaken) kept.current = held;
      if (stopped) return;
      if (reply.ok || overtaken) {
        localStorage.removeItem(mirrorKey(id));
        setSaving(overtaken ? 'overtaken' : 'saved');
      } else {
        setSaving('waiting');
        timer = window.setTimeout(() => void send(), RETRY_MS);
      }
    };
    let stopped = false;
    timer = window.setTimeout(() => void send(), QUIET_MS);
    return () => {
      stopped = true;
      window.clearTimeout(timer);
    };
  }, [held, id, kind, beatId]);

  const act = useCallback((next: (h: History<Held<T>>) => History<Held<T>>) => {
    touched.current = true;
    setDrawn(null);
    setHistory(next);
  }, []);
  return {
    body: drawn ?? held.body,
    streamName: held.streamName,
    saving,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    change: useCallback(
      (next: T | ((body: T) => T)) =>
        act((h) => {
          const body = next instanceof Function ? next(h.present.body) : next;
          return body === h.present.body ? h : commit(h, { ...h.present, body });
        }),
      [act],
    ),
    nameStream: useCallback(
      (streamName: string) => act((h) => commit(h, { ...h.present, streamName })),
      [act],
    ),
    /** Shown at once, not kept: null gives the kept one back. */
    draw: setDrawn,
    undo: useCallback(() => act(undo), [act]),
    redo: useCallback(() => act(redo), [act]),
    /** After the beat has been kept the draft is gone everywhere. */
    forget: useCallback(() => {
      touched.current = false;
      localStorage.removeItem(mirrorKey(id));
    }, [id]),
  };
}

export const SAVING_WORDS: Record<Saving, string> = {
  untouched: '',
  saved: 'Draft saved',
  saving: 'Saving the draft',
  waiting: 'Not saved yet: kept on this device, tried again in a moment',
  overtaken:
    'Another page changed the same part of this draft meanwhile, and that stands in the book. Load the page again to see it.',
};
