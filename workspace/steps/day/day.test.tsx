import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { planDay } from '../../../core/day/index';
import { NO_DATE_FACTS, NO_FACTS, type DateFacts } from '../../../core/log/index';
import { dayAsked, type DayBook } from '../../../core/outing/index';
import { bookSite, dayBook } from '../../../core/outing/fixtures/day-book';
import { answered } from '../../fixtures/answered';
import { TEST_SETTINGS } from '../../fixtures/settings';
import { stateWith } from '../../fixtures/state';
import { showIn } from '../../fixtures/workspace';
import type { BeatInput } from '../../state/document';
import { parseHours } from './day-beats';
import { eventsOf } from './day-calendar';
import { DayPanel, spanText } from './day-panel';
import { DayView } from './day-view';

beforeAll(() => {
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { value: 864, configurable: true });
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', { value: 756, configurable: true });
});

const SITES = [
  bookSite('low', 500, { name: 'Lower Kest' }),
  bookSite('high', 700, { name: 'Upper Kest', looksKnown: 'length' }),
];
const settings = { ...TEST_SETTINGS, waterTempC: null };
const beat = { id: 'low', plan: { timeZone: 'Etc/GMT-2' } } as BeatInput;

/** The day after: none of it is over. */
function madeBook(told: Partial<DateFacts>, more: Partial<DayBook> = {}): DayBook {
  const book = dayBook({
    date: '2026-06-14',
    noonMs: Date.parse('2026-06-14T10:00:00Z'),
    sites: SITES,
    ...more,
  });
  return {
    ...book,
    facts: { ...NO_FACTS, dates: { [book.date]: { ...NO_DATE_FACTS, ...told } } },
  };
}
const planOf = (book: DayBook) => planDay(dayAsked(book, settings, 'low'));

function show(element: ReactElement, book: DayBook | null, units: 'metric' | 'us' = 'metric') {
  const state = stateWith({
    step: 'day',
    atMs: Date.parse('2026-06-14T04:00:00Z'),
    daySiteId: 'low',
    dayBook: book,
    settings: { ...settings, units },
    ...(book && answered({ day: planOf(book) })),
  });
  return showIn(element, state, beat);
}
const WARM = {
  airLowC: 14,
  airHighC: 28,
};
const DAWN = [{ id: 'r1', siteId: 'low', atMs: Date.parse('2026-06-14T04:00:00Z'), tempC: 15.5 }];

describe('the inspector of Day', () => {
  it('says where first, why, by when to be off, and what another order costs', () => {
    show(<DayPanel />, madeBook(WARM, { readings: DAWN }));
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent('Low first, then climb');
    expect(screen.getByText(/Heat, for the fish first/)).toBeInTheDocument();
    expect(screen.getByText(/fish get an honest look, between/)).toBeInTheDocument();
    const others = within(screen.getByRole('region', { name: 'Another order' }));
    expect(others.getByRole('button', { name: 'Upper Kest first' })).toBeInTheDocument();
    expect(screen.getByText(/Upper Kest: looks by length alone/)).toBeInTheDocument();
  });
  it('a choice of another order is told, a stay is moved by a quarter hour', async () => {
    const book = madeBook(WARM, { readings: DAWN });
    const { calls } = show(<DayPanel />, book);
    await userEvent.click(screen.getByRole('button', { name: 'Upper Kest first' }));
    const first = planOf(book).stays[0]!;
    await userEvent.click(
      screen.getByRole('button', { name: 'Lower Kest: leave a quarter hour earlier' }),
    );
    expect(calls).toEqual([
      ['setOrder', ['high', 'low']],
      ['moveStay', 'low', { leaveH: first.leaveH - 0.25 }],
    ]);
  });
  it('an order set by hand is said, with its cost and the way back', async () => {
    const { calls } = show(
      <DayPanel />,
      madeBook({
        ...WARM,
        byHand: [
          { siteId: 'high', arriveH: null, leaveH: null },
          { siteId: 'low', arriveH: null, leaveH: null },
        ],
      }),
    );
    expect(screen.getByText('Set by hand.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Back to the best' }));
    expect(calls).toEqual([['asIsBest']]);
  });
  it('a reading is typed with its hour; nonsense is refused by name and nothing is kept', async () => {
    const { calls } = show(<DayPanel />, madeBook(WARM), 'us');
    const water = screen.getByLabelText('Water, °F');
    const keep = screen.getByRole('button', { name: 'Keep' });
    await userEvent.type(water, 'cold');
    await userEvent.click(keep);
    expect(await screen.findByText(/Water temperature "cold" is not a number/)).toBeInTheDocument();
    await userEvent.clear(water);
    await userEvent.type(water, '65');
    await userEvent.clear(screen.getByLabelText('Hour'));
    await userEvent.type(screen.getByLabelText('Hour'), '25:00');
    await userEvent.click(keep);
    expect(await screen.findByText(/The hour is "25:00"; it must be like/)).toBeInTheDocument();
    expect(calls).toEqual([]);
    await userEvent.clear(screen.getByLabelText('Hour'));
    await userEvent.type(screen.getByLabelText('Hour'), '7:00');
    await userEvent.click(keep);
    expect(calls).toEqual([['read', 'low', 18.33, 7]]);
  });
  it('too warm, closed, none chosen: each says why', () => {
    const hot = { airLowC: 24, airHighC: 38 };
    const readings = [{ ...DAWN[0]!, tempC: 23 }];
    for (const [book, title] of [
      [madeBook(hot, { readings }), 'Stay home: too warm'],
      [madeBook({ sites: [] }), 'No beat is chosen'],
    ] as const) {
      const { unmount } = showWith(book);
      expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent(title);
      unmount();
    }
  });
  it('readings that contradict each other are named', () => {
    const readings = [DAWN[0]!, { ...DAWN[0]!, id: 'r2', tempC: 19 }];
    show(<DayPanel />, madeBook(WARM, { readings }));
    expect(screen.getByText(/Both cannot be right/)).toHaveTextContent('15.5 °C and 19.0 °C');
  });
  it('before the day is there, and where it cannot be opened', () => {
    show(<DayPanel />, null);
    expect(screen.getByText('Opening the day.')).toBeInTheDocument();
  });
});

