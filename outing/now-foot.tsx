'use client';

import { tallyOf } from '../core/log/index';
import { flyUse, type HeldPack } from '../core/outing/index';
import { DEFAULT_TACKLE, dueFor, findRig, WEED_EVERY } from '../core/rig/index';
import { Button } from '../ui/button';
import { DUE_WORDS } from '../words/rig-words';
import { keptWords, type OutingShared } from './shared';
import css from './outing.module.css';

/** What the day has come to, what is not sent yet, and the ways from here. */
export function NowFoot({
  view,
  now,
  outing,
  tries,
  actions,
  queue,
  offline,
  beats,
  heldId,
  onBeat,
}: OutingShared & {
  beats: readonly HeldPack[];
  heldId: string | null;
  onBeat: (id: string) => void;
}) {
  const tally = tallyOf(outing, tries, now);
  // A book that was taken along before there were rigs has none.
  const tackle = view.bank?.settings.tackle ?? DEFAULT_TACKLE;
  const rodName = (i: 0 | 1) => findRig(tackle, tackle.ready[i])?.name.toLowerCase() ?? 'not said';
  const due = dueFor(flyUse(tries), WEED_EVERY);
  const figures = [
    [String(tally.touched), 'touched'],
    [String(tally.taken), 'taken'],
    [String(tally.missed), 'missed'],
    [tally.hours.toFixed(1), 'hours'],
  ] as const;
  return (
    <footer className={css.foot}>
      <dl className={css.tally}>
        {figures.map(([figure, word]) => (
          <div key={word}>
            <dd>{figure}</dd>
            <dt>{word}</dt>
          </div>
        ))}
      </dl>
      <p>
        In the hand: {rodName(0)}. The other: {rodName(1)}.
        {due.map((d) => (
          <strong key={d}> {DUE_WORDS[d]}</strong>
        ))}
      </p>
      <p role="status">
        {keptWords({ view, queue })}
        {offline === 'denied' && ' This page does not open without a network. '}
        {view.problem && !view.live && <span className={css.why}> {view.problem}</span>}
      </p>
      <nav className={css.ways} aria-label="The outing">
        <a href="#/tries">What happened</a>
        <a href="#/readings">Readings</a>
        <a href="#/take">Taken along</a>
        {offline === 'denied' && <a href="/api/v1/carry">A file to carry</a>}
        {outing && (
          <Button voice="plain" onClick={() => void actions.endOuting(outing)}>
            End the outing
          </Button>
        )}
        {beats.length > 1 &&
          beats
            .filter((b) => b.beatId !== heldId)
            .map((b) => (
              <Button voice="plain" key={b.beatId} onClick={() => onBeat(b.beatId)}>
                To {b.pack.name}
              </Button>
            ))}
      </nav>
    </footer>
  );
}
