'use client';

import { Button } from '../ui/button';
import css from './outing.module.css';

/** One of several, by one press each; three in a row where that is all there is room for. */
export function Chips<T extends string | number | null>({
  label,
  all,
  is,
  words,
  onPick,
}: {
  label: string;
  all: readonly T[];
  is: T | null;
  words: (t: T) => string;
  onPick: (t: T) => void;
}) {
  return (
    <div
      className={css.cells}
      data-wide={all.length === 6 ? '' : undefined}
      role="group"
      aria-label={label}
    >
      <span className={css.cellsName}>{label}</span>
      {all.map((t) => (
        <Button voice="bare" key={String(t)} aria-pressed={t === is} onClick={() => onPick(t)}>
          {words(t)}
        </Button>
      ))}
    </div>
  );
}
