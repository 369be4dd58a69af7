import {
  EMPTY_SNAPSHOT,
  type EventCode,
  type Try,
  type TryEvent,
  type TrySnapshot,
} from '../log/index';
import { afterAnswer, afterTime, coverChances, indexOf, likelihood, tookAt } from './belief';
import { above, isAbove, lnGamma, meanOf, quantileOf, quantilesOf } from './beta';
import { changeOrStay } from './change-or-stay';
import { STATES, type MoveState } from './guesses';
import {
  answersIn,
  beliefAfter,
  bestCovers,
  CHANGES,
  coverSeconds,
  coversLeft,
  expectedCovers,
  hourly,
  looksOf,
  moveQuestionOf,
  nextMove,
  paysToday,
  priorBelief,
  refilled,
  restAfter,
  schoolMoves,
  secondsOfCovers,
  sidesOf,
  whatTheyTake,
  worthAnotherLookH,
  type Happening,
  type MoveContext,
  type MoveQuestion,
  type Situation,
} from './index';

/** The next move's parts against sums done by hand. */
const holding: Situation = {
  seen: 'holding',
  home: 0.6,
  answers: 0.45,
  coverS: 12,
  missedShare: 0.3,
  right: { drift: 0.8, depth: 0.75, fly: 0.5 },
};
const certain = (state: MoveState) => STATES.map((s) => (s === state ? 1 : 0));
const of = (b: readonly number[], state: MoveState) => b[indexOf[state]]!;

describe('the belief before anything was offered', () => {
  it('shares what is willing out by the odds that each part of the offer is wrong', () => {
    const b = priorBelief(holding);
    const faults = { depth: 1 / 3, drift: 0.25, fly: 1 };
    const sum = 1 + 1 / 3 + 0.25 + 1;
    expect(of(b, 'gone')).toBeCloseTo(0.4, 12);
    expect(of(b, 'unwilling')).toBeCloseTo(0.6 * 0.4, 12);
    expect(of(b, 'right')).toBeCloseTo((0.6 * 0.6) / sum, 12);
    for (const [state, odds] of Object.entries(faults))
      expect(of(b, state as MoveState)).toBeCloseTo((0.36 * odds) / sum, 12);
    expect([of(b, 'timing'), of(b, 'wary'), of(b, 'put down')]).toEqual([0, 0, 0]);
  });
  it('what was disturbed on the way is put down, so much of each', () => {
    const calm = priorBelief(holding);
    const b = priorBelief({ ...holding, calm: 0.7 });
    expect(of(b, 'gone')).toBe(of(calm, 'gone'));
    for (const state of ['unwilling', 'right', 'depth', 'drift', 'fly'] as const)
      expect(of(b, state)).toBeCloseTo(0.7 * of(calm, state), 12);
    expect(of(b, 'put down')).toBeCloseTo(0.3 * 0.6, 12);
  });
  it('an offer that cannot be right leaves nothing right', () => {
    const none = priorBelief({ ...holding, right: { ...holding.right, fly: 0 } });
    expect(of(none, 'right')).toBeLessThan(1e-6);
  });
});

describe('one cover', () => {
  it('a right offer is taken or missed, by how it answers; in its rhythm only when it is met', () => {
    const rows = coverChances(holding);
    const row = (s: MoveState) => rows[indexOf[s]]!;
    expect(row('right')[5]).toBeCloseTo(0.45 * 0.7, 12);
    expect(row('right')[2]).toBeCloseTo(0.45 * 0.3, 12);
    // Five covers a minute: .15 + .3 x .3.
    const k = 0.15 + 0.3 * (0.06 * 5);
    expect(row('timing')[5]).toBeCloseTo(0.45 * 0.7 * k, 12);
    expect(row('timing')[2]).toBeCloseTo(0.45 * 0.3 * k, 12);
    const slower = coverChances({ ...holding, coversAMin: 1 })[indexOf.timing]!;
    expect(slower[5]).toBeCloseTo(0.45 * 0.7 * (0.15 + 0.3 * 0.06), 12);
    const mad = coverChances({ ...holding, coversAMin: 60 })[indexOf.timing]!;
    expect(mad[5]).toBeCloseTo(0.45 * 0.7 * 0.45, 12);
  });
  it('a riser rises on, a streamer frightens what is not willing', () => {
    const at = (s: Situation, state: MoveState, n: number) => coverChances(s)[indexOf[state]]![n];
    const rising: Situation = { ...holding, seen: 'rising' };
    expect(at(rising, 'right', 4)).toBe(0.06);
    expect(at(holding, 'right', 4)).toBe(0.01);
    expect(at(rising, 'timing', 4)).toBe(at(holding, 'timing', 4));
    const streamer: Situation = { ...holding, streamer: true };
    expect(at(streamer, 'unwilling', 3)).toBeCloseTo(0.012 + 0.04, 12);
    expect(at(streamer, 'right', 3)).toBe(at(holding, 'right', 3));
  });
  it('silence is what no answer leaves; a take is its column', () => {
    const rows = coverChances(holding);
    const right = rows[indexOf.right]!;
    expect(likelihood(right, 'nothing')).toBeCloseTo(1 - right.reduce((a, b) => a + b, 0), 12);
    expect(likelihood(right, 'looked')).toBe(right[0]);
    expect(likelihood(right, 'rise')).toBe(right[4]);
    expect(tookAt(certain('right'), rows)).toBeCloseTo(0.315, 12);
  });
});

