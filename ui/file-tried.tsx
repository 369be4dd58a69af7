'use client';

import { useState } from 'react';
import { Button } from './button';
import { FileDrop } from './file-drop';
import panel from './panel.module.css';

/** What a file would bring: so much of it, with what is there already and what is left, and why. */
export interface Tried<T> {
  what: T;
  taken: number;
  known?: number;
  left: readonly string[];
}

const MOST_SHOWN = 8;

/** A file that is tried first: what it would bring is said, and taken only when that is pressed. */
export function FileTried<T>({
  label,
  accept,
  words: [one, many],
  read,
  onTake,
}: {
  label: string;
  accept: string;
  /** Of what is taken: one, and many. */
  words: readonly [string, string];
  /** The sentence that says why the file as a whole cannot be read, or what it would bring. */
  read: (file: File) => Promise<Tried<T> | string>;
  /** Keeps it; the sentence that says what came of that. */
  onTake: (what: T) => Promise<string> | string;
}) {
  const [tried, setTried] = useState<Tried<T> | null>(null);
  const [said, setSaid] = useState('');
  const [problem, setProblem] = useState('');
  const choose = async (file: File) => {
    const told = await read(file);
    setSaid('');
    setTried(typeof told === 'string' ? null : told);
    setProblem(typeof told === 'string' ? told : '');
  };
  const take = async (what: T) => {
    setSaid(await onTake(what));
    setTried(null);
  };
  return (
    <div>
      <FileDrop label={label} accept={accept} onFile={(f) => void choose(f)} />
      {tried && (
        <div role="status">
          <p>
            <strong>Not kept yet.</strong> {tried.taken} {tried.taken === 1 ? one : many} would be
            taken, {tried.known !== undefined && `${tried.known} are here already, `}
            {tried.left.length} left{tried.left.length > 0 ? ':' : '.'}
          </p>
          <ul>
            {tried.left.slice(0, MOST_SHOWN).map((why) => (
              <li key={why}>{why}</li>
            ))}
            {tried.left.length > MOST_SHOWN && <li>and {tried.left.length - MOST_SHOWN} more.</li>}
          </ul>
          <p className={panel.row}>
            <Button
              voice="solid"
              disabled={tried.taken === 0}
              onClick={() => void take(tried.what)}
            >
              Take {tried.taken}
            </Button>
            <Button onClick={() => setTried(null)}>Leave it</Button>
          </p>
        </div>
      )}
      <p role="status">{said}</p>
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
    </div>
  );
}
