'use client';

import { useEffect } from 'react';
import { GROUP_ENDS, LEAST, type FactorName, type LearnTold } from '../../../core/learn/index';
import { findRig, type Tackle } from '../../../core/rig/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { saveText } from '../../../ui/save-text';
import { learnAnswers, type LearnAnswer, type RigNames } from '../../../words/learn-words';
import { useActions, usePart, useWorkspace } from '../../context';
import { createLearnActions } from './learn-actions';
import { learnCsv } from './learn-csv';
import { RecordPanel } from './record-panel';
import panel from '../../../ui/panel.module.css';
import css from './learn.module.css';

export const endsOf = (f: FactorName): readonly number[] => GROUP_ENDS[f] ?? [];
const EVERY = 'every';

/** What the tries say, in sentences; what could be chance, and what is too little to say, comes last. */
export function LearnPanel() {
  const learning = useActions(createLearnActions);
  const { beat } = useWorkspace();
  const of = usePart((s) => s.learnOf);
  const year = usePart((s) => s.learnYear);
  const told = usePart((s) => s.learned);
  const problem = usePart((s) => s.learnProblem);
  const { units, tackle } = usePart((s) => s.settings);
  // Counted anew whenever one comes here: tries were made since.
  useEffect(() => {
    void learning.count();
  }, [learning]);
  const rigs = rigNames(told, tackle);
  const answers = told
    ? learnAnswers(told.learned, endsOf, units, { rigs, stops: told.record?.stops ?? null })
    : [];
  const is = (...verdicts: LearnAnswer['verdict'][]) =>
    answers.filter((a) => verdicts.includes(a.verdict));
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
      {told && told.years.length > 1 && (
        <Choice
          label="Of which year"
          value={year === null ? EVERY : String(year)}
          options={[
            [EVERY, 'every year'],
            ...told.years.map((y) => [String(y), String(y)] as const),
          ]}
          onChange={(next) => void learning.count(of, next === EVERY ? null : Number(next))}
        />
      )}
      {problem && (
        <p role="alert" className={panel.problem}>
          The record did not answer: {problem}
        </p>
      )}
      {!told && !problem && <p role="status">Counting the tries.</p>}
      {told && (
        <>
          <Counted told={told} />
          <Answers list={is('more', 'less')} />
          <Answers list={is('even').filter((a) => PLAN.includes(a.id))} />
          {is('even').some((a) => !PLAN.includes(a.id)) && (
            <Disclosure title="Could be chance">
              <Answers list={is('even').filter((a) => !PLAN.includes(a.id))} />
            </Disclosure>
          )}
          {is('too few').length > 0 && (
            <Disclosure
              title={`Too few: ${is('too few').length}`}
              open={told.learned.tries < LEAST.tries}
            >
              <Answers list={is('too few')} />
            </Disclosure>
          )}
          <RecordPanel />
          <p className={panel.row}>
            <Button
              onClick={() =>
                saveText(`learn-${beat.id}.csv`, 'text/csv', learnCsv(told, endsOf, units, rigs))
              }
            >
              Every table as CSV
            </Button>
            <Button voice="plain" onClick={() => window.print()}>
              Print
            </Button>
          </p>
        </>
      )}
    </section>
  );
}
/** Names of the rigs that were fished. */
function rigNames(told: LearnTold | null, tackle: Tackle): RigNames {
  const groups = told?.learned.factors.find((f) => f.factor === 'rig')?.groups ?? [];
  return Object.fromEntries(groups.map((g) => [g.name, findRig(tackle, g.name)?.name ?? g.name]));
}

/** Answers about the plan are shown even where they are as was said. */
const PLAN: readonly string[] = ['home', 'look', 'calm', 'drag', 'sink', 'stop', 'conversion'];

/** How much there is to go by; what says nothing, and why. */
function Counted({ told }: { told: LearnTold }) {
  const { tries, looks, unsaid, odd } = told.learned;
  const nothing =
    tries === 0
      ? told.empty === 0
        ? 'Nothing was tried here yet. Log a try on the phone, or in Log: each is held against what was said when it was opened.'
        : `${told.empty} ${told.empty === 1 ? 'try was' : 'tries were'} opened, and every tap in ${told.empty === 1 ? 'it' : 'them'} was taken back, or none was made: they say nothing.`
      : tries === 1
        ? 'One try says nothing yet of how often.'
        : tries < LEAST.tries
          ? `Under ${LEAST.tries} nothing is said for sure.`
          : null;
  return (
    <>
      <p className={panel.second}>
        {tries} {tries === 1 ? 'try' : 'tries'}, {looks} with a look. {nothing}
      </p>
      {tries > 1 && looks === 0 && (
        <p className={panel.second}>
          Every one stayed blank: of what fish take here nothing can be said, only of how often
          places hold one.
        </p>
      )}
      {tries > 0 && unsaid > 0 && (
        <p className={panel.second}>
          {unsaid === tries ? 'None of them carries' : `${unsaid} of them carry no`}
          {unsaid === tries ? ' a' : ''} prediction: opened from before there were any, or with no
          cast worked out. They count in what works here, not in whether the plan was right.
        </p>
      )}
      {odd > 0 && (
        <p className={panel.second}>
          {odd} {odd === 1 ? 'try says' : 'tries say'} that a fish was landed or lost, with its take
          taken back: counted as taken. Mend {odd === 1 ? 'it' : 'them'} in Log.
        </p>
      )}
    </>
  );
}

function Answers({ list }: { list: readonly LearnAnswer[] }) {
  const learning = useActions(createLearnActions);
  const shown = usePart((s) => s.learnShown);
  if (list.length === 0) return null;
  return (
    <ul className={css.answers}>
      {list.map((a) => (
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
  );
}