describe('what an answer does', () => {
  const rows = coverChances(holding);
  const after = (state: MoveState, answer: Parameters<typeof afterAnswer>[1], s = holding) =>
    afterAnswer(certain(state), answer, s, coverChances(s)).belief;
  it('nothing: a little less sure of the fly; a streamer is seen once', () => {
    expect(of(after('right', 'nothing'), 'fly')).toBeCloseTo(0.04, 12);
    expect(of(after('right', 'nothing', { ...holding, streamer: true }), 'fly')).toBeCloseTo(
      0.5,
      12,
    );
  });
  it('looked: three of ten doubt the fly, three of ten are wary', () => {
    const b = after('right', 'looked');
    expect(of(b, 'right')).toBeCloseTo(0.7 * 0.7, 12);
    expect(of(b, 'fly')).toBeCloseTo(0.3 * 0.7, 12);
    expect(of(b, 'wary')).toBeCloseTo(0.3, 12);
    expect(of(after('depth', 'looked'), 'wary')).toBeCloseTo(0.3, 12);
  });
  it('turned away: half doubt the fly, and who saw fly or drag is wary', () => {
    const b = after('right', 'turned');
    expect(of(b, 'right')).toBeCloseTo(0.5 * 0.55, 12);
    expect(of(b, 'fly')).toBeCloseTo(0.5 * 0.55, 12);
    expect(of(b, 'wary')).toBeCloseTo(0.45, 12);
    expect(of(after('drift', 'turned'), 'wary')).toBeCloseTo(0.45, 12);
    expect(of(after('depth', 'turned'), 'wary')).toBe(0);
  });
  it('missed: the wary go down; where misses are common they say less', () => {
    const b = after('right', 'missed');
    expect(of(b, 'fly')).toBeCloseTo(0.5 * 0.5, 12);
    expect(of(b, 'wary')).toBeCloseTo(0.5, 12);
    expect(of(after('wary', 'missed'), 'put down')).toBeCloseTo(0.2, 12);
    expect(of(after('timing', 'missed'), 'fly')).toBeCloseTo(0.3 * 0.5, 12);
    const char = after('right', 'missed', { ...holding, missedShare: 0.5 });
    expect(of(char, 'right')).toBeCloseTo(0.8 * 0.8, 12);
    expect(of(char, 'wary')).toBeCloseTo(0.2, 12);
    const edge = after('right', 'missed', { ...holding, missedShare: 0.45 });
    expect(of(edge, 'wary')).toBeCloseTo(0.2, 12);
  });
  it('put down: a third is gone, the rest down', () => {
    for (const state of [
      'right',
      'depth',
      'drift',
      'fly',
      'timing',
      'wary',
      'unwilling',
    ] as const) {
      const b = after(state, 'down');
      expect(of(b, 'gone')).toBeCloseTo(0.35, 12);
      expect(of(b, 'put down')).toBeCloseTo(0.65 * 0.97, 12);
    }
    const down = after('put down', 'down');
    expect(of(down, 'put down')).toBeCloseTo(0.65, 12);
  });
  it('is weighed by how likely each state gives it (Bayes)', () => {
    const b = STATES.map(() => 1 / STATES.length);
    const { belief, chance } = afterAnswer(b, 'rise', holding, rows);
    const column = rows.map((r) => r[4]!);
    expect(chance).toBeCloseTo(column.reduce((x, y) => x + y, 0) / 9, 12);
    expect(of(belief, 'timing')).toBeCloseTo(0.3 / column.reduce((x, y) => x + y, 0), 12);
    const never = afterAnswer(certain('gone'), 'looked', holding, rows);
    expect(never).toEqual({ belief: certain('gone'), chance: 0 });
  });
});

