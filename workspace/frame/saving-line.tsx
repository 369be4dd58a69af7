'use client';

import { useQueue } from '../../sync/use-queue';
import { NotTaken } from '../../ui/not-taken';
import { notTakenProps } from '../../words/queue-words';
import css from './frame.module.css';

/** How the line to the book stands: what waits, and what was not taken. */
export function SavingLine() {
  const queue = useQueue();
  const { waiting, problem } = queue;
  return (
    <>
      <span className={css.saved} role="status">
        {problem ?? (waiting > 0 ? `${waiting} waiting` : '')}
      </span>
      <NotTaken {...notTakenProps(queue)} />
    </>
  );
}
