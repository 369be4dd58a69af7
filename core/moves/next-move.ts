import {
  afterAnswer,
  afterTime,
  coverChances,
  indexOf,
  likelihood,
  priorBelief,
  shift,
  thereOf,
  tookAt,
  willingOf,
  type Situation,
} from './belief';
import {
  ACTION_S,
  COVERS_AFTER,
  LOOK_AHEAD,
  MENDS,
  NOTHING_TURNS,
  OUTCOMES,
  RESTS_MIN,
  STATES,
  TAKE_S,
  TRIED,
  type Belief,
  type CoverAnswer,
} from './guesses';

/** What can be changed about the offer. */
export const CHANGES = ['beat', 'drift', 'depth', 'fly', 'rig'] as const;
export type Change = (typeof CHANGES)[number];
export type Move =
  | { kind: 'again' }
  | { kind: Change }
  | { kind: 'rest'; minutes: number }
  | { kind: 'look' }
  | { kind: 'leave' };

/** What happened at a fish, in order: an answer to a cover, or something done. */
export type Happening = CoverAnswer | Change | { restMin: number } | 'seen' | 'not seen';

export interface MoveQuestion {
  situation: Situation;
  happened: readonly Happening[];
  /** What fishing elsewhere pays, takes an hour. */
  lambda: number;
  /** Chance of seeing a fish that is there by going up to look, 0-1; 0: nowhere to look from. */
  seenOnLooking: number;
  /** Changes that cannot be made: nothing else to change to. */
  cannot?: readonly Change[];
  /** Share of a rest that is lost: all of it, unless another lie is in reach meanwhile. */
  restLost?: number;
  /** Moves looked ahead; one where many questions are asked at once. */
  lookAhead?: number;
}

export interface RatedMove {
  move: Move;
  /** Takes more than by leaving now; leaving is 0. */
  pays: number;
  /** Seconds that it comes to, followed up, and until the next answer. */
  followedS: number;
  seconds: number;
}

export interface MoveAnswer {
  /** Chance that a fish is there, and that it is there and willing. */
  there: number;
  willing: number;
  states: Belief;
  /** Every move that can be made, what pays most first; leaving is among them. */
  moves: RatedMove[];
  nodes: number;
}

type Tried = Record<Change, number>;
const NONE_TRIED: Tried = { beat: 0, drift: 0, depth: 0, fly: 0, rig: 0 };

/** Takes over leaving, and the seconds that are spent to get them. */
interface Worth {
  net: number;
  seconds: number;
}
const NOTHING: Worth = { net: 0, seconds: 0 };

/** What a change does to the belief; tried before it helps less. */
function changed(b: Belief, what: Change, tried: number): number[] {
  const out = [...b];
  const right = out[indexOf.right]!;
  const helps = TRIED ** tried;
  const spoil = (to: 'depth' | 'drift' | 'fly', share: number) => {
    out[indexOf.right]! -= right * share;
    out[indexOf[to]]! += right * share;
  };
  if (what === 'beat') shift(out, 'timing', 'right', MENDS.beat.mends);
  else if (what === 'rig') {
    shift(out, 'depth', 'right', MENDS.rig.depth * helps);
    shift(out, 'fly', 'right', MENDS.rig.fly * helps);
    shift(out, 'unwilling', 'right', MENDS.rig.unwilling * helps);
    spoil('fly', MENDS.rig.spoilsFly);
    spoil('depth', MENDS.rig.spoilsDepth);
  } else {
    shift(out, what, 'right', MENDS[what].mends * helps);
    spoil(what, MENDS[what].spoils);
  }
  return out;
}

/** Going up to look: a fish that is there is seen with chance `sees`. */
function looked(b: Belief, sees: number, seen: boolean): { belief: number[]; chance: number } {
  const raw = b.map((p, i) => p * (i === indexOf.gone ? (seen ? 0 : 1) : seen ? sees : 1 - sees));
  const chance = raw.reduce((x, y) => x + y, 0);
  const belief = chance > 0 ? raw.map((p) => p / chance) : [...b];
  if (seen) shift(belief, 'depth', 'right', MENDS.look.depth);
  return { belief, chance };
}

const isChange = (h: Happening): h is Change => CHANGES.some((c) => c === h);