describe('time', () => {
  it('the wary forget in a minute and a half, what is down in twelve', () => {
    const wary = afterTime(certain('wary'), 3);
    const moved = 1 - Math.exp(-3 / 1.5);
    const lost = 1 - Math.exp(-0.003 * 3);
    expect(of(wary, 'wary')).toBeCloseTo((1 - moved) * (1 - lost), 12);
    expect(of(wary, 'fly')).toBeCloseTo(moved * 0.55 * (1 - lost), 12);
    expect(of(wary, 'right')).toBeCloseTo(moved * 0.25 * (1 - lost), 12);
    expect(of(wary, 'unwilling')).toBeCloseTo(moved * 0.2 * (1 - lost), 12);
    expect(of(wary, 'gone')).toBeCloseTo(lost, 12);
    const down = afterTime(certain('put down'), 12);
    expect(of(down, 'right')).toBeCloseTo((1 - Math.exp(-1)) * 0.35 * Math.exp(-0.036), 12);
  });
  it('a refused fly is shown again, the unwilling come round, and some go', () => {
    const fly = afterTime(certain('fly'), 6);
    expect(of(fly, 'right')).toBeCloseTo(0.2 * (1 - Math.exp(-1)) * Math.exp(-0.018), 12);
    const unwilling = afterTime(certain('unwilling'), 10);
    expect(of(unwilling, 'right')).toBeCloseTo((1 - Math.exp(-0.06)) * Math.exp(-0.03), 12);
    expect(of(afterTime(certain('gone'), 60), 'gone')).toBe(1);
  });
  it('no time changes nothing, and what was given is not touched', () => {
    const b = certain('wary');
    expect(afterTime(b, 0)).toEqual(b);
    expect(afterTime(b, -1)).toEqual(b);
    afterTime(b, 9);
    expect(b).toEqual(certain('wary'));
  });
});

describe('what is changed', () => {
  /** The belief of one state after one thing was done, the time that it takes undone in the reckoning. */
  const done = (state: MoveState, ...happened: Happening[]) => {
    const s: Situation = { ...holding, home: state === 'gone' ? 0 : 1 };
    const before = priorBelief(s);
    const { belief, tried } = beliefAfter(s, happened);
    return { before, belief, tried };
  };
  it('mends its own fault, and spoils a little; again it helps by .55 of that', () => {
    const { before, belief, tried } = done('right', 'drift');
    expect(tried).toEqual({ beat: 0, drift: 1, depth: 0, fly: 0, rig: 0 });
    // Mended first, then a share of what is right is spoiled, then a quarter of a minute passes.
    const right = of(before, 'right') + 0.6 * of(before, 'drift');
    const expected = [...before];
    expected[indexOf.drift] = 0.4 * of(before, 'drift') + 0.06 * of(before, 'right');
    expected[indexOf.right] = right - 0.06 * of(before, 'right');
    const after = afterTime(expected, 15 / 60);
    for (const state of STATES) expect(of(belief, state)).toBeCloseTo(of(after, state), 9);
  });
  it('another rig mends depth, fly and some of the unwilling; a beat the rhythm alone', () => {
    const { before, belief } = done('right', 'rig');
    expect(of(belief, 'unwilling')).toBeLessThan(of(before, 'unwilling'));
    expect(of(belief, 'drift')).toBeCloseTo(of(before, 'drift') * Math.exp(-0.003 * 2.5), 9);
    const riser: Situation = {
      ...holding,
      seen: 'rising',
      right: { ...holding.right, timing: 0.5 },
    };
    const timing = of(priorBelief(riser), 'timing');
    const beat = beliefAfter(riser, ['beat']).belief;
    expect(of(beat, 'timing')).toBeCloseTo(0.6 * timing * Math.exp(-0.003 * 0.2), 9);
    expect(of(beat, 'drift')).toBeCloseTo(
      of(priorBelief(riser), 'drift') * Math.exp(-0.003 * 0.2),
      9,
    );
  });
  it('seen from above: it is there, and depth is told; not seen: likelier gone', () => {
    const s: Situation = { ...holding, home: 0.5 };
    expect(of(beliefAfter(s, ['seen']).belief, 'gone')).toBe(0);
    const depth = 2 * of(priorBelief(s), 'depth') * 0.4;
    expect(of(beliefAfter(s, ['seen']).belief, 'depth')).toBeCloseTo(depth, 9);
    expect(of(beliefAfter(s, ['not seen']).belief, 'gone')).toBeCloseTo(0.5 / (0.5 + 0.5 * 0.3), 9);
  });
  it('a rest is time; a streamer is none any more once the rig is another', () => {
    expect(beliefAfter(holding, [{ restMin: 4 }]).belief).toEqual(
      afterTime(priorBelief(holding), 4),
    );
    const streamer: Situation = { ...holding, streamer: true };
    const with_ = beliefAfter(streamer, ['rig', 'nothing']).belief;
    const without = beliefAfter(holding, ['rig', 'nothing']).belief;
    expect(with_).toEqual(without);
    expect(beliefAfter(streamer, ['nothing']).belief).not.toEqual(
      beliefAfter(holding, ['nothing']).belief,
    );
  });
});