function showWith(book: DayBook) {
  const shown = show(<DayPanel />, book);
  return { ...shown, unmount: () => (document.body.innerHTML = '') };
}

describe('the chart of Day', () => {
  it('the hour and each stay are moved by arrow keys', async () => {
    const book = madeBook(WARM, { readings: DAWN });
    const { calls } = show(<DayView />, book);
    const hour = screen.getByRole('slider', { name: 'Hour of the day' });
    expect(hour).toHaveAttribute('aria-valuetext', '6:00');
    hour.focus();
    await userEvent.keyboard('{ArrowRight}');
    const low = planOf(book).stays.find((s) => s.siteId === 'low')!;
    screen.getByRole('slider', { name: 'Lower Kest: arrive' }).focus();
    await userEvent.keyboard('{ArrowRight}');
    expect(calls).toEqual([
      ['setHour', Date.parse('2026-06-14T04:15:00Z'), true],
      ['moveStay', 'low', { arriveH: low.arriveH + 0.25 }],
    ]);
  });
  it('heights and degrees are in the angler’s units', () => {
    show(<DayView />, madeBook(WARM, { readings: DAWN }), 'us');
    expect(screen.getByText('1640 ft')).toBeInTheDocument();
    expect(screen.getAllByText('65 °F').length).toBeGreaterThan(0);
  });
});

it('opening hours as they are typed', () => {
  expect(parseHours('')).toEqual({ ok: true, value: [null, null] });
  expect(parseHours('6:00 to 14:00')).toEqual({ ok: true, value: [360, 840] });
  expect(parseHours('6 - 14:30')).toEqual({ ok: true, value: [360, 870] });
  for (const text of ['14:00 to 6:00', 'dawn', '6:00 to 25:00'])
    expect(parseHours(text)).toMatchObject({
      ok: false,
      message: expect.stringContaining(`"${text}"`),
    });
});

it('spans of time', () => {
  expect([spanText(40), spanText(60), spanText(495)]).toEqual(['40 min', '1 h', '8 h 15']);
});

it('the day for a calendar has each stay, and a bell before each stop', () => {
  const book = madeBook(WARM, { readings: DAWN });
  const plan = planOf(book);
  const events = eventsOf(book, plan, 'metric');
  expect(events.filter((e) => e.alarmMin === undefined)).toHaveLength(plan.stays.length);
  for (const stop of events.filter((e) => e.alarmMin !== undefined)) {
    expect(stop.summary).toMatch(/^Off (Lower|Upper) Kest/);
    expect(stop.alarmMin).toBe(30);
  }
  expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
});