/** The belief after all that happened, and what was tried. What was taken back is not in the list, and leaves no trace. */
export function beliefAfter(
  s: Situation,
  happened: readonly Happening[],
): { belief: number[]; tried: Tried } {
  let b = priorBelief(s);
  const tried = { ...NONE_TRIED };
  for (const h of happened) {
    if (typeof h === 'object') b = afterTime(b, h.restMin);
    else if (h === 'seen' || h === 'not seen') b = looked(b, SEEN_IF_THERE, h === 'seen').belief;
    else if (isChange(h)) {
      b = afterTime(changed(b, h, tried[h]), ACTION_S[h] / 60);
      tried[h]++;
    } else {
      const now = offered(s, tried);
      b = afterAnswer(b, h, now, coverChances(now)).belief;
    }
  }
  return { belief: b, tried };
}
/** Who went up to look and saw nothing: so often it would have been seen. */
const SEEN_IF_THERE = 0.7;

/** After another rig it is no streamer any more. */
const offered = (s: Situation, tried: Tried): Situation =>
  s.streamer && tried.rig > 0 ? { ...s, streamer: false } : s;

/**
 * What to do next at a fish: every move with what it pays more than leaving, two moves looked ahead
 * and then cast on while that pays. Form and figures ours. Throws on a chance outside 0-1.
 */
export function nextMove(q: MoveQuestion): MoveAnswer {
  const { situation: s } = q;
  for (const [name, p] of [...Object.entries(s.right), ['home', s.home ?? 0]] as [string, number][])
    if (!(p >= 0 && p <= 1)) throw new RangeError(`next move: ${name} is ${p}, not 0 to 1`);
  const perS = q.lambda / 3600;
  const take = (s.worth ?? 1) - perS * TAKE_S;
  const bare = { ...s, streamer: false };
  const rows = { first: coverChances(s), bare: coverChances(bare) };
  const rowsOf = (tried: Tried) => (offered(s, tried) === s ? rows.first : rows.bare);
  const moves = possible(q);
  let nodes = 0;

  const silence = { first: silenceOf(rows.first), bare: silenceOf(rows.bare) };
  const hold = new Float64Array(STATES.length);
  /** Casting on while it pays, with nothing changed any more. In place: it is asked a thousand times a move. */
  function castOn(b: Belief, tried: Tried): Worth {
    const isFirst = rowsOf(tried) === rows.first;
    const { none, took } = isFirst ? silence.first : silence.bare;
    const turns = isFirst && s.streamer ? NOTHING_TURNS.streamer : NOTHING_TURNS.plain;
    for (let i = 0; i < hold.length; i++) hold[i] = b[i]!;
    let alive = 1;
    let net = 0;
    let seconds = 0;
    for (let k = 0; k < COVERS_AFTER; k++) {
      let p = 0;
      for (let i = 0; i < hold.length; i++) p += hold[i]! * took[i]!;
      const gain = p * take - perS * s.coverS;
      if (gain <= 0) break;
      net += alive * gain;
      seconds += alive * (s.coverS + p * TAKE_S);
      let quiet = 0;
      for (let i = 0; i < hold.length; i++) quiet += hold[i]! *= none[i]!;
      for (let i = 0; i < hold.length; i++) hold[i]! /= quiet;
      const moved = hold[RIGHT]! * turns;
      hold[RIGHT]! -= moved;
      hold[FLY]! += moved;
      alive *= quiet;
    }
    return net > 0 ? { net, seconds } : NOTHING;
  }

  function cover(b: Belief, seconds: number, tried: Tried, deep: number): Worth {
    const ready = afterTime(b, seconds / 60);
    const chances = rowsOf(tried);
    const now = offered(s, tried);
    const took = tookAt(ready, chances);
    const sum: Worth = {
      net: took * take - perS * (seconds + s.coverS),
      seconds: seconds + s.coverS + took * TAKE_S,
    };
    for (const answer of GOES_ON) {
      const { belief, chance } = afterAnswer(ready, answer, now, chances);
      if (chance > 0) add(sum, chance, best(belief, tried, deep - 1));
    }
    return sum;
  }

  function goAndLook(b: Belief, tried: Tried, deep: number): Worth {
    const ready = afterTime(b, ACTION_S.look / 60);
    const there = looked(ready, q.seenOnLooking, true);
    const none = looked(ready, q.seenOnLooking, false);
    const sum: Worth = { net: -perS * ACTION_S.look, seconds: ACTION_S.look };
    add(sum, none.chance, best(none.belief, tried, deep - 1));
    // Who sees it sees whether it feeds.
    for (const feeds of [true, false]) {
      const raw = there.belief.map((p, i) => (i >= indexOf.right === feeds ? p : 0));
      const share = raw.reduce((x, y) => x + y, 0);
      if (share > 0)
        add(
          sum,
          there.chance * share,
          best(
            raw.map((p) => p / share),
            tried,
            deep - 1,
          ),
        );
    }
    return sum;
  }

  function worthOf(move: Move, b: Belief, tried: Tried, deep: number): Worth {
    switch (move.kind) {
      case 'leave':
        return NOTHING;
      case 'again':
        return cover(b, 0, tried, deep);
      case 'look':
        return goAndLook(b, tried, deep);
      case 'rest': {
        const lostS = move.minutes * 60 * (q.restLost ?? 1);
        const sum = { net: -perS * lostS, seconds: lostS };
        add(sum, 1, best(afterTime(b, move.minutes), tried, deep - 1));
        return sum;
      }
      default: {
        const what = move.kind;
        const more = { ...tried, [what]: tried[what] + 1 };
        return cover(changed(b, what, tried[what]), ACTION_S[what], more, deep);
      }
    }
  }

  function best(b: Belief, tried: Tried, deep: number): Worth {
    nodes++;
    if (deep === 0) return castOn(b, tried);
    let most = NOTHING;
    for (const move of moves) {
      const worth = worthOf(move, b, tried, deep);
      if (worth.net > most.net) most = worth;
    }
    return most;
  }

  const { belief, tried } = beliefAfter(s, q.happened);
  const rated = moves.map((move) => {
    const { net, seconds } = worthOf(move, belief, tried, q.lookAhead ?? LOOK_AHEAD);
    return {
      move,
      pays: net,
      followedS: seconds,
      seconds: secondsOf(move, s.coverS),
    };
  });
  rated.sort((a, b) => b.pays - a.pays);
  return {
    there: thereOf(belief),
    willing: willingOf(belief),
    states: belief,
    moves: rated,
    nodes,
  };
}