describe('the next move', () => {
  const q: MoveQuestion = { situation: holding, happened: [], lambda: 3, seenOnLooking: 0.5 };
  const kinds = (more: Partial<MoveQuestion>) =>
    nextMove({ ...q, ...more }).moves.map((m) => m.move.kind);
  it('offers what can be done: a beat to a riser alone, a look where there is somewhere to look from', () => {
    expect(kinds({})).not.toContain('beat');
    expect(kinds({ situation: { ...holding, seen: 'rising' } })).toContain('beat');
    expect(kinds({})).toContain('look');
    expect(kinds({ seenOnLooking: 0 })).not.toContain('look');
    expect(kinds({}).filter((k) => k === 'rest')).toHaveLength(3);
  });
  it('leaving pays nothing and takes nothing; the rest say how long until the next answer', () => {
    const { moves } = nextMove(q);
    const by = (kind: string) => moves.find((m) => m.move.kind === kind)!;
    expect(by('leave')).toMatchObject({ pays: 0, followedS: 0, seconds: 0 });
    expect(by('again').seconds).toBe(12);
    expect(by('fly').seconds).toBe(72);
    expect(by('look').seconds).toBe(60);
    for (const m of moves) if (m.move.kind === 'rest') expect(m.seconds).toBe(60 * m.move.minutes);
    expect([...moves].sort((a, b) => b.pays - a.pays)).toEqual(moves);
  });
  it('one cover, one move ahead: takes less what the time would bring', () => {
    // Where leaving follows at once, the cover alone is paid.
    const hopeless: Situation = { ...holding, home: 0.02, seen: 'motionless' };
    const again = nextMove({ ...q, situation: hopeless, lambda: 30, lookAhead: 1 }).moves.find(
      (m) => m.move.kind === 'again',
    )!;
    const took = tookAt(priorBelief(hopeless), coverChances(hopeless));
    const perS = 30 / 3600;
    expect(again.pays).toBeCloseTo(took * (1 - perS * 55) - perS * 12, 9);
    expect(again.followedS).toBeCloseTo(12 + 55 * took, 9);
  });
  it('a rest of which little is lost pays more; a fish of more worth too', () => {
    const pays = (more: Partial<MoveQuestion>, kind: string) =>
      nextMove({ ...q, happened: ['down'], ...more }).moves.find((m) => m.move.kind === kind)!.pays;
    expect(pays({ restLost: 0.1 }, 'rest')).toBeGreaterThan(pays({}, 'rest'));
    expect(pays({ situation: { ...holding, worth: 2 } }, 'again')).toBeGreaterThan(
      pays({}, 'again'),
    );
  });
  it('covers left fall with what elsewhere pays; none where nothing pays; null where it goes on', () => {
    const left = (lambda: number) => coversLeft({ ...q, lambda })!;
    expect(left(2)).toBeGreaterThanOrEqual(left(6));
    expect(coversLeft({ ...q, situation: { ...holding, home: 0.01 }, lambda: 20 })).toBe(0);
    expect(coversLeft({ ...q, lambda: 0.01 }, 2)).toBeNull();
  });
  it('told by the hour: each over the longest, in its order, never under nothing', () => {
    const moves = [
      { move: { kind: 'again' } as const, pays: 0.2, followedS: 120, seconds: 12 },
      { move: { kind: 'leave' } as const, pays: 0, followedS: 0, seconds: 0 },
      { move: { kind: 'look' } as const, pays: -1, followedS: 240, seconds: 60 },
    ];
    expect(hourly(moves, 3)).toEqual([3 + (3600 * 0.2) / 240, 3, 0]);
    expect(hourly(moves.slice(1, 2), 3)).toEqual([3]);
    expect(looksOf(0.63, { ...holding, answers: 0.9 })).toBeCloseTo(1, 12);
    expect(looksOf(1, { ...holding, answers: 0 })).toBe(100);
  });
  it('home, and each part of the offer, is refused outside 0 to 1', () => {
    const ask = (s: Partial<Situation>) => () =>
      nextMove({ ...q, situation: { ...holding, ...s } });
    expect(ask({ home: -0.1 })).toThrow('next move: home is -0.1, not 0 to 1');
    expect(ask({ right: { ...holding.right, drift: NaN } })).toThrow('drift is NaN');
    expect(ask({ home: null, minutesSinceSeen: 2 })).not.toThrow();
  });
});

describe('schools', () => {
  const at = (happened: Happening[], more: Partial<MoveQuestion> = {}) =>
    schoolMoves({ situation: holding, happened, lambda: 3, seenOnLooking: 0, ...more });
  const three: Happening[] = ['nothing', 'looked', 'missed'];
  it('three and on counts every cover, and no rest', () => {
    expect(at(['nothing', 'rise'])['three and on'].kind).toBe('again');
    expect(at(['nothing', { restMin: 3 }, 'turned'])['three and on'].kind).toBe('again');
    expect(at(['nothing', 'rise', 'turned'])['three and on'].kind).toBe('leave');
  });
  it('depth first: three times, then the fly, then on; what cannot be changed is passed', () => {
    expect(at(three)['depth first'].kind).toBe('depth');
    expect(at(three, { cannot: ['depth'] })['depth first'].kind).toBe('fly');
    expect(at(three, { cannot: ['depth', 'fly'] })['depth first'].kind).toBe('leave');
    const thrice: Happening[] = ['depth', 'depth', 'depth'];
    expect(at([...thrice, ...three])['depth first'].kind).toBe('fly');
    expect(at([...thrice, 'fly', 'fly', 'fly', ...three])['depth first'].kind).toBe('leave');
    expect(at(['depth', 'nothing', 'turned'])['fly first'].kind).toBe('fly');
    expect(at(['nothing', 'nothing'])['fly first'].kind).toBe('again');
    expect(at(['nothing', 'nothing', 'depth', 'nothing'])['fly first'].kind).toBe('again');
  });
  it('rest first after whatever showed a fish; else again; stay casts, a riser by its beat', () => {
    for (const h of ['looked', 'turned', 'missed', 'down'] as const)
      expect(at([h])['rest first']).toEqual({ kind: 'rest', minutes: 5 });
    for (const h of [[], ['nothing'], ['rise']] as Happening[][])
      expect(at(h)['rest first'].kind).toBe('again');
    expect(at([]).stay.kind).toBe('again');
  });
});

