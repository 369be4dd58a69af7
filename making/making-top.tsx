'use client';

import Link from 'next/link';
import { Redo2, Undo2 } from 'lucide-react';
import { Do } from '../ui/parts';
import { WordsField } from './fields';
import { SAVING_WORDS, type Saving } from './use-draft';

/** Top of the ways in: what is being made, its names, undo and redo, and the one thing to do at the end. */
export function MakingTop({
  what,
  draft,
  name,
  onName,
  onKeep,
  keepWords,
}: {
  what: string;
  draft: {
    streamName: string;
    nameStream: (name: string) => void;
    saving: Saving;
    canUndo: boolean;
    canRedo: boolean;
    undo: () => void;
    redo: () => void;
  };
  name: string;
  onName: (name: string) => void;
  onKeep: () => void;
  keepWords: string;
}) {
  return (
    <header className="making-top">
      <h1>
        <Link href="/">Book</Link> <span aria-hidden="true">/</span> {what}
      </h1>
      <WordsField label="Beat" value={name} max={120} onKeep={onName} />
      <WordsField label="Stream" value={draft.streamName} max={80} onKeep={draft.nameStream} />
      <button type="button" className="icon" disabled={!draft.canUndo} onClick={draft.undo}>
        <Undo2 size={18} aria-hidden="true" /> Undo
      </button>
      <button type="button" className="icon" disabled={!draft.canRedo} onClick={draft.redo}>
        <Redo2 size={18} aria-hidden="true" /> Redo
      </button>
      <span className="spring" />
      <span role="status" className="saved">
        {SAVING_WORDS[draft.saving]}
      </span>
      <Do voice="solid" onClick={onKeep}>
        {keepWords}
      </Do>
    </header>
  );
}
