import {
  COVER,
  DOWN,
  FORGETS,
  LOOKED,
  MEETS,
  MISSED,
  NOTHING_TURNS,
  OFTEN_MISSED,
  OUTCOMES,
  RISES_ON,
  STATES,
  STILL_THERE,
  STREAMER_FRIGHTENS,
  TURNED,
  WILLING,
  WILLING_PRIOR,
  type Belief,
  type CoverAnswer,
  type MoveState,
  type Outcome,
  type Seen,
} from './guesses';

/** What is known of one fish, or of a lie in which none was seen, and of what is offered to it. */
export interface Situation {
  seen: Seen;
  /** Chance that a fish is there, 0-1: of a lie its rating; of a fish that was seen absent, and by the minutes. */
  home: number | null;
  minutesSinceSeen?: number;
  /** Chance that a willing fish answers one good cover, 0-1. */
  answers: number;
  /** One cover and its setting up, s. */
  coverS: number;
  /** Share of takes that are missed, 0-1. */
  missedShare: number;
  /** Chance that drift, depth, fly and timing of the offer are right, 0-1. */
  right: { drift: number; depth: number; fly: number; timing?: number };
  coversAMin?: number;
  streamer?: boolean;
  /** Worth of this fish in takes; 1 where all are alike. */
  worth?: number;
  /** Chance that it was not disturbed on the way, 0-1; absent: it was not. */
  calm?: number;
}

export const indexOf = Object.fromEntries(STATES.map((s, i) => [s, i])) as Record<
  MoveState,
  number
>;
const N = STATES.length;

/** The belief before anything was offered. Sums to 1. */
export function priorBelief(s: Situation): number[] {
  const there =
    s.home ?? STILL_THERE.first * Math.exp(-STILL_THERE.fallsAMin * (s.minutesSinceSeen ?? 0));
  const willing = WILLING_PRIOR[s.seen];
  const odds = (q: number) => (1 - q) / Math.max(1e-6, q);
  const faults = {
    right: 1,
    depth: odds(s.right.depth),
    drift: odds(s.right.drift),
    fly: odds(s.right.fly),
    timing: odds(s.right.timing ?? 1),
  };
  const sum = Object.values(faults).reduce((a, b) => a + b, 0);
  const b = new Array<number>(N).fill(0);
  b[indexOf.gone] = 1 - there;
  b[indexOf.unwilling] = there * (1 - willing);
  for (const state of WILLING)
    b[indexOf[state]] = (there * willing * faults[state as keyof typeof faults]) / sum;
  const alarmed = 1 - (s.calm ?? 1);
  for (const state of ['unwilling', ...WILLING] as const) shift(b, state, 'put down', alarmed);
  return b;
}

/** Chance of each answer to one cover in each state: rows as `STATES`, columns as `OUTCOMES`. */
export function coverChances(s: Situation): number[][] {
  const { answers: a, missedShare: m } = s;
  const k =
    MEETS.least + MEETS.more * Math.min(1, MEETS.byCoversAMin * (s.coversAMin ?? 60 / s.coverS));
  return STATES.map((state) => {
    const row = [...COVER[state]];
    if (state === 'right') [row[2], row[5]] = [a * m, a * (1 - m)];
    if (state === 'timing') [row[2], row[5]] = [a * m * k, a * (1 - m) * k];
    if (s.seen === 'rising') row[4] = RISES_ON[state] ?? row[4]!;
    if (s.streamer && state === 'unwilling') row[3]! += STREAMER_FRIGHTENS;
    return row;
  });
}

/** Chance of an answer, by state. */
export const likelihood = (row: readonly number[], answer: CoverAnswer): number =>
  answer === 'nothing'
    ? 1 - row.reduce((x, y) => x + y, 0)
    : row[OUTCOMES.indexOf(answer as Outcome)]!;

/** Moves a share of one state into another, in place. */
export function shift(b: number[], from: MoveState, to: MoveState, share: number): void {
  const moved = b[indexOf[from]]! * share;
  b[indexOf[from]]! -= moved;
  b[indexOf[to]]! += moved;
}

