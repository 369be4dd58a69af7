'use client';

import { useEffect } from 'react';
import { GROUP_ENDS, LEAST, type FactorName, type Learned } from '../../../core/learn/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { saveText } from '../../../ui/save-text';
import {
  factorName,
  groupName,
  learnAnswers,
  LOSS_WORDS,
  MISS_WORDS,
} from '../../../words/learn-words';
import type { UnitSystem } from '../../../core/units/index';
import { useActions, usePart, useWorkspace } from '../../context';
import { createLearnActions } from './learn-actions';
import panel from '../../../ui/panel.module.css';
import css from './learn.module.css';

export const endsOf = (f: FactorName): readonly number[] => GROUP_ENDS[f] ?? [];

/** What the tries say, in sentences; what is too little to say comes last. */
export function LearnPanel() {
  const learning = useActions(createLearnActions);
  const { beat } = useWorkspace();
  const of = usePart((s) => s.learnOf);
  const learned = usePart((s) => s.learned);
  const problem = usePart((s) => s.learnProblem);
  const shown = usePart((s) => s.learnShown);
  const units = usePart((s) => s.settings.units);
  // Counted anew whenever one comes here: tries were made since.
  useEffect(() => {
    void learning.count();
  }, [learning]);
  return (
    <section data-part="learn">
      <h2>What the tries say</h2>
      <Choice
        label="Whose tries"
        value={of}
        options={[
          ['beat', 'this beat'],
          ['stream', beat.streamName],
          ['book', 'all'],
        ]}
        onChange={(next) => void learning.count(next)}
      />
      {problem && (
        <p role="alert" className={panel.problem}>
          The tries could not be counted: {problem}
        </p>
      )}
      {!learned && !problem && <p role="status">Counting the tries.</p>}
      {learned && (
        <>
          <p className={panel.second}>
            {learned.tries} {learned.tries === 1 ? 'try' : 'tries'}, {learned.looks} with a look.{' '}
            {learned.tries < LEAST.tries && `Under ${LEAST.tries} nothing is said for sure.`}
          </p>
          <ul className={css.answers}>
            {learnAnswers(learned, endsOf, units).map((a) => (
              <li key={a.id} data-verdict={a.verdict}>
                <Button
                  voice="bare"
                  aria-pressed={shown === a.id}
                  onClick={() => learning.look(shown === a.id ? null : a.id)}
                >
                  <strong>{a.said}</strong>
                  <span className={panel.second}>{a.figures}</span>
                </Button>
              </li>
            ))}
          </ul>
          <p className={panel.row}>
            <Button
              onClick={() => saveText(`learn-${beat.id}.csv`, 'text/csv', csvOf(learned, units))}
            >
              These figures as CSV
            </Button>
            <Button voice="plain" onClick={() => window.print()}>
              Print
            </Button>
          </p>
          <p className={panel.second}>
            A try is held against what was said when it was opened. An interval that holds the rest
            is chance. None of it changes a plan yet, but for how likely a fish is home.
          </p>
        </>
      )}
    </section>
  );
}

const quoted = (cell: string | number) => `"${String(cell).replaceAll('"', '""')}"`;

/** Every table of Learn as lines (RFC 4180): what, group, of, out of, best, low, high. */
export function csvOf(l: Learned, units: UnitSystem): string {
  const figure = (v: number) => (Number.isNaN(v) ? '' : v.toFixed(4));
  const line = (
    what: string,
    group: string,
    s: { k: number; n: number; best: number; low: number; high: number },
  ) => [what, group, s.k, s.n, figure(s.best), figure(s.low), figure(s.high)].map(quoted).join(',');
  return [
    ['what', 'group', 'k', 'n', 'best', 'low', 'high'].map(quoted).join(','),
    ...l.home.bins.map((b) =>
      line(
        'places that showed a fish, by what was said',
        `${10 * b.tenth} to ${10 * b.tenth + 9} in 100`,
        b.found,
      ),
    ),
    ...l.factors.flatMap((f) =>
      f.groups.map((g) =>
        line(
          `takes for each look, by ${factorName(f.factor).toLowerCase()}`,
          groupName(f.factor, g.name, endsOf(f.factor), units),
          g.takes,
        ),
      ),
    ),
    ...Object.entries(l.chain).map(([name, s]) => line('of the one before', name, s)),
    ...l.misses.map((m) => line('misses', MISS_WORDS[m.cause], m.share)),
    ...l.losses.map((m) => line('losses', LOSS_WORDS[m.cause], m.share)),
  ].join('\r\n');
}
