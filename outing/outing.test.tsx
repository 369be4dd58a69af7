import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ChakraProvider } from '@chakra-ui/react';
import {
  applyChanges,
  DEFAULT_SETTINGS,
  EMPTY_LOG,
  EMPTY_SNAPSHOT,
  foldTry,
  readingSaying,
  type LogChange,
  type OutingLog,
} from '../core/log/index';
import { PACK_SHAPE, type BeatPack, type PackTarget } from '../core/outing/index';
import { heatAt } from '../core/day/index';
import type { BankKeeper, BankView } from '../sync/bank';
import { system } from '../ui/system';
import { stopWords } from '../words/outing-words';
import { loggerFromCsv } from '../words/logger-csv';
import { fishNumber, isDue, nextTarget, statesNow, targetsNow } from './next-thing';
import type { LieState } from '../core/outing/index';
import { beginTry } from './begin-try';
import { createOutingActions } from './outing-actions';
import { TakingView } from './taking-view';
import { TriesView } from './tries-view';
import { TryView } from './try-view';

const target = (id: string, xM: number, more: Partial<PackTarget> = {}): PackTarget => ({
  id,
  markId: null,
  fishNumber: null,
  kind: 'pocket',
  xM,
  yM: 0,
  headingRad: 0,
  totalLengthCm: 25,
  depthM: 0.4,
  rating: 70,
  shot: null,
  noShot: 'no-look',
  snapshot: {
    ...EMPTY_SNAPSHOT,
    target: { ...EMPTY_TARGET, id, xM },
  },
  ...more,
});
const EMPTY_TARGET = {
  id: '',
  kind: 'pocket' as const,
  xM: 0,
  yM: 0,
  rating: 70,
  needs: null,
  depthM: null,
  surfaceSpeedMps: null,
  meanSpeedMps: null,
  behaviour: null,
};
const shot = {
  stand: { xM: 0, yM: -3 },
  side: 'left',
  posture: 'kneel',
  landing: { xM: 3, yM: 0 },
  lay: { kind: 'straight' },
  cast: 'overhead',
  distanceM: 6,
  leadM: 1,
  cleanS: { low: 1, best: 2, high: 3 },
  chance: { low: 0.2, best: 0.4, high: 0.6 },
  waySeconds: 60,
  fly: 'dry',
} as NonNullable<PackTarget['shot']>;
const pack = (targets: PackTarget[]): BeatPack => ({
  version: PACK_SHAPE,
  beatId: 'b',
  name: 'Kest',
  streamName: 'Kest Beck',
  planHash: 'p',
  level: 'Fair',
  madeMs: 0,
  timeZone: 'Etc/GMT-2',
  lengthM: 30,
  frame: { x0M: 0, y0M: -5, x1M: 30, y1M: 5 },
  features: [],
  targets,
});
const START = Date.parse('2026-06-13T07:40:00Z');

/** A bank without a device under it: what is recorded is applied at once. */
function bankOf(log: OutingLog = EMPTY_LOG, keeps = true) {
  let view: BankView = {
    state: 'ready',
    bank: {
      end: 0,
      log,
      settings: { ...DEFAULT_SETTINGS, keepLimit: 1 },
      beats: [],
      nowMs: START,
      clockFixed: false,
    },
    fetchedMs: 0,
    log,
    packs: [],
    live: true,
    problem: null,
    unkept: false,
  };
  const sent: string[] = [];
  const bank = {
    get: () => view,
    record: async (...requests: { path: string; change?: LogChange }[]) => {
      sent.push(...requests.map((r) => r.path));
      view = {
        ...view,
        log: applyChanges(
          view.log,
          requests.flatMap((r) => r.change ?? []),
        ),
      };
      return keeps;
    },
  } as unknown as BankKeeper;
  return { bank, sent, view: () => view };
}

describe('the next thing', () => {
  const all = [target('low', 2), target('mid', 9, { shot }), target('high', 15, { shot })];
  it('in working order, what has a cast first; what was worked or passed by is left', () => {
    const covered: LieState = { kind: 'covered', casts: 3, atMs: 0 };
    const done = (...ids: string[]) => new Map(ids.map((id) => [id, covered]));
    const none = new Set<string>();
    expect(nextTarget(all, new Map(), none, 0)!.id).toBe('mid');
    expect(nextTarget(all, done('mid'), none, 0)!.id).toBe('high');
    expect(nextTarget(all, done('mid'), new Set(['high']), 0)!.id).toBe('low');
    expect(nextTarget(all, done('mid', 'low'), new Set(['high']), 0)).toBeNull();
    // A fish that has rested comes before what was not tried; a vacant lie once it is due.
    const rested: LieState = { kind: 'rested', sinceMs: 0 };
    expect(nextTarget(all, new Map([['high', rested]]), none, 1)!.id).toBe('high');
    const vacant: LieState = { kind: 'vacant', how: 'taken', sinceMs: 0, backMs: 100 };
    expect([isDue(vacant, 99), isDue(vacant, 100)]).toEqual([false, true]);
  });
  it('a fish that was marked since is there, one that was struck is gone', () => {
    const mark = {
      id: 'm',
      beatId: 'b',
      xM: 5,
      yM: 1,
      fishDepthM: 0.3,
      headingRad: 0,
      totalLengthCm: 25,
      surety: 'likely' as const,
      behaviour: 'holding' as const,
      note: '',
      photoId: null,
      seenMs: 0,
      history: [],
    };
    const beat = pack([...all, target('old', 4, { markId: 'old' })]);
    const now = targetsNow(beat, { ...EMPTY_LOG, marks: [mark] }, DEFAULT_SETTINGS, START);
    expect(now.map((t) => t.id)).toEqual(['low', 'mid', 'high', 'm']);
    expect(fishNumber(now[3]!.markId, { ...EMPTY_LOG, marks: [mark] })).toBe(1);
  });
});

