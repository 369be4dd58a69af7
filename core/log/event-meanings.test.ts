import { EMPTY_SNAPSHOT } from './index';
import { eventOf, tryOf } from './fixtures/tries';
import {
  EVENT_CODES,
  foldTry,
  homeAsked,
  homeTrials,
  isOver,
  meaningOf,
  NO_PRIORS,
  possibleEvents,
  type Priors,
  type Try,
  type TryEvent,
} from './index';

/** What each event means to a try and to the chance that a lie is held. */
const rated = (rating: number, more: Partial<Try> = {}, slope?: number) =>
  tryOf({
    snapshot: {
      ...EMPTY_SNAPSHOT,
      rated: {
        ...EMPTY_SNAPSHOT.rated,
        homeOffset: 0.2,
        ...(slope !== undefined && { homeSlope: slope }),
      },
      target: { rating } as unknown as Try['snapshot']['target'],
    },
    ...more,
  });

describe('what each event is', () => {
  const CASTS = [
    'cast',
    'look',
    'refusal',
    'miss',
    'hook',
    'bottom',
    'clear',
    'other-species',
    'rise',
  ];
  it.each(EVENT_CODES.map((c) => [c]))('%s: a cast or none', (code) => {
    expect(meaningOf(code).isCast).toBe(CASTS.includes(code));
    if (code === 'undo' || code === 'more') return;
    expect(foldTry('', [eventOf(1, code)]).casts).toBe(CASTS.includes(code) ? 1 : 0);
  });
  it.each([
    ['hook', 'hooked', false],
    ['loss', 'lost', true],
    ['spook', 'put down', true],
    ['foul', 'foul-hooked', true],
    ['let-be', 'let be', true],
    ['leave', 'left', true],
    ['landing', 'landed', true],
    ['miss', 'open', false],
  ] as const)('%s leaves it %s', (code, state, over) => {
    const fold = foldTry('', [eventOf(1, code)]);
    expect(fold.state).toBe(state);
    expect(isOver(fold.state)).toBe(over);
    expect(fold.last).toMatchObject({ code });
  });
  it.each([
    ['look', true],
    ['refusal', true],
    ['miss', true],
    ['hook', true],
    ['landing', true],
    ['loss', true],
    ['spook', true],
    ['foul', true],
    ['let-be', true],
    ['cast', false],
    ['bottom', false],
    ['clear', false],
    ['other-species', false],
    ['rise', true],
    ['seen', true],
  ] as const)('%s shows a fish where none was seen: %s', (code, fish) => {
    expect(
      homeTrials([rated(60, { events: [eventOf(1, 'cast'), eventOf(2, code)] })])[0],
    ).toMatchObject({
      fish,
    });
  });
  it('a landing without a length has none; a change without a fly changes none', () => {
    expect(foldTry('a', [eventOf(1, 'landing')]).landedCm).toBeNull();
    expect(foldTry('a', [eventOf(1, 'change', { changed: 'depth' })]).fly).toBe('a');
    expect(foldTry('a', [eventOf(1, 'rest', { fly: 'b' })]).fly).toBe('a');
  });
  it('what can be pressed: again after it came off or was put down, nothing once it is over', () => {
    for (const state of ['lost', 'put down', 'open'] as const)
      expect(possibleEvents(state)).toEqual(expect.arrayContaining(['cast', 'clear', 'unseen']));
    for (const state of ['landed', 'let be', 'left', 'foul-hooked'] as const)
      expect(possibleEvents(state)).toEqual([]);
  });
  it('of two devices’ events under one number the device decides, whatever came first', () => {
    const a = eventOf(1, 'cast', { id: 'a', device: 'a' });
    const b = eventOf(1, 'miss', { id: 'b', device: 'b' });
    const ids = (list: TryEvent[]) => foldTry('', list).timeline.map((t) => t.event.id);
    expect(ids([a, b])).toEqual(['a', 'b']);
    expect(ids([b, a])).toEqual(['a', 'b']);
  });
});

describe('trials of a lie', () => {
  it('three casts a working, one at least; with the slope that it was rated by', () => {
    const casts = (n: number) => Array.from({ length: n }, (_, i) => eventOf(i + 1, 'cast'));
    expect(homeTrials([rated(60, { events: casts(1) })])).toEqual([
      { chance: 0.6, offset: 0.2, workings: 1, fish: false },
    ]);
    expect(homeTrials([rated(45, { events: casts(6) }, 0.8)])).toEqual([
      { chance: 0.45, offset: 0.2, slope: 0.8, workings: 2, fish: false },
    ]);
    // A fish that showed without a cast is a trial; what was taken back is none.
    expect(homeTrials([rated(60, { events: [eventOf(1, 'spook')] })])).toHaveLength(1);
    const back = [eventOf(1, 'cast'), eventOf(2, 'look'), eventOf(3, 'undo', { undoes: 'e2' })];
    expect(homeTrials([rated(60, { events: back })])[0]).toMatchObject({ fish: false });
    expect(homeTrials([rated(60, { markId: 'm', events: casts(3) })])).toEqual([]);
  });
  it('a water’s constant: from its own prior and what came since; none fitted once it is taken back', () => {
    const tries = [5, 15].map((openedMs) => rated(60, { openedMs, events: [eventOf(1, 'cast')] }));
    const own = { offset: 0.4, spread: 0.3 };
    const priors: Priors = {
      ...NO_PRIORS,
      untilMs: 10,
      home: { ...NO_PRIORS.home, slope: 0.9, waters: { b: own } },
    };
    expect(homeAsked(tries, priors)).toMatchObject({ prior: own, slope: 0.9 });
    expect(homeAsked(tries, priors).trials).toHaveLength(1);
    expect(homeAsked(tries, { ...priors, untilMs: 15 }).trials).toHaveLength(1);
    expect(homeAsked(tries, NO_PRIORS)).toMatchObject({ prior: NO_PRIORS.home.all, slope: 1 });
    expect(homeAsked(tries, NO_PRIORS).trials).toHaveLength(2);
    const dead = { ...priors, home: { ...priors.home, live: false } };
    expect(homeAsked(tries, dead).trials).toEqual([]);
    expect(homeAsked([], priors)).toEqual({ trials: [], prior: NO_PRIORS.home.all, slope: 0.9 });
  });
});