describe('a try as a situation', () => {
  const event = (n: number, code: EventCode, more: Partial<TryEvent> = {}): TryEvent => ({
    id: `e${n}`,
    device: 'd',
    seq: n,
    code,
    clientMs: n * 10_000,
    zoneOffsetMin: 0,
    ...more,
  });
  const context: MoveContext = {
    lambda: 3,
    nowMs: 30_000,
    seenMinutesAgo: 4,
    othersInReach: true,
    seenOnLooking: 0.4,
  };
  const target = {
    id: 'l',
    kind: null,
    xM: 0,
    yM: 0,
    rating: 70,
    needs: null,
    depthM: 0.4,
    surfaceSpeedMps: 0.5,
    meanSpeedMps: 0.4,
    behaviour: null,
  } as unknown as NonNullable<TrySnapshot['target']>;
  const snapshot = (more: Partial<TrySnapshot> = {}): TrySnapshot => ({
    ...EMPTY_SNAPSHOT,
    target,
    ...more,
  });
  const ask = (
    events: TryEvent[],
    s: TrySnapshot = snapshot(),
    markId: string | null = null,
    c: Partial<MoveContext> = {},
  ) =>
    moveQuestionOf(
      {
        id: 't',
        outingId: 'o',
        beatId: 'b',
        markId,
        fly: '',
        openedMs: 0,
        zoneOffsetMin: 0,
        snapshot: s,
        events,
      } satisfies Try,
      { ...context, ...c },
    )!;

  it('a lie by its rating, one that nobody rated by half; a fish by how it was seen', () => {
    expect(ask([]).situation).toMatchObject({ seen: 'blind', home: 0.7 });
    const unrated = snapshot({ target: { ...target, rating: null } });
    expect(ask([], unrated).situation.home).toBe(0.5);
    for (const [behaviour, seen] of [
      ['rising', 'rising'],
      ['nymphing', 'nymphing'],
      ['cruising', 'holding'],
      ['glued', 'motionless'],
      [null, 'holding'],
    ] as const) {
      const marked = snapshot({ target: { ...target, behaviour } as typeof target });
      expect(ask([], marked, 'm').situation).toMatchObject({ seen, home: null });
    }
    expect(ask([], snapshot(), 'm').situation.minutesSinceSeen).toBe(4);
    expect(ask([], snapshot(), 'm', { seenMinutesAgo: -1 }).situation.minutesSinceSeen).toBe(0);
    expect(
      ask([], snapshot(), 'm', { seenMinutesAgo: null }).situation.minutesSinceSeen,
    ).toBeUndefined();
  });
  it('depth by what is known of it: felt, a dry to a riser, hidden, usual', () => {
    const depth = (events: TryEvent[], s: TrySnapshot, markId: string | null = null) =>
      ask(events, s, markId).situation.right.depth;
    expect(depth([], snapshot())).toBe(0.75);
    expect(depth([event(1, 'hung')], snapshot())).toBe(0.9);
    expect(depth([], snapshot({ target: { ...target, depthM: 0.81 } }))).toBe(0.35);
    expect(depth([], snapshot({ target: { ...target, depthM: 0.8 } }))).toBe(0.75);
    const stained = { ...EMPTY_SNAPSHOT.water, turbidityNtu: 13 };
    expect(depth([], snapshot({ water: stained }))).toBe(0.35);
    const rig = (fly: string) =>
      ({ rig: { id: null, fly, leaderM: null }, leadM: 1.5 }) as unknown as TrySnapshot['cast'];
    const rising = { ...target, behaviour: 'rising' } as typeof target;
    expect(depth([], snapshot({ target: rising, cast: rig('dry') }), 'm')).toBe(0.98);
    expect(depth([], snapshot({ target: rising, cast: rig('dry-dropper') }), 'm')).toBe(0.98);
    expect(depth([], snapshot({ target: rising, cast: rig('sunk') }), 'm')).toBe(0.75);
    expect(depth([], snapshot({ cast: rig('dry') }))).toBe(0.75);
    expect(ask([], snapshot({ cast: rig('dry') })).situation.coverS).toBe(coverSeconds(1.5, 0.5));
  });
  it('what was predicted stands; else pace and cold tell how it answers', () => {
    expect(ask([]).situation).toMatchObject({ calm: 1, answers: 0.55, missedShare: 0.3 });
    expect(ask([]).situation.right).toEqual({ drift: 0.85, depth: 0.75, fly: 0.75 });
    const predicted = {
      ...EMPTY_SNAPSHOT.predicted,
      calm: 0.6,
      answers: 0.2,
      chance: { value: 0.4, parts: { clean: 0.33 } },
    } as TrySnapshot['predicted'];
    expect(ask([], snapshot({ predicted })).situation).toMatchObject({ calm: 0.6, answers: 0.2 });
    expect(ask([], snapshot({ predicted })).situation.right.drift).toBe(0.33);
    const rated = { ...EMPTY_SNAPSHOT.rated, species: 'brook' } as TrySnapshot['rated'];
    expect(ask([], snapshot({ rated })).situation.missedShare).toBe(0.5);
    const surface = { ...target, meanSpeedMps: null };
    expect(ask([], snapshot({ target: surface })).situation.answers).toBe(0.55);
    expect(
      ask([], snapshot({ target: { ...surface, surfaceSpeedMps: 0.1 } })).situation.answers,
    ).toBe(0.3);
    expect(ask([], snapshot(), null, { worth: 2 }).situation.worth).toBe(2);
    expect(ask([]).situation.worth).toBeUndefined();
  });
  it('a riser has a rhythm; covers a minute count once there are two in more than a minute', () => {
    const rising = snapshot({ target: { ...target, behaviour: 'rising' } as typeof target });
    expect(ask([], rising, 'm').situation.right.timing).toBe(0.6);
    expect(ask([], rising).situation.right.timing).toBeUndefined();
    const events = [event(1, 'cast'), event(2, 'look'), event(3, 'change')];
    expect(ask(events, snapshot(), null, { nowMs: 120_000 }).situation.coversAMin).toBe(1);
    expect(ask(events, snapshot(), null, { nowMs: 60_000 }).situation.coversAMin).toBeUndefined();
    expect(
      ask(events.slice(0, 1), snapshot(), null, { nowMs: 120_000 }).situation.coversAMin,
    ).toBeUndefined();
  });
  it('what happened, in order: each answer, what was changed, and pauses over a minute', () => {
    const q = ask(
      [
        event(1, 'look'),
        event(2, 'refusal'),
        event(3, 'miss'),
        event(4, 'rise'),
        event(5, 'seen'),
        event(6, 'unseen'),
        event(7, 'change'),
        event(8, 'change', { changed: 'rig' }),
        event(9, 'change', { changed: 'side' }),
        event(10, 'spook'),
      ],
      snapshot(),
      null,
      { nowMs: 160_000 },
    );
    expect(q.happened).toEqual([
      'looked',
      'turned',
      'missed',
      'rise',
      'seen',
      'not seen',
      'fly',
      'rig',
      'drift',
      'down',
    ]);
    // A pause before the first cast is none, and one of just a minute neither.
    const late = ask([event(30, 'cast')], snapshot(), null, { nowMs: 300_000 });
    expect(late.happened).toEqual(['nothing']);
    expect(ask([event(1, 'cast')], snapshot(), null, { nowMs: 71_000 }).happened).toEqual([
      'nothing',
      { restMin: 61 / 60 },
    ]);
  });
  it('before the first cast nothing can be changed; then what the angler has no other of', () => {
    expect(ask([]).cannot).toEqual(CHANGES);
    expect(ask([event(1, 'cast')]).cannot).toBeUndefined();
    expect(ask([event(1, 'cast')], snapshot(), null, { cannot: ['rig'] }).cannot).toEqual(['rig']);
    expect(ask([]).restLost).toBe(0.1);
    expect(ask([], snapshot(), null, { othersInReach: false }).restLost).toBe(1);
    expect(ask([])).toMatchObject({ lambda: 3, seenOnLooking: 0.4 });
  });
});