describe('what is done on the bank', () => {
  it('the first try begins the outing; presses count up whatever the clock does; back takes the last', async () => {
    let now = START;
    const { bank, sent, view } = bankOf();
    const actions = createOutingActions(bank, () => now);
    const beat = pack([target('t', 3, { shot })]);
    const id = beginTry(actions, { kind: 'target', pack: beat, target: beat.targets[0]! }, null);
    expect(sent[0]).toContain('/outings/');
    expect(sent[1]).toContain('/tries/');
    await actions.press(id, 'cast');
    now -= 3_600_000; // The clock is set back an hour.
    await actions.press(id, 'miss', { missed: 'early' });
    await actions.press(id, 'hook');
    const tried = () => view().log.tries[0]!;
    expect(foldTry('', tried().events).timeline.map((t) => t.event.code)).toEqual([
      'cast',
      'miss',
      'hook',
    ]);
    expect(tried().events.map((e) => e.seq)).toEqual([1, 2, 3]);
    expect(actions.takeBack(id)).toBe(true);
    expect(foldTry('', tried().events).state).toBe('open');
    expect([...statesNow('b', [target('t', 3)], view().log.tries, 3, START).keys()]).toEqual(['t']);
    // The same outing goes on; nobody has read the water, and the curve of the view is what is known.
    beginTry(actions, { kind: 'here', beatId: 'b' }, 13.5);
    expect(view().log.outings).toHaveLength(1);
    expect(view().log.tries.at(-1)!.snapshot.water).toMatchObject({
      tempC: 13.5,
      tempSource: 'curve',
    });
  });
  it('a reading of the day stands in the record of the try', async () => {
    const { bank, view } = bankOf();
    const actions = createOutingActions(bank, () => START);
    await actions.read([{ waterTempC: 14.25 }], null);
    const beat = pack([target('t', 3, { shot })]);
    beginTry(actions, { kind: 'target', pack: beat, target: beat.targets[0]! }, null);
    expect(view().log.tries[0]!.snapshot.water).toMatchObject({ tempC: 14.25, tempSource: 'read' });
    expect(view().log.tries[0]!.snapshot.hour).toBe('2026-06-13T09:40');
  });
});