const FAULTY: readonly MoveState[] = ['depth', 'drift', 'fly', 'timing'];

/** What an answer does to the fish, in place. */
function turn(b: number[], answer: CoverAnswer, s: Situation): void {
  if (answer === 'nothing')
    shift(b, 'right', 'fly', s.streamer ? NOTHING_TURNS.streamer : NOTHING_TURNS.plain);
  if (answer === 'looked') {
    shift(b, 'right', 'fly', LOOKED.fly);
    for (const state of WILLING) shift(b, state, 'wary', LOOKED.wary);
  }
  if (answer === 'turned') {
    shift(b, 'right', 'fly', TURNED.fly);
    for (const state of ['right', 'fly', 'drift'] as const) shift(b, state, 'wary', TURNED.wary);
  }
  if (answer === 'missed') {
    const often = s.missedShare >= OFTEN_MISSED;
    shift(b, 'wary', 'put down', MISSED.down);
    shift(b, 'right', 'fly', often ? MISSED.whereOften : MISSED.right);
    shift(b, 'timing', 'fly', MISSED.timing);
    for (const state of WILLING) shift(b, state, 'wary', often ? MISSED.whereOften : MISSED.wary);
  }
  if (answer === 'down') {
    for (const state of STATES) if (state !== 'gone') shift(b, state, 'gone', DOWN.gone);
    for (const state of [...FAULTY, 'right', 'wary', 'unwilling'] as const)
      shift(b, state, 'put down', DOWN.down);
  }
}

/** The belief after an answer to one cover, and how likely that answer was. */
export function afterAnswer(
  b: Belief,
  answer: CoverAnswer,
  s: Situation,
  rows: readonly (readonly number[])[],
): { belief: number[]; chance: number } {
  const belief = new Array<number>(N);
  const column = answer === 'nothing' ? -1 : OUTCOMES.indexOf(answer);
  let chance = 0;
  for (let i = 0; i < N; i++) {
    const row = rows[i]!;
    const likely = column < 0 ? likelihood(row, answer) : row[column]!;
    chance += belief[i] = b[i]! * likely;
  }
  if (!(chance > 0)) return { belief: [...b], chance: 0 };
  for (let i = 0; i < N; i++) belief[i]! /= chance;
  turn(belief, answer, s);
  return { belief, chance };
}

const CALMS = Object.entries(FORGETS.wary.to) as [MoveState, number][];
const COMES_UP = Object.entries(FORGETS['put down'].to) as [MoveState, number][];

/** The belief some minutes later. */
export function afterTime(b: Belief, minutes: number): number[] {
  const out = [...b];
  if (minutes <= 0) return out;
  const forget = (from: 'wary' | 'put down', to: readonly (readonly [MoveState, number])[]) => {
    const moved = b[indexOf[from]]! * (1 - Math.exp(-minutes / FORGETS[from].tauMin));
    if (moved === 0) return;
    out[indexOf[from]]! -= moved;
    for (const [state, share] of to) out[indexOf[state]]! += moved * share;
  };
  shift(out, 'fly', 'right', FORGETS.fly.right * (1 - Math.exp(-minutes / FORGETS.fly.tauMin)));
  shift(out, 'unwilling', 'right', 1 - Math.exp(-FORGETS.unwillingAMin * minutes));
  forget('wary', CALMS);
  forget('put down', COMES_UP);
  const lost = 1 - Math.exp(-FORGETS.goneAMin * minutes);
  for (const state of STATES) if (state !== 'gone') shift(out, state, 'gone', lost);
  return out;
}

/** Chance that the next cover is taken. */
export const tookAt = (b: Belief, rows: readonly (readonly number[])[]): number =>
  b.reduce((sum, p, i) => sum + p * rows[i]![5]!, 0);

export const thereOf = (b: Belief) => 1 - b[indexOf.gone]!;
export const willingOf = (b: Belief) => WILLING.reduce((sum, s) => sum + b[indexOf[s]]!, 0);
