import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { NO_SIGNAL, season } from '../../../core/learn/fixtures/seasons';
import {
  judged,
  learn,
  priorsFrom,
  refitted,
  type Learned,
  type LearnTold,
} from '../../../core/learn/index';
import { groupName, learnAnswers } from '../../../words/learn-words';
import { stateWith } from '../../fixtures/state';
import { showIn } from '../../fixtures/workspace';
import type { BeatInput } from '../../state/document';
import { learnCsv } from './learn-csv';
import { endsOf, LearnPanel } from './learn-panel';
import { LearnView } from './learn-view';

beforeAll(() => {
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { value: 864, configurable: true });
});
const beat = { id: 'b1', streamName: 'Kest Beck', plan: {} } as BeatInput;
const told = (learned: Learned, more: Partial<LearnTold> = {}): LearnTold => ({
  learned,
  years: [2026, 2025],
  empty: 0,
  record: null,
  beats: { first: 'First Water' },
  ...more,
});
const show = (element: ReactElement, learned: LearnTold | null, problem: string | null = null) =>
  showIn(element, stateWith({ step: 'learn', learned, learnProblem: problem }), beat);

const FACTS = season(4, 600, {
  ...NO_SIGNAL,
  deepest: 2.4,
  home: { slope: 1, shift: -1, waters: {} },
  scatter: { near: 1.3, far: 1.6, wind: 1 },
});
const REFITS = judged(refitted(FACTS));
const MANY = told(learn(FACTS), {
  record: {
    atMs: 0,
    untilMs: 1,
    refits: REFITS,
    takenBack: [],
    beds: [],
    depth: {},
    stops: null,
    priors: priorsFrom(REFITS, [], { untilMs: 1, beds: [], depth: {} }),
  },
});

describe('what the tries say', () => {
  it('sentences first: what is found before what is even, what is too little last', () => {
    show(<LearnPanel />, MANY);
    expect(screen.getByText('Places held fish less often than was said.')).toBeInTheDocument();
    expect(screen.getByText('Over 0.80 m: they take best.')).toBeInTheDocument();
    const said = screen
      .getAllByRole('listitem')
      .flatMap((li) => (li.dataset.verdict ? [li.dataset.verdict] : []));
    expect(said.lastIndexOf('less')).toBeLessThan(said.indexOf('even'));
    expect(screen.getByText('Could be chance')).toBeInTheDocument();
  });
  it('comes to the book for the count, and for another stretch of it', async () => {
    const { calls } = show(<LearnPanel />, null);
    expect(screen.getByText('Counting the tries.')).toBeInTheDocument();
    await userEvent.click(screen.getByText('all'));
    expect(calls).toEqual([['count'], ['count', 'book']]);
  });
  it('none and few say so, and so does a count that failed', () => {
    show(<LearnPanel />, told(learn([])));
    expect(
      screen.getByText(/^0 tries, 0 with a look. Nothing was tried here yet/),
    ).toBeInTheDocument();
    for (const li of screen.getAllByRole('listitem')) expect(li.dataset.verdict).toBe('too few');
    show(<LearnPanel />, null, 'it was away.');
    expect(screen.getByRole('alert')).toHaveTextContent('did not answer: it was away.');
  });
  it.each([
    ['one try', learn(season(3, 1, NO_SIGNAL)), 0, /One try says nothing yet/],
    [
      'every tap taken back',
      learn([]),
      3,
      /3 tries were opened, and every tap in them was taken back/,
    ],
    [
      'all blank',
      learn(
        season(1, 30, NO_SIGNAL).map((f) => ({
          ...f,
          looked: false,
          took: false,
          hooked: false,
          landed: false,
          answeredAt: null,
        })),
      ),
      0,
      /Every one stayed blank/,
    ],
    [
      'from before predictions',
      learn(season(1, 30, NO_SIGNAL).map((f) => ({ ...f, parts: null, homeSaid: null }))),
      0,
      /None of them carries a prediction/,
    ],
    [
      'taps that contradict',
      learn(season(1, 30, NO_SIGNAL).map((f, i) => ({ ...f, odd: i < 2 }))),
      0,
      /2 tries say that a fish was landed or lost, with its take taken back/,
    ],
  ])('%s: a sentence says so', (_name, learned, empty, sentence) => {
    show(<LearnPanel />, told(learned, { empty }));
    expect(screen.getByText(sentence)).toBeInTheDocument();
  });
  it('every figure goes out as lines', () => {
    const lines = learnCsv(MANY, endsOf, 'metric', {}).split('\r\n');
    expect(lines[0]).toBe('"what","group","k","n","best","low","high","said"');
    expect(lines.some((l) => l.startsWith('"takes for each look, by depth","over 0.80 m"'))).toBe(
      true,
    );
    expect(lines.some((l) => l.startsWith('"put down, by distance"'))).toBe(true);
    expect(lines.some((l) => l.startsWith('"refit: Where your casts fall","far"'))).toBe(true);
    expect(lines.every((l) => l.split('","').length === 8)).toBe(true);
  });
});

