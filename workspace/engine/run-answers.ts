import { latestWins } from '../../workers/client';
import {
  NO_ANSWER,
  type Answer,
  type AnswerName,
  type Answers,
  type AnswerValues,
} from '../state/answer';
import { waterIsFinal } from '../state/session';
import type { WorkspaceState } from '../state/state';
import type { WorkspaceStore } from '../state/store';
import { trackReads, type Reads } from './track-reads';
import type { Workers } from './workers';

/** One thing that is computed: what is asked, of whom, and when. */
export interface AnswerSpec<N extends AnswerName = AnswerName, Q = unknown> {
  name: N;
  /** What is asked, from the state as it is; null: there is nothing to ask. Pure. */
  question(s: WorkspaceState): Q | null;
  ask(workers: Workers, question: Q): Promise<AnswerValues[N] | null>;
  /** Whether anybody looks: what is shown stays, stale, while nobody does. Absent: always. */
  wanted?(s: WorkspaceState): boolean;
  /** at-rest: not while something is dragged · on-call: only by `run`. Absent: at once. */
  when?: 'at-rest' | 'on-call';
  /** final: not of a first rough picture; none: asked without any water. */
  water?: 'final' | 'none';
  /** What else follows from the answer, in the same change of the state. */
  then?(value: AnswerValues[N], s: WorkspaceState): Partial<WorkspaceState>;
}

/** A spec in the table, its question's type closed over. */
export type AnySpec = { [N in AnswerName]: AnswerSpec<N> }[AnswerName];

/** Checks a spec's question and answer against one another, and forgets the question's type. */
export const spec = <N extends AnswerName, Q>(s: AnswerSpec<N, Q>) => s as unknown as AnySpec;

/** Something large as part of a question: told apart by which one it is, not by what it holds. */
export function byIdentity<T extends object>(thing: T): { thing: T; toJSON(): number } {
  const known = numbers.get(thing) ?? ++given;
  numbers.set(thing, known);
  return { thing, toJSON: () => known };
}
const numbers = new WeakMap<object, number>();
let given = 0;

interface Line {
  spec: AnySpec;
  /** What the last look at this line read of the state, and found there. */
  reads: Reads | null;
  /** The question on the screen, as text; null: none, or not looked at since something changed. */
  wanted: string | null;
  /** The last question that failed: it is not asked again until it changes. */
  failed: string | null;
  ask(question: { q: unknown; key: string }): void;
  /** The question asked last, while its answer is on the way. */
  asked: string | null;
}

/**
 * Keeps every answer in step with the state. A question is worked out anew only when something it
 * read has changed; its text with the water's number is the key. An answer is fresh only while its
 * key is the key of the question on the screen; else what is shown is stale, and the newest question
 * is asked, the latest winning. Late answers of an older water are dropped.
 */
