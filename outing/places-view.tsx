'use client';

import { clockText, formatDepth } from '../core/units/index';
import { Button, ButtonAnchor } from '../ui/button';
import { dayWords } from '../words/dates';
import { keptWords, type OutingShared } from './shared';
import { goTo } from './use-bank';
import css from './outing.module.css';

const SHOWN = 30;

/** Places that were read, newest first: each opens a try in one tap. And the way to read another, or to cast right here. */
export function PlacesView(shared: OutingShared) {
  const { view, actions, outing } = shared;
  const units = view.bank?.settings.units ?? 'metric';
  const zone = outing?.timeZone;
  const reads = [...view.log.reads].sort((a, b) => b.takenMs - a.takenMs).slice(0, SHOWN);
  return (
    <main className={css.page}>
      <header className={css.tryHead}>
        <h1>Places</h1>
        <a href="#/now">To the outing</a>
      </header>
      <div className={css.instruments}>
        <ButtonAnchor voice="solid" href="/read">
          Read a place
        </ButtonAnchor>
        <Button onClick={() => goTo(`try/${actions.openTry({ kind: 'here', beatId: null }, '')}`)}>
          Cast right here, unread
        </Button>
      </div>
      {reads.length === 0 && <p>No place was read yet.</p>}
      <ul className={css.list}>
        {reads.map((r) => (
          <li key={r.id}>
            <strong>{Math.round(r.result.rating)}</strong>, {formatDepth(r.answers.depthM, units)}{' '}
            deep{r.note ? `, ${r.note}` : ''}, {dayWords(r.takenMs, zone)}{' '}
            {clockText(r.takenMs, zone)}
            <Button
              onClick={() =>
                goTo(
                  `try/${actions.openTry({ kind: 'place', readId: r.id, beatId: r.beatId }, '')}`,
                )
              }
            >
              Cast at it
            </Button>
          </li>
        ))}
      </ul>
      <p className={css.keptLine} role="status">
        {keptWords(shared)}
      </p>
    </main>
  );
}