describe('what the record changes', () => {
  it('what moved, by how much, what it moves, and from how many tries; taken back with one press', async () => {
    const { calls } = show(<LearnPanel />, MANY);
    const record = within(screen.getByRole('region', { name: 'What the record changes' }));
    expect(record.getByRole('heading', { name: 'Where your casts fall' })).toBeInTheDocument();
    expect(record.getByText(/From 12 m on/)).toHaveTextContent(/1\.[3-9]\d times what was guessed/);
    expect(record.getByText(/Moves the stand, and the aim\./)).toBeInTheDocument();
    await userEvent.click(record.getByRole('button', { name: 'Take back: Where your casts fall' }));
    expect(calls).toContainEqual(['takeBack', ['scatter'], true]);
  });
  it('what was taken back says so, and can be put back in', async () => {
    const back = { ...MANY, record: { ...MANY.record!, takenBack: ['scatter' as const] } };
    const { calls } = show(<LearnPanel />, back);
    expect(screen.getByText(/Taken back: plans go by what was guessed/)).toBeInTheDocument();
    await userEvent.click(
      screen.getByRole('button', { name: 'Put back in: Where your casts fall' }),
    );
    expect(calls).toContainEqual(['takeBack', ['scatter'], false]);
  });
  it('nothing moved says so; before it was worked out, it can be', async () => {
    const { calls } = show(<LearnPanel />, told(learn([])));
    expect(screen.getByText('It was not worked out yet.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /^Work it out/ }));
    expect(calls).toContainEqual(['refit']);
  });
});

it('the pictures: places by what was said, takes by each factor, too few said as such', () => {
  show(<LearnView />, MANY);
  expect(screen.getByRole('img', { name: /^Places by what was said/ })).toBeInTheDocument();
  const takes = within(screen.getByRole('region', { name: 'Takes for each look' }));
  for (const name of [
    'Depth',
    'Pace',
    'Kind of lie',
    'Lay',
    'Hour',
    'Temperature',
    'Level',
    'Posture',
  ])
    expect(takes.getByRole('heading', { name })).toBeInTheDocument();
});

it('two rigs side by side: whether they differ, or it could be chance', async () => {
  show(<LearnView />, MANY);
  const side = within(screen.getByRole('region', { name: 'Side by side' }));
  expect(
    side.getByText(
      /takes better than .* (so far, by \d+ in 100 looks: it could be chance|by \d+ in 100 looks, \d+ to \d+)/,
    ),
  ).toBeInTheDocument();
  await userEvent.click(side.getByText('Method'));
  expect(side.getByText(/there is nothing to hold it beside/)).toBeInTheDocument();
});

it('groups by name, in the angler’s units', () => {
  const name = (
    factor: Parameters<typeof groupName>[0],
    group: string,
    units: 'metric' | 'us' = 'us',
  ) => groupName(factor, group, endsOf(factor), units);
  expect(name('depth', '0.3')).toBe('under 1 ft 0');
  expect(name('depth', 'over', 'metric')).toBe('over 0.80 m');
  expect(name('temperature', '11')).toBe('46 °F to 52 °F');
  expect(name('hour', '9')).toBe('before 9:00');
  expect(name('kind', 'pocket')).toBe('Pocket behind a rock');
});

it('a season without a signal is told as chance, in every factor', () => {
  const even = learnAnswers(learn(season(11, 600, NO_SIGNAL)), endsOf, 'metric');
  for (const a of even) expect(['even', 'too few']).toContain(a.verdict);
});
