import { EMPTY_LOG, EMPTY_SNAPSHOT } from './index';
import { eventOf, tryOf } from './fixtures/tries';
import {
  instantIn,
  isOtherSighting,
  lastReading,
  ofOuting,
  openOutingAt,
  openTry,
  readingSaying,
  saysSomething,
  tallyOf,
  warmingCph,
  wayId,
  type Outing,
  type Reading,
  type Try,
} from './index';

/** What an outing comes to, and what was read on it. */

describe('an outing', () => {
  const outing: Outing = { id: 'o', startMs: 0, endMs: null, timeZone: 'UTC', note: '' };
  it('is told by what stands; its places by target, place or try', () => {
    const at = (id: string) =>
      ({ ...EMPTY_SNAPSHOT, target: { id } }) as unknown as Try['snapshot'];
    const tries = [
      tryOf({ id: '1', snapshot: at('l'), events: [eventOf(1, 'miss'), eventOf(2, 'hook')] }),
      tryOf({ id: '2', snapshot: at('l'), events: [eventOf(1, 'landing', { kept: true })] }),
      tryOf({ id: '3', readId: 'r', events: [eventOf(1, 'landing'), eventOf(2, 'clear')] }),
      tryOf({ id: '4', events: [eventOf(1, 'hook'), eventOf(2, 'undo', { undoes: 'e1' })] }),
    ];
    expect(tallyOf({ ...outing, endMs: 3_600_000 }, tries, 9e9)).toEqual({
      touched: 2,
      taken: 1,
      missed: 1,
      landed: 2,
      kept: 1,
      casts: 3,
      tries: 4,
      places: 3,
      hours: 1,
    });
    expect(tallyOf(null, [], 9e9)).toMatchObject({ hours: 0, places: 0 });
    expect(tallyOf({ ...outing, startMs: 99 }, [], 0).hours).toBe(0);
  });
  it('the try that goes on is the newest that is not over', () => {
    const open = tryOf({ id: 'open', openedMs: 1 });
    const newer = tryOf({ id: 'newer', openedMs: 2, events: [eventOf(1, 'hook')] });
    const over = tryOf({ id: 'over', openedMs: 3, events: [eventOf(1, 'leave')] });
    expect(openTry([open, newer, over])!.id).toBe('newer');
    expect(openTry([over])).toBeNull();
    const log = { ...EMPTY_LOG, tries: [open, tryOf({ id: 'x', outingId: 'p' })] };
    expect(ofOuting(log, 'o').tries.map((t) => t.id)).toEqual(['open']);
  });
  const read = (takenMs: number, more: Partial<Reading> = {}) =>
    readingSaying({ id: `${takenMs}`, outingId: 'o', takenMs, zoneOffsetMin: 0, ...more });
  it('readings: the last of a kind, and how it warms', () => {
    const all = [
      read(1, { waterTempC: 10 }),
      read(3, { airTempC: 20 }),
      read(2, { waterTempC: 11 }),
    ];
    expect(lastReading(all, 'waterTempC')!.takenMs).toBe(2);
    expect(lastReading(all, 'airTempC')!.takenMs).toBe(3);
    expect(lastReading(all, 'sky')).toBeNull();
    const quarter = 900_000;
    expect(warmingCph([read(0, { waterTempC: 12 }), read(quarter, { waterTempC: 13 })])).toBe(4);
    expect(warmingCph([read(quarter, { waterTempC: 13 }), read(0, { waterTempC: 12 })])).toBe(4);
    expect(
      warmingCph([read(0, { waterTempC: 12 }), read(quarter - 1, { waterTempC: 13 })]),
    ).toBeNull();
    expect(warmingCph([read(0, { waterTempC: 12 }), read(quarter, { airTempC: 13 })])).toBeNull();
    expect(saysSomething(read(0))).toBe(false);
    expect(saysSomething(read(0, { windFrom: 'upstream' }))).toBe(true);
  });
  it('belongs to a day: the open outing of the same civil day', () => {
    const evening = Date.parse('2026-06-13T21:00:00Z');
    const night = { ...outing, startMs: evening, timeZone: 'Etc/GMT-2' };
    expect(openOutingAt([night], evening + 3_500_000)).toBe(night);
    expect(openOutingAt([night], evening + 3_700_000)).toBeNull();
    expect(openOutingAt([{ ...night, endMs: evening }], evening)).toBeNull();
    expect([instantIn(-5), instantIn(5), instantIn(9e15)]).toEqual([0, 5, 4e12]);
    expect(wayId('b', 'a')).toBe(wayId('a', 'b'));
  });
  it('another sighting is another place, certainty or doing', () => {
    const s = { xM: 1, yM: 2, surety: 'sure', behaviour: 'holding' } as const;
    expect(isOtherSighting(s, { ...s })).toBe(false);
    for (const other of [
      { xM: 2 },
      { yM: 3 },
      { surety: 'maybe' },
      { behaviour: 'rising' },
    ] as const)
      expect(isOtherSighting(s, { ...s, ...other })).toBe(true);
  });
});
