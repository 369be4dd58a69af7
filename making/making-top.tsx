'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Redo2, Undo2 } from 'lucide-react';
import type { UnitSystem } from '../core/units/index';
import { api } from '../sync/api';
import { Button } from '../ui/button';
import { ThemeButton } from '../ui/theme-button';
import { WordsField } from './fields';
import { SAVING_WORDS, type Saving } from './use-draft';
import css from './making.module.css';

/** Top of the ways in: what is being made, its names, undo and redo, and the one thing to do at the end. */
export function MakingTop({
  what,
  draft,
  name,
  onName,
  onKeep,
  keepWords,
  units,
}: {
  units: UnitSystem;
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
    <header className={css.makingTop}>
      <h1>
        <Link href="/">Book</Link> <span aria-hidden="true">/</span> {what}
      </h1>
      <WordsField label="Beat" value={name} max={120} onKeep={onName} />
      <WordsField label="Stream" value={draft.streamName} max={80} onKeep={draft.nameStream} />
      <Button voice="icon" disabled={!draft.canUndo} onClick={draft.undo}>
        <Undo2 size={18} aria-hidden="true" /> Undo
      </Button>
      <Button voice="icon" disabled={!draft.canRedo} onClick={draft.redo}>
        <Redo2 size={18} aria-hidden="true" /> Redo
      </Button>
      <span className={css.spring} />
      <ThemeButton />
      <UnitsButton units={units} />
      <span role="status" className={css.saved}>
        {SAVING_WORDS[draft.saving]}
      </span>
      <Button voice="solid" onClick={onKeep}>
        {keepWords}
      </Button>
    </header>
  );
}

/** Units are a setting of the whole book. */
function UnitsButton({ units }: { units: UnitSystem }) {
  const router = useRouter();
  const change = async () => {
    await api.changeSettings({ units: units === 'us' ? 'metric' : 'us' }, { units });
    router.refresh();
  };
  return (
    <Button voice="plain" onClick={() => void change()}>
      Units {units === 'us' ? 'ft' : 'm'}
    </Button>
  );
}
