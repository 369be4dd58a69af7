import { coverChances, tookAt } from './belief';
import {
  coversLeft,
  hourly,
  looksOf,
  nextMove,
  priorBelief,
  schoolMoves,
  type Happening,
  type MoveQuestion,
  type Situation,
} from './index';

/** What is offered, what it pays, and what the schools would do. */
const holding: Situation = {
  seen: 'holding',
  home: 0.6,
  answers: 0.45,
  coverS: 12,
  missedShare: 0.3,
  right: { drift: 0.8, depth: 0.75, fly: 0.5 },
};

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
