import fc from 'fast-check';
import {
  applyChanges,
  EMPTY_LOG,
  EMPTY_SNAPSHOT,
  foldTry,
  readingSaying,
  tallyOf,
  warmingCph,
  type LogChange,
  type TryEvent,
} from './index';
import { relativeWeight, standardWeightG, weightFromGirthG } from '../fish/index';

const outing = { id: 'o', startMs: 0, endMs: null, timeZone: 'UTC', note: '' };
const attempt = (id: string) => ({
  id,
  outingId: 'o',
  beatId: null,
  markId: null,
  fly: 'Dun',
  openedMs: 1000,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
});
const event = (id: string, seq: number, code: TryEvent['code'], more = {}): TryEvent => ({
  id,
  device: 'd',
  seq,
  code,
  clientMs: 5000 - seq,
  zoneOffsetMin: 0,
  ...more,
});
const day: LogChange[] = [
  { kind: 'outing', outing },
  { kind: 'try', attempt: attempt('t') },
  { kind: 'event', tryId: 't', event: event('a', 1, 'cast') },
  { kind: 'event', tryId: 't', event: event('b', 2, 'miss', { missed: 'early' }) },
  { kind: 'event', tryId: 't', event: event('c', 3, 'hook') },
  { kind: 'event', tryId: 't', event: event('e', 4, 'landing', { lengthCm: 27, kept: true }) },
  {
    kind: 'reading',
    reading: readingSaying({
      id: 'r',
      outingId: 'o',
      takenMs: 0,
      zoneOffsetMin: 0,
      waterTempC: 12,
    }),
  },
];

it('the same log whatever the order and however often a change comes (seeded)', () => {
  const whole = applyChanges(EMPTY_LOG, day);
  fc.assert(
    fc.property(
      fc.shuffledSubarray([...day.keys(), ...day.keys()], { minLength: 14, maxLength: 14 }),
      (order) => {
        const log = applyChanges(
          EMPTY_LOG,
          order.map((i) => day[i]!),
        );
        expect(log.tries[0]!.events).toHaveLength(4);
        expect(foldTry('Dun', log.tries[0]!.events)).toEqual(
          foldTry('Dun', whole.tries[0]!.events),
        );
        expect(log.readings).toEqual(whole.readings);
      },
    ),
    { seed: 5, numRuns: 200 },
  );
});

it('an event that comes before its try waits for it; a dropped reading is gone', () => {
  const log = applyChanges(EMPTY_LOG, [
    day[2]!,
    day[1]!,
    day[6]!,
    { kind: 'reading-dropped', id: 'r' },
  ]);
  expect(log.tries[0]!.events).toHaveLength(1);
  expect(log.readings).toEqual([]);
});

it('the tally counts what stands', () => {
  const { tries } = applyChanges(EMPTY_LOG, day);
  expect(tallyOf(outing, tries, 7_200_000)).toEqual({
    touched: 2,
    taken: 1,
    missed: 1,
    landed: 1,
    kept: 1,
    casts: 3,
    tries: 1,
    places: 1,
    hours: 2,
  });
  const back = applyChanges({ ...EMPTY_LOG, tries }, [
    { kind: 'event', tryId: 't', event: event('u', 5, 'undo', { undoes: 'e' }) },
  ]);
  expect(tallyOf(outing, back.tries, 0)).toMatchObject({ landed: 0, kept: 0, taken: 1 });
});

it('warming is what two readings say, and nothing from readings too close together', () => {
  const at = (takenMs: number, waterTempC: number) =>
    readingSaying({ id: `${takenMs}`, outingId: 'o', takenMs, zoneOffsetMin: 0, waterTempC });
  expect(warmingCph([at(0, 12), at(7_200_000, 14)])).toBeCloseTo(1, 12);
  expect(warmingCph([at(0, 12), at(600_000, 14)])).toBeNull();
  expect(warmingCph([at(0, 12)])).toBeNull();
});

it('weight by girth: 16 in long and 8 in round is 1.28 lb (common practice, by hand)', () => {
  expect(weightFromGirthG(40.64, 20.32)).toBeCloseTo(1.28 * 453.59237, 6);
  const standard = standardWeightG('brown', 406.4);
  expect(relativeWeight('brown', 406.4, standard)).toBeCloseTo(100, 9);
});
