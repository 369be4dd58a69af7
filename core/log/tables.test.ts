import { EMPTY_SNAPSHOT } from './index';
import { tryOf } from './fixtures/tries';
import {
  readingLine,
  readingSaying,
  readReadingLine,
  readTryLine,
  tryLine,
  type Outing,
  type Try,
} from './index';

/** Tries and readings as lines of a table, out and in. */

describe('tables', () => {
  const opened = Date.parse('2026-06-13T07:40:00Z');
  it('a try without anything known is a line of blanks', () => {
    const outing: Outing = { id: 'o', startMs: 0, endMs: null, timeZone: 'UTC', note: '' };
    const line = tryLine(tryOf({ openedMs: opened, beatId: null }), outing);
    expect(line).toMatchObject({
      beat: '',
      kind: '',
      x_m: '',
      rating: '',
      chance: '',
      lay: '',
      water_c: '',
      length_cm: '',
      events: '',
      end: 'open',
      casts: '0',
    });
    const full = tryLine(
      tryOf({
        openedMs: opened,
        snapshot: {
          ...EMPTY_SNAPSHOT,
          target: { kind: 'pocket', xM: 1.234, yM: -2, rating: 61.4 },
          cast: { stand: { xM: 3, yM: 4.567 }, lay: { kind: 'pile' } },
          predicted: {
            ...EMPTY_SNAPSHOT.predicted,
            chance: { value: 0.4567, parts: {} },
            cleanS: { low: 1, best: 2.34, high: 3 },
          },
        } as unknown as Try['snapshot'],
      }),
      outing,
    );
    expect(full).toMatchObject({
      kind: 'pocket',
      x_m: '1.23',
      y_m: '-2.00',
      rating: '61',
      chance: '0.457',
      clean_s: '2.3',
      stand_x_m: '3.00',
      stand_y_m: '4.57',
      lay: 'pile',
    });
  });
  it('each end as the presses that led to it', () => {
    const codes = (end: string, casts = '') =>
      readTryLine({ opened: '2026-06-13T07:40:00Z', end, casts }, 1).attempt!.events.map(
        (e) => e.code,
      );
    expect(codes('open', '2')).toEqual(['cast', 'cast']);
    expect(codes('landed', '2')).toEqual(['cast', 'hook', 'landing']);
    expect(codes('hooked')).toEqual(['hook']);
    expect(codes('lost')).toEqual(['hook', 'loss']);
    expect(codes('foul-hooked')).toEqual(['hook', 'foul']);
    expect(codes('put down', '1')).toEqual(['cast', 'spook']);
    expect(codes('let be')).toEqual(['let-be']);
    expect(codes('left')).toEqual(['leave']);
  });
  const base = { opened: '2026-06-13T07:40:00Z', end: 'landed' };
  it.each([
    [{ casts: '501' }, 'casts is "501"'],
    [{ casts: '1.5' }, 'casts is "1.5"'],
    [{ length_cm: '4' }, 'length_cm is "4"; 5 to 102 is possible.'],
    [{ water_c: '31' }, 'water_c is "31"'],
    [{ x_m: '-201' }, 'x_m is "-201"'],
    [{ y_m: 'far' }, 'y_m is "far"'],
    [{ zone_min: '901' }, 'zone_min is "901"'],
    [{ time_zone: 'Nowhere/Else' }, 'time_zone is "Nowhere/Else"'],
    [{ try: 'a b' }, 'try is "a b"'],
    [{ opened: '1969-12-31T23:59:59Z' }, 'opened is'],
    [{ opened: '2026-06-13T07:40:00' }, 'opened is'],
    [{ events: 'undo@1' }, 'events holds "undo"'],
    [{ events: 'more@1' }, 'events holds "more"'],
  ] as [Record<string, string>, string][])('a try line with %p is refused', (cells, said) => {
    expect(readTryLine({ ...base, ...cells }, 7).problem).toContain(`Line 7: ${said}`);
  });
  it('figures go where they belong; both of a place, or none', () => {
    const read = readTryLine(
      {
        ...base,
        length_cm: '27,5',
        water_c: '12',
        x_m: '3',
        y_m: '-1',
        casts: '500',
        zone_min: '120',
        beat: 'b',
      },
      1,
    );
    expect(read.problem).toBeUndefined();
    expect(read.attempt!.events.at(-1)).toMatchObject({
      code: 'landing',
      lengthCm: 27.5,
      seq: 501 - 1 + 1,
    });
    expect(read.attempt!.events[0]).not.toHaveProperty('lengthCm');
    expect(read.attempt!.snapshot.target).toMatchObject({ xM: 3, yM: -1 });
    expect(read.attempt!.snapshot.water).toEqual({
      tempC: 12,
      tempSource: 'read',
      turbidityNtu: null,
    });
    expect(read.attempt).toMatchObject({ zoneOffsetMin: 120, beatId: 'b' });
    const bare = readTryLine({ ...base, x_m: '3' }, 1).attempt!;
    expect(bare.snapshot.target).toBeNull();
    expect(bare.snapshot.water.tempSource).toBeNull();
    const midnight = readTryLine({ ...base, opened: '2026-06-13T23:30:00Z', zone_min: '60' }, 1);
    expect(midnight.outing!.id).toBe('outing-2026-06-14');
    const long = readTryLine({ ...base, try: 'x'.repeat(64) }, 1).attempt!;
    expect(long.events[0]!.id.length).toBeLessThanOrEqual(64);
    expect(
      readTryLine({ opened: base.opened, events: 'cast@5 miss' }, 1).attempt!.events.map(
        (e) => e.clientMs - opened,
      ),
    ).toEqual([5000, 0]);
  });
  const line = { taken: '2026-06-13T07:40:00Z', water_c: '12,5' };
  it('a reading goes out and comes in as it was', () => {
    const reading = readingSaying({
      id: 'r',
      outingId: 'o',
      takenMs: opened,
      zoneOffsetMin: 120,
      beatId: 'b',
      waterTempC: 12.5,
      airTempC: 20,
      turbidityNtu: 3,
      levelM: 0.4,
      sky: 'clear',
      windMps: 2,
      windFrom: 'upstream',
      source: 'logger',
      note: 'n',
    });
    expect(readReadingLine(readingLine(reading, 'Etc/GMT-2'), 1)).toMatchObject({
      reading,
      outing: { id: 'o', timeZone: 'Etc/GMT-2' },
    });
    const bare = readReadingLine(line, 1);
    expect(bare.reading).toMatchObject({
      waterTempC: 12.5,
      airTempC: null,
      beatId: null,
      source: 'typed',
      sky: null,
    });
    expect(bare.outing).toMatchObject({ id: 'outing-2026-06-13', timeZone: 'UTC' });
    expect(readReadingLine({ ...line }, 9).reading!.id).toBe(bare.reading!.id);
    expect(readReadingLine({ ...line, note: 'x'.repeat(600) }, 1).reading!.note).toHaveLength(500);
  });
  it.each([
    [{ taken: 'today' }, 'taken is "today"'],
    [{ water_c: '31' }, 'water_c is "31"; a number from 0 to 30'],
    [{ air_c: '-41' }, 'air_c is "-41"'],
    [{ sky: 'green' }, 'sky is "green"'],
    [{ source: 'heard' }, 'source is "heard"'],
    [{ water_c: '' }, 'nothing was read'],
    [{ reading: 'a b' }, 'reading is "a b"'],
    [{ outing: 'a/b' }, 'outing is "a/b"'],
    [{ time_zone: 'x' }, 'time_zone is "x"'],
  ] as [Record<string, string>, string][])('a reading line with %p is refused', (cells, said) => {
    expect(readReadingLine({ ...line, ...cells }, 4).problem).toContain(`Line 4: ${said}`);
  });
});
