import type { Answers } from '../state/answer';
import type { WorkspaceState } from '../state/state';

/** What was read of a state, and what stood there. */
export interface Reads {
  /** Whether a state holds the very same in every part that was read. */
  hold(s: WorkspaceState): boolean;
  /** These and others. */
  and(other: Reads): Reads;
  readonly parts: ReadonlyMap<string, unknown>;
}

const ANSWER = 'answers.';

const partOf = (s: WorkspaceState, key: string): unknown =>
  key.startsWith(ANSWER)
    ? s.answers[key.slice(ANSWER.length) as keyof Answers]
    : s[key as keyof WorkspaceState];

function readsOf(parts: ReadonlyMap<string, unknown>): Reads {
  return {
    parts,
    hold(s) {
      for (const [key, value] of parts) if (!Object.is(partOf(s, key), value)) return false;
      return true;
    },
    and: (other) => readsOf(new Map([...parts, ...other.parts])),
  };
}

/**
 * A state that notes which of its parts are read, each answer a part of its own: whoever computes from
 * it need not be asked again while those parts stay the same objects. Parts are compared by identity,
 * so the state must be changed by replacing them, as the store does.
 */
export function trackReads(s: WorkspaceState): { state: WorkspaceState; reads: Reads } {
  const parts = new Map<string, unknown>();
  const answers = new Proxy(s.answers, {
    get(target, key: string) {
      const value = target[key as keyof Answers];
      parts.set(`${ANSWER}${key}`, value);
      return value;
    },
  });
  const state = new Proxy(s, {
    get(target, key: string) {
      if (key === 'answers') return answers;
      const value = target[key as keyof WorkspaceState];
      parts.set(key, value);
      return value;
    },
  });
  return { state, reads: readsOf(parts) };
}
