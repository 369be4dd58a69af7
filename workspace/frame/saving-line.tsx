'use client';

import { useQueue } from '../../sync/use-queue';
import { lazy } from '../lazy';
import css from './frame.module.css';

const NotTakenHere = lazy(() => import('./not-taken-here').then((m) => m.NotTakenHere));

/** How the line to the book stands: what waits, and what was not taken. */
export function SavingLine() {
  const queue = useQueue();
  const { waiting, problem } = queue;
  return (
    <>
      <span className={css.saved} role="status">
        {problem ?? (waiting > 0 ? `${waiting} waiting` : '')}
      </span>
      {queue.refused.length > 0 && <NotTakenHere queue={queue} />}
    </>
  );
}
