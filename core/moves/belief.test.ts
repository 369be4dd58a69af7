import { afterAnswer, afterTime, coverChances, indexOf, likelihood, tookAt } from './belief';
import { STATES, type MoveState } from './guesses';
import { beliefAfter, priorBelief, type Happening, type Situation } from './index';

/** The belief about one fish, and what an answer, time or a change makes of it, against sums done by hand. */
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
