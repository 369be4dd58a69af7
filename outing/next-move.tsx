'use client';

import { useEffect, useState } from 'react';
import type { Try } from '../core/log/index';
import {
  coversLeft,
  hourly,
  looksOf,
  MOVE_SCHOOLS,
  moveQuestionOf,
  nextMove,
  schoolMoves,
  type MoveAnswer,
  type MoveContext,
  type MoveQuestion,
  type RatedMove,
} from '../core/moves/index';
import { leavingWords, MOVE_SCHOOL_WORDS, moveName, moveWhy, moveWords } from '../words/move-words';
import css from './outing.module.css';

interface Thought {
  question: MoveQuestion;
  answer: MoveAnswer;
  left: number | null;
}

/** Moves beside which it is asked what they take. */
const FLY_TOO: readonly string[] = ['fly', 'rig', 'beat'];
/** Moves shown: the best, and leaving with them. */
const SHOWN = 3;
const STEADY_MS = 30_000;

/** What to do next at this fish, what it pays beside leaving, and what the schools would do. */
export function NextMove({
  attempt,
  context,
  zone,
  brief,
}: {
  attempt: Try;
  context: MoveContext;
  zone: string | undefined;
  /** Little room: what to do and what it pays, no more. */
  brief: boolean;
}) {
  // Not by every tick of the clock: by each event, and by half minutes.
  const steadyMs = Math.floor(context.nowMs / STEADY_MS) * STEADY_MS;
  const asked = JSON.stringify([attempt.events, { ...context, nowMs: steadyMs }]);
  const [thought, setThought] = useState<{ of: string; is: Thought | null } | null>(null);
  useEffect(() => {
    // What was pressed shows first.
    const later = setTimeout(() => setThought({ of: asked, is: think(attempt, context) }));
    return () => clearTimeout(later);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  if (!thought) return <section className={css.nextMove} aria-busy="true" />;
  if (!thought.is) return null;
  const { question, answer, left } = thought.is;
  const [best] = answer.moves;
  const schools = schoolMoves(question);
  const rows = shownMoves(answer);
  const looks = hourly(rows, question.lambda).map((takes) => looksOf(takes, question.situation));
  const most = Math.max(...looks);
  return (
    <section
      className={css.nextMove}
      aria-label="Next move"
      data-old={thought.of === asked ? undefined : ''}
    >
      <h2>{moveWords(best!.move, context.nowMs, zone, question.happened.length === 0)}</h2>
      <p>{moveWhy(best!.move, answer)}</p>
      <table className={css.pays}>
        <caption>Honest looks an hour</caption>
        <tbody>
          {rows.map((r, i) => (
            <tr key={moveName(r.move)}>
              <th scope="row">{moveName(r.move)}</th>
              <td aria-hidden="true">
                <span style={{ width: `${(100 * looks[i]!) / most}%` }} />
              </td>
              <td>{looks[i]!.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {!brief && best!.move.kind !== 'leave' && (
        <p>
          <strong>{leavingWords(left)}</strong>
        </p>
      )}
      {FLY_TOO.includes(best!.move.kind) && (
        <p>
          <a href={`#/taking/${attempt.id}`}>What are they taking?</a>
        </p>
      )}
      {!brief && (
        <p className={css.said}>
          {MOVE_SCHOOLS.map(
            (s) => `${MOVE_SCHOOL_WORDS[s]}: ${moveName(schools[s]).toLowerCase()}`,
          ).join(' · ')}
        </p>
      )}
    </section>
  );
}

function think(attempt: Try, context: MoveContext): Thought | null {
  const question = moveQuestionOf(attempt, context);
  return question && { question, answer: nextMove(question), left: coversLeft(question) };
}

/** The best of each kind, and leaving. */
function shownMoves({ moves }: MoveAnswer): RatedMove[] {
  const seen = new Set<string>();
  const one = moves.filter((m) => !seen.has(m.move.kind) && seen.add(m.move.kind));
  const leave = one.find((m) => m.move.kind === 'leave')!;
  const best = one.slice(0, SHOWN);
  return best.includes(leave) ? best : [...best.slice(0, SHOWN), leave];
}