/**
 * How many covers more before leaving pays better, should nothing answer them; null: more than `most`.
 * One move looked ahead.
 */
export function coversLeft(q: MoveQuestion, most = 9): number | null {
  const happened = [...q.happened];
  for (let n = 0; n <= most; n++) {
    const { moves } = nextMove({ ...q, happened, lookAhead: 1 });
    if (moves[0]!.move.kind === 'leave') return n;
    happened.push('nothing');
  }
  return null;
}

/**
 * Takes an hour of several moves over one and the same time: as long as the longest of them is followed
 * up, the rest of it spent elsewhere. In the order of what they pay.
 */
export function hourly(moves: readonly RatedMove[], lambda: number): number[] {
  const spanS = Math.max(60, ...moves.map((m) => m.followedS));
  return moves.map((m) => Math.max(0, lambda + (3600 * m.pays) / spanS));
}

/** Takes as honest looks: so many looks of a willing fish come to one take. */
export const looksOf = (takes: number, s: Situation): number =>
  takes / Math.max(0.01, s.answers * (1 - s.missedShare));

const RIGHT = STATES.indexOf('right');
const FLY = STATES.indexOf('fly');
const TOOK = OUTCOMES.indexOf('took');
/** Of a table of covers: the chance of no answer, and of a take, by state. */
const silenceOf = (rows: readonly (readonly number[])[]) => ({
  none: Float64Array.from(rows, (row) => likelihood(row, 'nothing')),
  took: Float64Array.from(rows, (row) => row[TOOK]!),
});

const GOES_ON: readonly CoverAnswer[] = ['nothing', ...OUTCOMES.filter((o) => o !== 'took')];

function add(sum: Worth, chance: number, more: Worth): void {
  sum.net += chance * more.net;
  sum.seconds += chance * more.seconds;
}

function secondsOf(move: Move, coverS: number): number {
  if (move.kind === 'leave') return 0;
  if (move.kind === 'rest') return move.minutes * 60;
  return ACTION_S[move.kind] + (move.kind === 'look' ? 0 : coverS);
}

/** What can be done at all: a rhythm has only what rises. */
function possible({ cannot = [], seenOnLooking, situation: s }: MoveQuestion): Move[] {
  return [
    { kind: 'again' },
    ...CHANGES.filter((c) => !cannot.includes(c) && (c !== 'beat' || s.seen === 'rising')).map(
      (kind) => ({ kind }),
    ),
    ...RESTS_MIN.map((minutes) => ({ kind: 'rest' as const, minutes })),
    ...(seenOnLooking > 0 ? [{ kind: 'look' as const }] : []),
    { kind: 'leave' },
  ];
}
