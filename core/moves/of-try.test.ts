import { EMPTY_SNAPSHOT } from '../log/index';
import { eventOf, tryOf } from '../log/fixtures/tries';
import type { TryEvent, TrySnapshot } from '../log/index';
import { CHANGES, coverSeconds, moveQuestionOf, type MoveContext } from './index';

/** A try as a question of what to do next: what is known of the fish and the water, and what happened. */

describe('a try as a situation', () => {
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
  ) => moveQuestionOf(tryOf({ markId, snapshot: s, events }), { ...context, ...c })!;

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
    expect(depth([eventOf(1, 'hung')], snapshot())).toBe(0.9);
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
    const events = [eventOf(1, 'cast'), eventOf(2, 'look'), eventOf(3, 'change')];
    expect(ask(events, snapshot(), null, { nowMs: 120_000 }).situation.coversAMin).toBe(1);
    expect(ask(events, snapshot(), null, { nowMs: 60_000 }).situation.coversAMin).toBeUndefined();
    expect(
      ask(events.slice(0, 1), snapshot(), null, { nowMs: 120_000 }).situation.coversAMin,
    ).toBeUndefined();
  });
  it('what happened, in order: each answer, what was changed, and pauses over a minute', () => {
    const q = ask(
      [
        eventOf(1, 'look'),
        eventOf(2, 'refusal'),
        eventOf(3, 'miss'),
        eventOf(4, 'rise'),
        eventOf(5, 'seen'),
        eventOf(6, 'unseen'),
        eventOf(7, 'change'),
        eventOf(8, 'change', { changed: 'rig' }),
        eventOf(9, 'change', { changed: 'side' }),
        eventOf(10, 'spook'),
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
    const late = ask([eventOf(30, 'cast')], snapshot(), null, { nowMs: 300_000 });
    expect(late.happened).toEqual(['nothing']);
    expect(ask([eventOf(1, 'cast')], snapshot(), null, { nowMs: 71_000 }).happened).toEqual([
      'nothing',
      { restMin: 61 / 60 },
    ]);
  });
  it('before the first cast nothing can be changed; then what the angler has no other of', () => {
    expect(ask([]).cannot).toEqual(CHANGES);
    expect(ask([eventOf(1, 'cast')]).cannot).toBeUndefined();
    expect(ask([eventOf(1, 'cast')], snapshot(), null, { cannot: ['rig'] }).cannot).toEqual([
      'rig',
    ]);
    expect(ask([]).restLost).toBe(0.1);
    expect(ask([], snapshot(), null, { othersInReach: false }).restLost).toBe(1);
    expect(ask([])).toMatchObject({ lambda: 3, seenOnLooking: 0.4 });
  });
});
