import {
  applyChanges,
  DEFAULT_SETTINGS,
  EMPTY_LOG,
  EMPTY_SNAPSHOT,
  EVENT_CODES,
  foldTry,
  homeAsked,
  homeTrials,
  instantIn,
  isCast,
  isOtherSighting,
  isOver,
  lastReading,
  NO_PRIORS,
  noticingOf,
  alarmOf,
  ofOuting,
  openOutingAt,
  openTry,
  possibleEvents,
  readingLine,
  readingSaying,
  readReadingLine,
  readSnapshot,
  readTryLine,
  saysSomething,
  tallyOf,
  tryLine,
  warmingCph,
  wayId,
  wholeSettings,
  type EventCode,
  type Outing,
  type Priors,
  type Reading,
  type Try,
  type TryEvent,
} from './index';
import { changedFields, same } from './changed-fields';
import { mergeChange } from './merge';
import { unsoundSetting } from './whole-settings';

/** The record's parts, one meaning at a time. */
const event = (seq: number, code: EventCode, more: Partial<TryEvent> = {}): TryEvent => ({
  id: `e${seq}`,
  device: 'd',
  seq,
  code,
  clientMs: 1000 * seq,
  zoneOffsetMin: 0,
  ...more,
});
const attempt = (more: Partial<Try> = {}): Try => ({
  id: 't',
  outingId: 'o',
  beatId: 'b',
  markId: null,
  fly: 'Dun',
  openedMs: 0,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
  events: [],
  ...more,
});
const rated = (rating: number, more: Partial<Try> = {}, slope?: number) =>
  attempt({
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
    expect(isCast(code)).toBe(CASTS.includes(code));
    if (code === 'undo' || code === 'more') return;
    expect(foldTry('', [event(1, code)]).casts).toBe(CASTS.includes(code) ? 1 : 0);
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
    const fold = foldTry('', [event(1, code)]);
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
    ['rise', false],
  ] as const)('%s shows a fish where none was seen: %s', (code, fish) => {
    expect(
      homeTrials([rated(60, { events: [event(1, 'cast'), event(2, code)] })])[0],
    ).toMatchObject({
      fish,
    });
  });
  it('a landing without a length has none; a change without a fly changes none', () => {
    expect(foldTry('a', [event(1, 'landing')]).landedCm).toBeNull();
    expect(foldTry('a', [event(1, 'change', { changed: 'depth' })]).fly).toBe('a');
    expect(foldTry('a', [event(1, 'rest', { fly: 'b' })]).fly).toBe('a');
  });
  it('what can be pressed: again after it came off or was put down, nothing once it is over', () => {
    for (const state of ['lost', 'put down', 'open'] as const)
      expect(possibleEvents(state)).toEqual(expect.arrayContaining(['cast', 'clear', 'unseen']));
    for (const state of ['landed', 'let be', 'left', 'foul-hooked'] as const)
      expect(possibleEvents(state)).toEqual([]);
  });
  it('of two devices’ events under one number the device decides, whatever came first', () => {
    const a = event(1, 'cast', { id: 'a', device: 'a' });
    const b = event(1, 'miss', { id: 'b', device: 'b' });
    const ids = (list: TryEvent[]) => foldTry('', list).timeline.map((t) => t.event.id);
    expect(ids([a, b])).toEqual(['a', 'b']);
    expect(ids([b, a])).toEqual(['a', 'b']);
  });
});

