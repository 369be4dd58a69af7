import fc from 'fast-check';
import {
  EMPTY_SNAPSHOT,
  EVENT_CODES,
  foldTry,
  homeTrials,
  possibleEvents,
  type EventCode,
  type Try,
  type TryEvent,
} from './index';

const event = (seq: number, code: TryEvent['code'], more: Partial<TryEvent> = {}): TryEvent => ({
  id: `e${seq}`,
  device: 'd1',
  seq,
  code,
  clientMs: 1e12 - seq * 1000, // a clock that runs backwards: order must not follow it
  zoneOffsetMin: 120,
  ...more,
});

it('counts casts, follows the fly and the state', () => {
  const fold = foldTry('Olive parachute 16', [
    event(1, 'cast'),
    event(2, 'look'),
    event(3, 'change', { fly: 'Olive emerger 18' }),
    event(4, 'hook'),
    event(5, 'landing', { lengthCm: 27 }),
  ]);
  expect(fold).toMatchObject({ state: 'landed', casts: 3, fly: 'Olive emerger 18', landedCm: 27 });
  expect(fold.timeline.map((t) => t.event.code)).toEqual([
    'cast',
    'look',
    'change',
    'hook',
    'landing',
  ]);
});

it('an undo takes back what it names, and an undone undo gives it again', () => {
  const events = [event(1, 'cast'), event(2, 'hook'), event(3, 'undo', { undoes: 'e2' })];
  expect(foldTry('x', events)).toMatchObject({ state: 'open', casts: 1 });
  expect(foldTry('x', events).timeline[1]).toMatchObject({ undone: true });
  expect(foldTry('x', events).last?.id).toBe('e1');
  const again = [...events, event(4, 'undo', { undoes: 'e3' })];
  expect(foldTry('x', again)).toMatchObject({ state: 'hooked', casts: 2 });
});

it('does not depend on the order in which events arrive (seeded properties)', () => {
  const codes = fc.array(fc.constantFrom(...EVENT_CODES), { minLength: 1, maxLength: 12 });
  fc.assert(
    fc.property(codes, fc.integer(), (list, seed) => {
      const events = list.map((code, i) =>
        event(
          i + 1,
          code,
          code === 'undo' ? { undoes: `e${1 + (Math.abs(seed + i) % Math.max(1, i))}` } : {},
        ),
      );
      const shuffled = [...events].sort(
        (a, b) => ((a.seq * 7919 + seed) % 13) - ((b.seq * 7919 + seed) % 13),
      );
      expect(foldTry('x', shuffled)).toEqual(foldTry('x', events));
    }),
    { numRuns: 200, seed: 11 },
  );
});

it('what is said afterwards of an event holds for it, until it is taken back', () => {
  const events = [
    event(1, 'hook'),
    event(2, 'landing'),
    event(3, 'more', { of: 'e2', lengthCm: 31, species: 'brown' }),
    event(4, 'more', { of: 'e2', lengthCm: 30 }),
  ];
  const fold = foldTry('x', events);
  expect(fold).toMatchObject({ state: 'landed', landedCm: 30, casts: 1 });
  expect(fold.timeline).toHaveLength(2);
  expect(fold.timeline[1]!.event).toMatchObject({
    code: 'landing',
    lengthCm: 30,
    species: 'brown',
  });
  const back = foldTry('x', [...events, event(5, 'undo', { undoes: 'e4' })]);
  expect(back.landedCm).toBe(31);
  expect(back.last?.id).toBe('e3');
});

it('a fish left is a try that is over', () => {
  expect(foldTry('x', [event(1, 'cast'), event(2, 'leave')]).state).toBe('left');
  expect(possibleEvents('left')).toEqual([]);
});

it('offers landing only for a hooked fish', () => {
  expect(possibleEvents('hooked')).toEqual(['landing', 'loss', 'foul']);
  expect(possibleEvents('open')).not.toContain('landing');
  expect(possibleEvents('landed')).toEqual([]);
});

it('two devices under the same number: both stand, in an order that does not hang on who came first', () => {
  const one = [event(1, 'cast'), { ...event(2, 'miss'), id: 'a', device: 'phone' }];
  const both = [...one, { ...event(2, 'hook'), id: 'b', device: 'desk' }];
  const fold = foldTry('x', both);
  expect(fold.timeline.map((t) => t.event.device)).toEqual(['d1', 'desk', 'phone']);
  expect(foldTry('x', [...both].reverse())).toEqual(fold);
  expect(fold.casts).toBe(3);
});

describe('lies that were worked, as trials of the chance that one is home', () => {
  const tryOf = (
    markId: string | null,
    codes: EventCode[],
    rating: number | null,
    offset?: number,
  ) =>
    ({
      id: 't',
      outingId: 'o',
      beatId: 'b',
      markId,
      fly: 'Dun',
      openedMs: 0,
      zoneOffsetMin: 0,
      snapshot: {
        ...EMPTY_SNAPSHOT,
        rated: { ...EMPTY_SNAPSHOT.rated, ...(offset !== undefined && { homeOffset: offset }) },
        target: rating === null ? null : { rating },
      },
      events: codes.map((code, i) => ({
        id: String(i),
        device: 'd',
        seq: i,
        code,
        clientMs: i,
        zoneOffsetMin: 0,
      })),
    }) as unknown as Try;
  it('a blank after casts, a fish that showed; a marked fish, an old rating or no cast says nothing', () => {
    expect(homeTrials([tryOf(null, ['cast', 'cast', 'cast'], 60, 0.2)])).toEqual([
      { chance: 0.6, offset: 0.2, workings: 1, fish: false },
    ]);
    expect(homeTrials([tryOf(null, ['cast', 'look'], 60, 0)])[0]).toMatchObject({ fish: true });
    expect(homeTrials([tryOf('m', ['cast'], 60, 0)])).toEqual([]);
    expect(homeTrials([tryOf(null, ['cast'], 60)])).toEqual([]);
    expect(homeTrials([tryOf(null, [], 60, 0)])).toEqual([]);
  });
});