describe('covers, rests, refills', () => {
  const lie = { p: 0.3, a: 0.45, coverS: 11, takeS: 55 };
  it('at the edges of its form', () => {
    expect(bestCovers({ ...lie, p: 0 }, 4)).toBe(0);
    expect(bestCovers({ ...lie, a: 0 }, 4)).toBe(0);
    expect(bestCovers(lie, 0)).toBe(8);
    expect(bestCovers({ ...lie, p: 1 }, 4)).toBe(8);
    expect(bestCovers({ ...lie, a: 1 }, 4)).toBe(1);
    expect(bestCovers({ ...lie, a: 1, p: 0.001 }, 4)).toBe(0);
    expect(bestCovers(lie, 500)).toBe(0);
    expect(bestCovers({ ...lie, worth: 0.01 }, 4)).toBe(0);
    expect(bestCovers({ ...lie, worth: 3 }, 4)).toBeGreaterThan(bestCovers(lie, 4));
    expect(expectedCovers({ ...lie, a: 0 }, 3)).toBe(3);
    expect(secondsOfCovers({ ...lie, worth: 5 }, 3)).toBeCloseTo(secondsOfCovers(lie, 3), 12);
  });
  it('answers by pace and cold, with the own record; seconds by lead and pace', () => {
    expect([0.5, 0.35, 0.2, 0.15, 0.1].map((v) => answersIn(v, 12))).toEqual([
      0.55, 0.55, 0.45, 0.45, 0.3,
    ]);
    expect(answersIn(null, null)).toBe(0.45);
    expect(answersIn(0.5, 5.9)).toBe(0.275);
    expect(answersIn(0.5, 6)).toBe(0.55);
    expect(answersIn(0.5, 12, 0.5)).toBe(0.275);
    expect(answersIn(0.5, 12, 9)).toBe(0.98);
    expect(coverSeconds(1, 0.5)).toBe(6 + 3.5 + 2);
    expect(coverSeconds(null, 0.5)).toBe(6 + 4 + 2);
    expect(coverSeconds(1, null)).toBe(12);
    expect(coverSeconds(1, 0.01)).toBe(16);
    expect(coverSeconds(0.4, 0.05)).toBe(6 + 5.5 + 2);
  });
  it('what each answer asks of a rest', () => {
    for (const code of ['look', 'refusal', 'miss'] as const)
      expect(restAfter(code, 3).kind).toBe('beside');
    expect(restAfter('loss', 3)).toEqual(restAfter('spook', 3));
    for (const code of ['cast', 'hook', 'rise', 'seen'] as const)
      expect(restAfter(code, 3)).toEqual({ kind: 'none' });
    expect(paysToday(1, -3)).toBeCloseTo(4.5, 12);
  });
  it('an emptied lie fills by its rating; never one that holds none, nor backwards', () => {
    expect(refilled(0.36, 'pricked', 6)).toBeCloseTo(0.36 * (1 - Math.exp(-1)), 12);
    expect(refilled(0.72, 'pricked', 3)).toBeCloseTo(0.72 * (1 - Math.exp(-1)), 12);
    expect(refilled(0, 'taken', 9)).toBe(0);
    expect(refilled(0.5, 'taken', 0)).toBe(0);
    expect(refilled(0.5, 'taken', -1)).toBe(0);
    const h = worthAnotherLookH(0.54, 'pricked', lie, 3, 0)!;
    expect(h).toBeLessThan(worthAnotherLookH(0.54, 'taken', lie, 3, 0)!);
    expect(worthAnotherLookH(0.54, 'pricked', lie, 300, 0)).toBeNull();
  });
});