describe('trials of a lie', () => {
  it('three casts a working, one at least; with the slope that it was rated by', () => {
    const casts = (n: number) => Array.from({ length: n }, (_, i) => event(i + 1, 'cast'));
    expect(homeTrials([rated(60, { events: casts(1) })])).toEqual([
      { chance: 0.6, offset: 0.2, workings: 1, fish: false },
    ]);
    expect(homeTrials([rated(45, { events: casts(6) }, 0.8)])).toEqual([
      { chance: 0.45, offset: 0.2, slope: 0.8, workings: 2, fish: false },
    ]);
    // A fish that showed without a cast is a trial; what was taken back is none.
    expect(homeTrials([rated(60, { events: [event(1, 'spook')] })])).toHaveLength(1);
    const back = [event(1, 'cast'), event(2, 'look'), event(3, 'undo', { undoes: 'e2' })];
    expect(homeTrials([rated(60, { events: back })])[0]).toMatchObject({ fish: false });
    expect(homeTrials([rated(60, { markId: 'm', events: casts(3) })])).toEqual([]);
  });
  it('a water’s constant: from its own prior and what came since; none fitted once it is taken back', () => {
    const tries = [5, 15].map((openedMs) => rated(60, { openedMs, events: [event(1, 'cast')] }));
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

describe('an outing', () => {
  const outing: Outing = { id: 'o', startMs: 0, endMs: null, timeZone: 'UTC', note: '' };
  it('is told by what stands; its places by target, place or try', () => {
    const at = (id: string) =>
      ({ ...EMPTY_SNAPSHOT, target: { id } }) as unknown as Try['snapshot'];
    const tries = [
      attempt({ id: '1', snapshot: at('l'), events: [event(1, 'miss'), event(2, 'hook')] }),
      attempt({ id: '2', snapshot: at('l'), events: [event(1, 'landing', { kept: true })] }),
      attempt({ id: '3', readId: 'r', events: [event(1, 'landing'), event(2, 'clear')] }),
      attempt({ id: '4', events: [event(1, 'hook'), event(2, 'undo', { undoes: 'e1' })] }),
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
    const open = attempt({ id: 'open', openedMs: 1 });
    const newer = attempt({ id: 'newer', openedMs: 2, events: [event(1, 'hook')] });
    const over = attempt({ id: 'over', openedMs: 3, events: [event(1, 'leave')] });
    expect(openTry([open, newer, over])!.id).toBe('newer');
    expect(openTry([over])).toBeNull();
    const log = { ...EMPTY_LOG, tries: [open, attempt({ id: 'x', outingId: 'p' })] };
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

describe('changes of the log', () => {
  const mark = { id: 'm', xM: 1 } as unknown as (typeof EMPTY_LOG)['marks'][number];
  const kept = { id: 'r' } as unknown as (typeof EMPTY_LOG)['reads'][number];
  it('each kind goes where it belongs; the newest state of a thing stands in its place', () => {
    const log = applyChanges(EMPTY_LOG, [
      { kind: 'mark', beatId: 'b', mark },
      { kind: 'mark', beatId: 'b', mark: { ...mark, id: 'n' } },
      { kind: 'mark', beatId: 'c', mark: { ...mark, xM: 5 } },
      { kind: 'read', read: kept },
      { kind: 'read', read: { ...kept, note: 'x' } },
    ]);
    expect(log.marks).toEqual([
      { ...mark, xM: 5, beatId: 'c' },
      { ...mark, id: 'n', beatId: 'b' },
    ]);
    expect(log.reads).toEqual([{ ...kept, note: 'x' }]);
    expect(applyChanges(log, [{ kind: 'mark-struck', id: 'm' }]).marks.map((m) => m.id)).toEqual([
      'n',
    ]);
  });
  it('a try that is known is not begun anew; events wait for theirs, once each', () => {
    const { events: _, ...bare } = attempt();
    const log = applyChanges(EMPTY_LOG, [
      { kind: 'event', tryId: 't', event: event(1, 'cast') },
      { kind: 'event', tryId: 't', event: event(1, 'cast') },
      { kind: 'try', attempt: bare },
      { kind: 'event', tryId: 't', event: event(2, 'look') },
      { kind: 'try', attempt: { ...bare, fly: 'other' } },
    ]);
    expect(log.tries).toEqual([{ ...bare, events: [event(1, 'cast'), event(2, 'look')] }]);
  });
  it('fields that change, with what they held; equal as JSON', () => {
    expect(
      changedFields({ a: 1, b: [1, { c: 2 }] }, { a: 2, b: [1, { c: 2 }], d: 3, e: undefined }),
    ).toEqual({
      a: 1,
      d: null,
    });
    expect(same({ a: 1, b: undefined }, { a: 1 })).toBe(true);
    expect(same({ a: 1 }, { a: 1, b: null })).toBe(true);
    expect(same(null, undefined)).toBe(true);
    expect(same(null, 0)).toBe(false);
    expect(same([1], [1, 2])).toBe(false);
    expect(same([1, 2], [2, 1])).toBe(false);
    expect(same([], {})).toBe(false);
    expect(same('1', 1)).toBe(false);
    expect(same({ a: 1 }, { a: 2 })).toBe(false);
  });
  it('a merge of fields within fields and of items by their id; what did not win is named', () => {
    const was = {
      s: { a: 1, b: 1 },
      list: [
        { id: 'x', n: 1 },
        { id: 'y', n: 1 },
      ],
    };
    const book = {
      s: { a: 2, b: 1 },
      list: [
        { id: 'x', n: 2 },
        { id: 'z', n: 1 },
      ],
      other: 1,
    };
    const now = {
      s: { a: 1, b: 3 },
      list: [
        { id: 'x', n: 3 },
        { id: 'y', n: 1 },
      ],
    };
    const { value, lost } = mergeChange<Record<string, unknown>>(book, was, now);
    expect(value.s).toEqual({ a: 2, b: 3 });
    expect(value.list).toEqual([
      { id: 'x', n: 2 },
      { id: 'z', n: 1 },
    ]);
    expect(value.other).toBe(1);
    expect(lost).toEqual([{ path: ['list', 'x', 'n'], book: 2, wanted: 3 }]);
  });
  it('what is not told stays; what nobody else changed is taken; deleted stays deleted', () => {
    const merged = (book: object, was: Record<string, unknown>, now: object) =>
      mergeChange(book, was, now as never).value;
    expect(merged({ a: 1, b: 2 }, { a: 1 }, { a: 5, b: 9 })).toEqual({ a: 5, b: 2 });
    expect(merged({ a: 1 }, { b: 1 }, { a: 5 })).toEqual({ a: 1 });
    expect(merged({ s: { a: 1, b: 2 } }, { s: { a: 1, b: 2 } }, { s: { a: 1 } })).toEqual({
      s: { a: 1 },
    });
    expect(mergeChange({ a: 2 }, { a: 1 }, { a: 2 }).lost).toEqual([]);
    expect(mergeChange({ a: [1] }, { a: [2] }, { a: [3] }).lost).toEqual([
      { path: ['a'], book: [1], wanted: [3] },
    ]);
    expect(mergeChange({ a: null }, { a: { b: 1 } }, { a: { b: 2 } } as never).lost).toHaveLength(
      1,
    );
  });
});

describe('settings and what the record changed', () => {
  it('what was never set is the default, part by part; what is unsound is as if it had not been', () => {
    const whole = wholeSettings({
      anglerHeightM: 1.9,
      rodM: 99,
      methods: { wind: 'into' } as never,
      noticing: { tauS: 9 } as never,
      tackle: {} as never,
    });
    expect(whole).toMatchObject({ anglerHeightM: 1.9, rodM: 2.4 });
    expect(whole.methods).toEqual({ ...DEFAULT_SETTINGS.methods, wind: 'into' });
    expect(whole.noticing).toEqual({ ...DEFAULT_SETTINGS.noticing, tauS: 9 });
    expect(whole.tackle).toEqual(DEFAULT_SETTINGS.tackle);
  });
  it.each([
    ['rodM', 1, null],
    ['rodM', 5, null],
    ['rodM', 0.9, 'rodM is 0.9; it must be 1 to 5 m'],
    ['rodM', 5.1, 'rodM is 5.1; it must be 1 to 5 m'],
    ['rodM', '2', 'rodM is a string; it must be a number'],
    ['rodM', null, 'rodM is a null; it must be a number'],
    ['waterTempC', null, null],
    ['waterTempC', 31, 'waterTempC is 31; it must be 0 to 30 °C'],
    ['waterTempAt', null, null],
    ['waterTempAt', { beatId: 'b', ms: 1 }, null],
    ['waterTempAt', 4, 'waterTempAt is a number; it must be a object'],
    ['methods', [], 'methods is a list; it must be a object'],
    ['methods', { wind: 3 }, 'methods.wind is a number; it must be a string'],
    ['methods', { unheard: 3 }, null],
    ['units', 'us', null],
    ['nobody knows', 3, null],
  ] as const)('%s as %p', (key, value, said) => {
    expect(unsoundSetting(key, value)).toBe(said);
  });
  it('noticing: width times, seconds times; nothing changed is the very same', () => {
    const s = { noticing: DEFAULT_SETTINGS.noticing, priors: NO_PRIORS };
    expect(noticingOf(s)).toBe(s.noticing);
    const own = { ...s, priors: { ...NO_PRIORS, noticing: 1.5, alarm: 0.5 } };
    expect(noticingOf(own)).toEqual({
      ...s.noticing,
      widthM: 1.5 * s.noticing.widthM,
      tauS: 0.5 * s.noticing.tauS,
    });
    for (const part of ['noticing', 'alarm'] as const)
      expect(noticingOf({ ...s, priors: { ...NO_PRIORS, [part]: 2 } })).not.toEqual(s.noticing);
    expect(alarmOf(own)).toEqual({ tauS: 0.5 * s.noticing.tauS, footfall: s.noticing.footfall });
  });
});

describe('tables', () => {
  const opened = Date.parse('2026-06-13T07:40:00Z');
  it('a try without anything known is a line of blanks', () => {
    const outing: Outing = { id: 'o', startMs: 0, endMs: null, timeZone: 'UTC', note: '' };
    const line = tryLine(attempt({ openedMs: opened, beatId: null }), outing);
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
      attempt({
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

describe('a snapshot of before', () => {
  it('what was read is read; what is missing is null', () => {
    expect(readSnapshot({ waterTempC: 9 }).water).toEqual({
      tempC: 9,
      tempSource: 'read',
      turbidityNtu: null,
    });
    expect(readSnapshot({}).water).toEqual({ tempC: null, tempSource: null, turbidityNtu: null });
    expect(readSnapshot({})).toEqual(EMPTY_SNAPSHOT);
    const part = readSnapshot({
      target: { xM: 1, yM: 2 },
      stand: { xM: 0, yM: 0 },
      posture: 'kneel',
    });
    expect(part.target).toMatchObject({
      id: null,
      kind: null,
      rating: null,
      needs: null,
      depthM: null,
      meanSpeedMps: null,
    });
    expect(part.cast).toBeNull();
    expect(readSnapshot({ version: 1, level: 'Fair' })).toEqual({
      ...EMPTY_SNAPSHOT,
      level: 'Fair',
    });
  });
});
