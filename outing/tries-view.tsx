'use client';

import { foldTry, meaningOf } from '../core/log/index';
import { clockText, formatFishLength } from '../core/units/index';
import { targetWords } from '../words/outing-words';
import { detailWords, END_WORDS } from '../words/try-words';
import { ChangeOrStay } from './change-or-stay';
import { fishNumber } from './next-thing';
import { keptWords, type OutingShared } from './shared';
import css from './outing.module.css';

/** What happened today, newest first; each try opens again. */
export function TriesView(shared: OutingShared) {
  const { view, outing, tries } = shared;
  const units = view.bank?.settings.units ?? 'metric';
  return (
    <main className={css.page}>
      <header className={css.tryHead}>
        <h1>What happened</h1>
        <a href="#/now">To the outing</a>
      </header>
      {tries.length === 0 ? <p>No try yet today.</p> : <ChangeOrStay tries={tries} />}
      <ol className={css.list}>
        {[...tries]
          .sort((a, b) => b.openedMs - a.openedMs)
          .map((t) => {
            const fold = foldTry(t.fly, t.events);
            return (
              <li key={t.id}>
                <a href={`#/try/${t.id}`}>
                  <strong>{clockText(t.openedMs, outing?.timeZone)}</strong>{' '}
                  {targetWords(t.snapshot.target, fishNumber(t.markId, view.log))}:{' '}
                  {END_WORDS[fold.state]}
                  {fold.landedCm !== null
                    ? `, ${formatFishLength(fold.landedCm, units)}`
                    : ''}, {fold.casts} {fold.casts === 1 ? 'cast' : 'casts'}
                </a>
                <ol>
                  {fold.timeline.map(({ event, undone }) => (
                    <li key={event.id} data-undone={undone ? '' : undefined}>
                      {clockText(event.clientMs, outing?.timeZone)}{' '}
                      {meaningOf(event.code).word.toLowerCase()}
                      {detailWords(event, units) && `, ${detailWords(event, units)}`}
                      {undone ? ' (taken back)' : ''}
                    </li>
                  ))}
                </ol>
              </li>
            );
          })}
      </ol>
      <p className={css.keptLine} role="status">
        {keptWords(shared)}
      </p>
    </main>
  );
}
