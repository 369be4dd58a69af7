import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { NO_SIGNAL, season } from '../../../core/learn/fixtures/seasons';
import { learn, type Learned } from '../../../core/learn/index';
import { groupName, learnAnswers } from '../../../words/learn-words';
import { stateWith } from '../../fixtures/state';
import { showIn } from '../../fixtures/workspace';
import type { BeatInput } from '../../state/document';
import { csvOf, endsOf, LearnPanel } from './learn-panel';
import { LearnView } from './learn-view';

beforeAll(() => {
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { value: 864, configurable: true });
});
const beat = { id: 'b1', streamName: 'Kest Beck', plan: {} } as BeatInput;
const show = (element: ReactElement, learned: Learned | null, problem: string | null = null) =>
  showIn(element, stateWith({ step: 'learn', learned, learnProblem: problem }), beat);

const MANY = learn(season(4, 600, { ...NO_SIGNAL, deepest: 2.4, home: { slope: 1, shift: -1 } }));

describe('what the tries say', () => {
  it('sentences first: what is found before what is even, what is too little last', () => {
    show(<LearnPanel />, MANY);
    expect(screen.getByText('Places held fish less often than was said.')).toBeInTheDocument();
    expect(screen.getByText('over 0.80 m: they take best.')).toBeInTheDocument();
    const said = screen.getAllByRole('listitem').map((li) => li.dataset.verdict);
    expect(said.lastIndexOf('less')).toBeLessThan(said.indexOf('even'));
  });
  it('comes to the book for the count, and for another stretch of it', async () => {
    const { calls } = show(<LearnPanel />, null);
    expect(screen.getByText('Counting the tries.')).toBeInTheDocument();
    await userEvent.click(screen.getByText('all'));
    expect(calls).toEqual([['count'], ['count', 'book']]);
  });
  it('none and few say so, and so does a count that failed', () => {
    show(<LearnPanel />, learn([]));
    expect(screen.getByText(/^0 tries, 0 with a look/)).toBeInTheDocument();
    for (const li of screen.getAllByRole('listitem')) expect(li.dataset.verdict).toBe('too few');
    show(<LearnPanel />, null, 'it did not answer.');
    expect(screen.getByRole('alert')).toHaveTextContent('could not be counted: it did not answer.');
  });
  it('every figure goes out as lines', () => {
    const lines = csvOf(MANY, 'metric').split('\r\n');
    expect(lines[0]).toBe('"what","group","k","n","best","low","high"');
    expect(lines.some((l) => l.startsWith('"takes for each look, by depth","over 0.80 m"'))).toBe(
      true,
    );
    expect(lines.every((l) => l.split('","').length === 7)).toBe(true);
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