describe('the page of a try', () => {
  const open = async (keeps = true) => {
    const { bank, view } = bankOf(EMPTY_LOG, keeps);
    const actions = createOutingActions(bank, () => START);
    const beat = pack([target('t', 3, { shot })]);
    const id = beginTry(actions, { kind: 'target', pack: beat, target: beat.targets[0]! }, null);
    const page = () => {
      const { log } = view();
      const shared = {
        view: view(),
        now: START,
        outing: log.outings[0]!,
        tries: log.tries,
        actions,
        queue: {
          waiting: 0,
          refused: [],
          problem: null,
          sendAgain: async () => {},
          throwAway: async () => {},
        },
        offline: 'ready' as const,
      };
      return (
        <ChakraProvider value={system}>
          <TryView attempt={log.tries.find((t) => t.id === id)!} {...shared} />
          <TriesView {...shared} />
        </ChakraProvider>
      );
    };
    const { rerender } = render(page());
    return { again: () => rerender(page()), fold: () => foldTry('', view().log.tries[0]!.events) };
  };
  const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));

  it('one press keeps an event; why and where are said of it afterwards', async () => {
    const { again, fold } = await open();
    await press('Missed');
    again();
    await press('early');
    again();
    await press('large');
    again();
    await press('fell short');
    again();
    expect(fold()).toMatchObject({ casts: 1, state: 'open' });
    expect(fold().timeline[0]!.event).toMatchObject({
      code: 'miss',
      missed: 'early',
      missedSize: 'large',
      fellAt: 'short',
    });
    // Missed half a year before this page's own clock: the rest is over.
    expect(screen.getByText(/It has settled/)).toBeInTheDocument();
  });
  it('took, landed: the care is said before, the fight is timed, the log tells it', async () => {
    const { again, fold } = await open();
    await press('Took');
    again();
    const care = screen.getAllByRole('alert').find((a) => /Wet hands/.test(a.textContent ?? ''));
    expect(care).toBeDefined();
    await press('Landed');
    again();
    expect(fold()).toMatchObject({ state: 'landed' });
    expect(fold().timeline[1]!.event.foughtS).toBe(0);
    const list = screen.getAllByRole('list')[0]!;
    expect(within(list).getByText(/: landed, 1 cast/)).toBeInTheDocument();
  });
  it('what to do next is said after each event, with what it pays; not while a fish is on', async () => {
    const { again } = await open();
    const next = () => screen.findByRole('region', { name: 'Next move' });
    const pays = async () =>
      within(await next())
        .getAllByRole('row')
        .map((r) => Number(r.lastChild!.textContent));
    expect(within(await next()).getByRole('heading').textContent).toBe('Cast as planned');
    const [best, ...others] = await pays();
    expect(Math.max(...others)).toBeLessThanOrEqual(best!);
    expect(within(await next()).getByText(/Three and on: again/)).toBeInTheDocument();
    await press('Put down');
    again();
    expect(await screen.findByRole('heading', { name: 'Leave it' })).toBeInTheDocument();
    await press('Took');
    again();
    expect(screen.queryByRole('region', { name: 'Next move' })).toBeNull();
  });
  it('keys do the same; what was not kept is said', async () => {
    const { again, fold } = await open(false);
    await userEvent.keyboard('2');
    again();
    await userEvent.keyboard('{ArrowUp}');
    again();
    expect(fold().timeline[0]!.event).toMatchObject({ code: 'look', fellAt: 'long' });
    expect(screen.getByText(/Not kept on this phone/)).toBeInTheDocument();
    await userEvent.keyboard('{Backspace}');
    again();
    expect(fold().timeline[0]!.event.fellAt).toBeUndefined();
  });
});

it('what they take: taps and an insect in the hand settle it, and it goes into the log', async () => {
  const { bank, view } = bankOf();
  const actions = createOutingActions(bank, () => START);
  const id = beginTry(actions, { kind: 'here', beatId: null }, null);
  const { log } = view();
  render(
    <ChakraProvider value={system}>
      <TakingView
        attempt={log.tries.find((t) => t.id === id)}
        view={view()}
        now={START}
        outing={log.outings[0]!}
        tries={log.tries}
        actions={actions}
        queue={{} as never}
        offline="ready"
      />
    </ChakraProvider>,
  );
  const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));
  await press('splash');
  await press('11 mm');
  await press('like a tent');
  expect(
    screen.getByText('Show first: caddis, fluttering, 11 mm, about a 14.'),
  ).toBeInTheDocument();
  expect(screen.getByText(/In the hand: caddis/)).toBeInTheDocument();
  await press('It is on: go on with it');
  expect(view().log.tries[0]!.events[0]).toMatchObject({
    code: 'change',
    changed: 'fly',
    fly: 'caddis, fluttering, 11 mm, about a 14',
  });
});

describe('when to stop', () => {
  const rule = { school: 'kinder', species: 'brown', legalC: null } as const;
  it('says the limit, how long it is till then at this rate, and stops', () => {
    expect(stopWords(heatAt(14, rule), 14, 1, 'metric')).toEqual({
      kind: 'quiet',
      strong: 'Stop at 18.3 °C.',
      rest: 'At this rate in 4.3 hours.',
    });
    expect(stopWords(heatAt(17.6, rule), 17.6, null, 'us')).toMatchObject({
      kind: 'caution',
      strong: 'Near 65 °F.',
    });
    expect(stopWords(heatAt(18.4, rule), 18.4, 0.5, 'metric').strong).toBe('Stop now.');
    expect(stopWords(heatAt(null, rule), null, null, 'metric').rest).toBe('Read the water first.');
  });
});

describe('a logger’s file', () => {
  it('local times and instants; every bad line has its sentence', () => {
    const { lines, problems } = loggerFromCsv(
      'time,water_c,level_m\n2026-06-13T09:40,12.5,\n2026-06-13T07:50:00Z,,0.42\nnoon,12,\n2026-06-13T10:00,99,\n2026-06-13T10:10,,\n',
      'Etc/GMT-2',
    );
    expect(lines).toEqual([
      { takenMs: START, waterTempC: 12.5, levelM: null },
      { takenMs: START + 600_000, waterTempC: null, levelM: 0.42 },
    ]);
    expect(problems).toHaveLength(3);
    expect(problems[0]).toMatch(/Line 4: time is "noon"/);
    expect(problems[1]).toMatch(/Line 5: water_c is "99"/);
  });
});

it('a reading that says nothing is one', () => {
  expect(
    readingSaying({ id: 'r', outingId: 'o', takenMs: 0, zoneOffsetMin: 0 }).waterTempC,
  ).toBeNull();
});