describe('two sides', () => {
  it('beta: mean, quantiles and shares of a density that is known', () => {
    expect(meanOf({ a: 2, b: 6 })).toBe(0.25);
    // Beta(1, 1) is even; Beta(2, 1) has the distribution x².
    expect(quantilesOf({ a: 1, b: 1 }, [0.1, 0.5, 0.9]).map((x) => x.toFixed(2))).toEqual([
      '0.10',
      '0.50',
      '0.90',
    ]);
    expect(quantileOf({ a: 2, b: 1 }, 0.25)).toBeCloseTo(0.5, 2);
    expect(above({ a: 2, b: 1 }, 0.6)).toBeCloseTo(1 - 0.36, 2);
    expect(lnGamma(5)).toBeCloseTo(Math.log(24), 9);
    expect(lnGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 9);
  });
  it('rates, weights and verdicts by hand', () => {
    const side = (drifts: number, takes: number, promised: number | null = null) => ({
      name: '',
      drifts,
      takes,
      promised,
    });
    const { rates, verdict } = changeOrStay([side(10, 0), side(10, 4)]);
    expect(rates[0].best).toBeCloseTo(0.7 / 20, 12);
    expect(rates[1].best).toBeCloseTo(4.7 / 20, 12);
    expect(rates[1].low).toBeLessThan(rates[1].best);
    expect(rates[1].high).toBeGreaterThan(rates[1].best);
    expect(verdict).toEqual({ kind: 'change', to: 1 });
    const weighed = changeOrStay([side(10, 1, 0.4), side(30, 1, 0.2)]).rates.map((r) => r.weighed);
    expect(weighed[0]).toBeCloseTo((10 * 0.4) / 0.25, 9);
    expect(weighed[1]).toBeCloseTo((30 * 0.2) / 0.25, 9);
    // A promise that one of them lacks is none; takes are never more than what they weigh.
    expect(changeOrStay([side(10, 1, 0.4), side(30, 1)]).rates.map((r) => r.weighed)).toEqual([
      10, 30,
    ]);
    expect(changeOrStay([side(6, 6, 0.01), side(6, 0, 0.9)]).rates[0].weighed).toBe(6);
    expect(changeOrStay([side(5, 0), side(5, 0)]).verdict).toEqual({
      kind: 'no telling',
      needs: null,
    });
    expect(changeOrStay([side(9, 0), side(3, 0)]).verdict).toEqual({ kind: 'too few', needs: 2 });
    // Both go on at the mean of what is believed of them.
    const { needs } = changeOrStay([side(10, 1), side(10, 0)]).verdict as { needs: number };
    const going = (a: number, b: number, n: number) => ({
      a: a + (n * a) / (a + b),
      b: b + (n * b) / (a + b),
    });
    const sure = (n: number) => isAbove(going(1.7, 18.3, n), going(0.7, 19.3, n));
    expect(sure(needs)).toBeGreaterThanOrEqual(0.8);
    expect(sure(needs - 1)).toBeLessThan(0.8);
  });
  it('by rig, by fly and by phone; most drifts first, then by name; what is no drift is none', () => {
    const at = (id: string, fly: string, codes: EventCode[], rig: string | null): Try =>
      ({
        id,
        outingId: 'o',
        beatId: null,
        markId: null,
        fly,
        openedMs: 0,
        zoneOffsetMin: 0,
        snapshot: { ...EMPTY_SNAPSHOT, ...(rig && { cast: { rig: { fly: rig } } }) },
        events: codes.map((code, i) => ({
          id: `${id}${i}`,
          device: 'd',
          seq: i + 1,
          code,
          clientMs: i,
          zoneOffsetMin: 0,
        })),
      }) as unknown as Try;
    const tries = [
      at('a', 'dun', ['cast', 'look', 'refusal', 'clear', 'rise', 'snag', 'spook', 'seen'], 'dry'),
      at('b', 'ant', ['bottom', 'hook'], null),
      at('c', 'bee', ['cast', 'cast'], 'sunk'),
    ];
    expect(sidesOf(tries, 'fly')).toEqual([
      { name: 'dun', drifts: 5, takes: 0, promised: null },
      { name: 'ant', drifts: 2, takes: 1, promised: null },
      { name: 'bee', drifts: 2, takes: 0, promised: null },
    ]);
    expect(sidesOf(tries, 'rig').map((s) => s.name)).toEqual(['dry', '', 'sunk']);
    expect(sidesOf(tries, 'phone')).toHaveLength(1);
    expect(sidesOf([], 'rig')).toEqual([]);
  });
});

