import {
  STATES,
  type Belief,
  type Move,
  type MoveAnswer,
  type MoveSchool,
  type MoveState,
} from '../core/moves/index';
import { clockText } from '../core/units/index';

/** The next move, said. */

/** "Another fly", "Rest it until 10:07". */
export function moveWords(
  move: Move,
  nowMs: number,
  zone: string | undefined,
  isFirst: boolean,
): string {
  if (isFirst && move.kind === 'again') return 'Cast as planned';
  if (move.kind === 'rest')
    return `Rest it until ${clockText(nowMs + move.minutes * 60_000, zone)}`;
  return MOVES[move.kind];
}
const MOVES: Record<Exclude<Move['kind'], 'rest'>, string> = {
  again: 'Again, the same',
  beat: 'Again, at its rhythm',
  drift: 'Longer drift: other lay or stand',
  depth: 'Deeper',
  fly: 'Another fly',
  rig: 'Another rig',
  look: 'Go up and look',
  leave: 'Leave it',
};

/** The same in a word or two, for a row. */
export const moveName = (move: Move): string =>
  move.kind === 'rest'
    ? `Rest ${move.minutes < 2 ? 'a minute' : `${Math.round(move.minutes)} min`}`
    : SHORT[move.kind];
const SHORT: Record<Exclude<Move['kind'], 'rest'>, string> = {
  again: 'Again',
  beat: 'Its rhythm',
  drift: 'Longer drift',
  depth: 'Deeper',
  fly: 'Another fly',
  rig: 'Another rig',
  look: 'Go and look',
  leave: 'Leave',
};

const percent = (p: number) => `${Math.round(100 * p)} in 100`;
const of = (b: Belief, state: MoveState) => b[STATES.indexOf(state)]!;

/** Why, in one sentence of figures that the belief holds. */
export function moveWhy(move: Move, { states, there, willing }: MoveAnswer): string {
  switch (move.kind) {
    case 'again':
      return `${percent(of(states, 'right'))} that it is there and the offer right.`;
    case 'beat':
      return `It feeds: ${percent(of(states, 'timing'))} that only the moment was wrong.`;
    case 'drift':
      return `${percent(of(states, 'drift'))} that the fly dragged where it lay.`;
    case 'depth':
      return `${percent(of(states, 'depth'))} that the fly passed over it, ${percent(willing)} that it feeds.`;
    case 'fly':
      return `${percent(of(states, 'fly'))} that it wants another fly, ${percent(willing)} that it feeds.`;
    case 'rig':
      return `Fly and depth at once: ${percent(of(states, 'fly') + of(states, 'depth'))} that one of them is wrong.`;
    case 'rest':
      return `${percent(of(states, 'put down') + of(states, 'wary'))} that it is down or shy: time mends that.`;
    case 'look':
      return `${percent(1 - there)} that nothing is there any more: look before more time goes.`;
    case 'leave':
      return `${percent(willing)} that a willing fish is there: elsewhere pays more.`;
  }
}

export const MOVE_SCHOOL_WORDS: Record<MoveSchool, string> = {
  'three and on': 'Three and on',
  stay: 'Stay on it',
  'depth first': 'Depth first',
  'fly first': 'Fly first',
  'rest first': 'Rest first',
};

/** "Two more, then leaving pays better." */
export function leavingWords(covers: number | null): string {
  if (covers === null) return 'Worth ten casts more at least.';
  if (covers === 0) return 'Leaving pays better now.';
  const n = NUMBERS[covers] ?? String(covers);
  return `${n} more without an answer, then leaving pays better.`;
}
const NUMBERS = ['', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine'];
