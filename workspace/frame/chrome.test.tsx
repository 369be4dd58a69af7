import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FIRST_BEAT_FILE } from '../../demo/first-beat';
import { readBeat, type BeatPlan } from '../../core/formats/index';
import { civilHour } from '../../core/units/index';
import { HourStrip } from '../hours/hour-strip';
import { Pebble } from '../../drawing/pebble';
import type { WorkspaceState } from '../state/state';
import { showIn } from '../fixtures/workspace';
import { TopLine } from './top-line';
import { Band } from '../steps/stalk/band';
import type { BeatInput } from '../state/document';

jest.mock('next-themes', () => ({
  useTheme: () => ({ resolvedTheme: 'light', setTheme: () => {} }),
}));
beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

import { stateWith } from '../fixtures/state';
import type { QueueReport } from '../../sync/queue';

let mockQueue: QueueReport;
jest.mock('../../sync/use-queue', () => ({
  useQueue: () => ({ ...mockQueue, sendAgain: () => {}, throwAway: () => {} }),
}));
beforeEach(() => {
  mockQueue = { waiting: 0, refused: [], problem: null };
});

const plan = (readBeat(FIRST_BEAT_FILE) as { plan: BeatPlan }).plan;
const NOW = Date.parse('2026-06-13T07:40:00Z');

function show(
  element: React.ReactElement,
  more: Partial<WorkspaceState> = {},
  beatPlan: BeatPlan = plan,
) {
  const state = stateWith({ atMs: NOW, ...more });
  const beat = { id: 'b', streamName: 'Thrum', plan: beatPlan } as BeatInput;
  return showIn(element, state, beat).calls;
}

describe('top line', () => {
  it('names beat, level, discharge and day, and says when a discharge is guessed', async () => {
    const calls = show(<TopLine />);
    expect(screen.getByText('1.65 m³/s')).toBeInTheDocument();
    expect(screen.getByText('Sat 13 June')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'Spate' }));
    expect(calls).toEqual([['chooseLevel', 'Spate']]);
  });
  it('a guessed level says so', () => {
    show(<TopLine />, { level: 'Spate' });
    expect(screen.getByText(/6.61 m³\/s, guessed/)).toBeInTheDocument();
  });
  it('takes a temperature on Enter, refuses nonsense, gives it back on Escape, forgets it when emptied', async () => {
    const calls = show(<TopLine />);
    const temp = screen.getByLabelText('Water temperature, °C');
    await userEvent.clear(temp);
    await userEvent.type(temp, 'cold{Enter}');
    expect(screen.getByRole('alert')).toHaveTextContent('Water temperature "cold" is not a number');
    await userEvent.type(temp, '{Escape}');
    expect(temp).toHaveValue('11.5');
    await userEvent.clear(temp);
    await userEvent.type(temp, '9{Enter}');
    await userEvent.clear(temp);
    await userEvent.type(temp, '{Enter}');
    expect(calls).toEqual([
      ['changeSettings', { waterTempC: 9, waterTempAt: { beatId: '', ms: NOW } }],
      ['changeSettings', { waterTempC: null, waterTempAt: null }],
    ]);
  });
  it('what is not yet with the book is said, and what it would not take', async () => {
    mockQueue = {
      waiting: 2,
      problem: null,
      refused: [
        {
          seq: 1,
          kind: 'fish',
          method: 'PUT',
          path: '',
          failures: 0,
          message: 'Depth of the fish is 9; it must be 0.02 to 4 m.',
          field: null,
        },
      ],
    };
    show(<TopLine />);
    expect(screen.getByText('2 waiting')).toBeInTheDocument();
    // Fetched when there is something.
    expect(await screen.findByText(/A fish marked/)).toBeInTheDocument();
    expect(screen.getByText(/it must be 0.02 to 4 m/)).toBeInTheDocument();
  });
});

describe('hour strip', () => {
  it('is a slider with the hour and the sun in words, moved by keys', () => {
    const calls = show(<HourStrip />);
    const slider = screen.getByRole('slider', { name: 'Hour of the day' });
    expect(slider).toHaveAttribute('aria-valuetext', '9:40, sun 40 degrees up');
    fireEvent.keyDown(slider, { key: 'ArrowRight' });
    fireEvent.keyDown(slider, { key: 'Home' });
    fireEvent.keyDown(slider, { key: 'x' });
    expect(calls).toHaveLength(2);
    expect(civilHour(calls[0]![1] as number, plan.timeZone)).toBeCloseTo(9.917, 2);
    expect(civilHour(calls[1]![1] as number, plan.timeZone)).toBe(4);
  });
  it('without a place on the map the sun is that of local solar time', () => {
    const { anchor: _anchor, ...rest } = plan;
    show(<HourStrip />, {}, rest as BeatPlan);
    // 45 degrees north, 13 June, 2 h 20 min before solar noon: some 54 degrees up.
    expect(screen.getByRole('slider')).toHaveAttribute('aria-valuetext', '9:40, sun 54 degrees up');
  });
});

describe('marks', () => {
  it('a pebble wears a grain for each need, an open dot for one that is starved, none when plain', () => {
    const needs = { shelter: 0.9, food: 0.1, ease: 0.5, air: 0.8 };
    const { container, rerender } = render(
      <svg>
        <Pebble rating={69} needs={needs} r={15} />
      </svg>,
    );
    expect(container.querySelectorAll('circle')).toHaveLength(1);
    expect(container.querySelectorAll('path')).toHaveLength(5);
    expect(container.querySelector('text')).toHaveTextContent('69');
    rerender(
      <svg>
        <Pebble rating={69} needs={needs} r={9} plain />
      </svg>,
    );
    expect(container.querySelectorAll('path')).toHaveLength(2);
    rerender(
      <svg>
        <Pebble rating={69} needs={needs} r={15} chosen />
      </svg>,
    );
    expect(container.querySelectorAll('text')).toHaveLength(1);
  });
  it('a band has both ends in words', () => {
    render(<Band low={0.7} best={0.84} high={0.92} to={1} words={['70 in 100', '92 in 100']} />);
    expect(screen.getByText('between 70 in 100 and 92 in 100')).toBeInTheDocument();
  });
});