describe('what they take, sign by sign', () => {
  const seen = {
    everyS: null,
    regular: null,
    form: null,
    untouched: null,
    hour: 14,
    waterTempC: null,
    caught: null,
  } as const;
  const odds = (more = {}) => {
    const { foods } = whatTheyTake({ ...seen, ...more });
    return (a: string, b: string) =>
      foods.find((f) => f.food === a)!.chance / foods.find((f) => f.food === b)!.chance;
  };
  const bell = (x: number, at: number, spread: number) => Math.exp(-0.5 * ((x - at) / spread) ** 2);
  it('prior, hour and water; what has no hours counts six tenths', () => {
    const plain = odds();
    expect(plain('midge', 'nymph near the top')).toBeCloseTo(0.16 / 0.06, 9);
    expect(plain('emerger', 'midge')).toBeCloseTo((0.18 * 1.1) / (0.16 * 0.6), 9);
    const dusk = odds({ hour: 20.5 });
    expect(dusk('spinner', 'midge')).toBeCloseTo((0.12 * 1.1) / (0.16 * 0.6), 6);
    const cold = odds({ waterTempC: 4 });
    expect(cold('emerger', 'midge')).toBeCloseTo(
      (0.18 * 1.1 * (0.1 + bell(4, 12, 4))) / (0.16 * 0.6),
      9,
    );
  });
  it('form, regularity and often', () => {
    expect(odds({ form: 'splash' })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 * 0.05) / (0.06 * 0.1),
      9,
    );
    expect(odds({ regular: true })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 * 0.8) / (0.06 * 0.4),
      9,
    );
    expect(odds({ regular: false })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 * 0.2) / (0.06 * 0.6),
      9,
    );
    const often = (0.3 + 0.7 * 0.8) / (0.3 + 0.7 * 0.4);
    expect(odds({ everyS: 14 })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 / 0.06) * often,
      9,
    );
    expect(odds({ everyS: 15 })('midge', 'nymph near the top')).toBeCloseTo(0.16 / 0.06, 9);
    expect(odds({ untouched: 'midge' })('midge', 'nymph near the top')).toBeCloseTo(
      (0.15 * 0.16) / 0.06,
      9,
    );
  });
  it('says when no food stands out, and what the wings may be', () => {
    expect(whatTheyTake({ ...seen }).isOpen).toBe(true);
    expect(whatTheyTake({ ...seen, form: 'splash', hour: 20, regular: false }).isOpen).toBe(false);
    expect(whatTheyTake({ ...seen }).caughtIs).toBeNull();
    const flat = whatTheyTake({ ...seen, caught: { lengthMm: 16, wings: 'flat along the back' } });
    expect(flat.caughtIs).toEqual(['stonefly', 'hopper']);
    expect(whatTheyTake({ ...seen, caught: { lengthMm: 8, wings: 'none' } }).caughtIs).toEqual([
      'emerger',
      'nymph near the top',
    ]);
    expect(() => whatTheyTake({ ...seen, caught: { lengthMm: -1, wings: 'none' } })).toThrow(
      RangeError,
    );
  });
});