export function runAnswers(
  store: WorkspaceStore,
  specs: readonly AnySpec[],
  workers: Workers,
  complain: (error: unknown) => void,
) {
  const lines = specs.map(createLine);
  const byName = new Map(lines.map((line) => [line.spec.name, line]));

  function createLine(of: AnySpec): Line {
    const line: Line = {
      spec: of,
      reads: null,
      wanted: null,
      failed: null,
      asked: null,
      ask: latestWins(
        async ({ q, key }: { q: unknown; key: string }) => {
          // Overtaken while it waited for its turn: nobody wants it any more.
          if (line.wanted !== key) return null;
          return of.ask(workers, q as never);
        },
        (value, { key }) => arrived(line, value as never, key),
        (error, { key }) => broke(line, error, key),
      ),
    };
    return line;
  }

  /** Puts an answer into the state; fresh only if it is still the one that is wanted. */
  function arrived(line: Line, value: AnswerValues[AnswerName] | null, key: string): void {
    if (line.asked === key) line.asked = null;
    if (value === null) return;
    const { spec: of } = line;
    if (of.water !== 'none' && waterOf(key) !== store.getState().waterSerial) return;
    if (line.wanted === null && line.reads !== null && answerOf(line).state === 'none') return;
    const fresh = line.wanted === key;
    // Asked, then taken back before it came: what is on the screen is the answer already.
    if (!fresh && line.wanted !== null && answerOf(line).of === line.wanted) return;
    put(line, { value, of: key, state: fresh ? 'fresh' : 'stale' });
  }

  function broke(line: Line, error: unknown, key: string): void {
    if (line.asked === key) line.asked = null;
    if (line.wanted === key) {
      line.failed = key;
      put(line, { value: null, of: key, state: 'failed' });
    }
    complain(error);
  }

  const answerOf = (line: Line) => store.getState().answers[line.spec.name] as Answer<unknown>;

  function put(line: Line, answer: Answer<unknown>): void {
    store.setState((s) => ({
      answers: { ...s.answers, [line.spec.name]: answer } as Answers,
      ...(answer.value !== null &&
        answer.state !== 'none' &&
        line.spec.then?.(answer.value as never, s)),
    }));
  }

  /** What a line's answer becomes as things are; asks where that is due. */
  function look(line: Line): Answer<unknown> | null {
    const s = store.getState();
    if (line.reads?.hold(s)) return null;
    const { state, reads } = trackReads(s);
    const now = answerOf(line);
    const outdated =
      now.value !== null && now.state === 'fresh' ? { ...now, state: 'stale' as const } : null;
    const { spec: of } = line;
    const flow = state.flow;
    if (flow === null && of.water !== 'none') {
      line.reads = reads;
      line.wanted = null;
      return now.state === 'none' ? null : NO_ANSWER;
    }
    const resting = of.when === 'at-rest' && state.dragging !== null;
    const early = of.water === 'final' && !waterIsFinal(state);
    if (resting || early || (of.wanted && !of.wanted(state))) {
      // Something it read has changed, and nobody looks whether that matters: not fresh any more.
      line.reads = line.reads ? line.reads.and(reads) : reads;
      line.wanted = null;
      return outdated;
    }
    const q = of.question(state);
    line.reads = reads;
    if (q === null) {
      line.wanted = null;
      return now.state === 'none' ? null : NO_ANSWER;
    }
    const key = `${of.water === 'none' ? '-' : state.waterSerial} ${JSON.stringify(q)}`;
    line.wanted = key;
    if (now.of === key && now.value !== null)
      return now.state === 'fresh' ? null : { ...now, state: 'fresh' };
    if (of.when !== 'on-call' && line.asked !== key && line.failed !== key) {
      line.asked = key;
      line.ask({ q, key });
    }
    if (line.failed === key)
      return now.state === 'failed' ? null : { value: null, of: key, state: 'failed' };
    if (now.value !== null) return outdated;
    if (of.when === 'on-call') return now.state === 'none' ? null : NO_ANSWER;
    return now.state === 'asking' ? null : { value: null, of: '', state: 'asking' };
  }

  let looking = false;
  let lookMore = false;
  /** Looks at every line whose part of the state has changed, until nothing changes any more. */
  function refresh(): void {
    lookMore = true;
    if (looking) return;
    looking = true;
    while (lookMore) {
      lookMore = false;
      const changed: Partial<Record<AnswerName, Answer<unknown>>> = {};
      let any = false;
      for (const line of lines) {
        const next = look(line);
        if (!next) continue;
        changed[line.spec.name] = next;
        any = true;
      }
      if (any) store.setState((s) => ({ answers: { ...s.answers, ...changed } as Answers }));
    }
    looking = false;
  }

  /** Asks an on-call line now; null when there is nothing to ask or it was given up. Throws what asking threw. */
  async function run<N extends AnswerName>(name: N): Promise<AnswerValues[N] | null> {
    const line = byName.get(name)!;
    refresh();
    const s = store.getState();
    const q = line.spec.question(s);
    if (q === null || line.wanted === null) return null;
    const key = line.wanted;
    const value = (await line.spec.ask(workers, q as never)) as AnswerValues[N] | null;
    if (value !== null) arrived(line, value as never, key);
    return value;
  }

  return { refresh, run };
}

/** The water that a key speaks of. */
const waterOf = (key: string) => Number(key.slice(0, key.indexOf(' ')));
