import { act, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import type { CastNow, DriftBand } from '../../core/cast/index';
import type { BeatPlan } from '../../core/formats/index';
import type { Lie, LieField } from '../../core/lies/index';
import type { StalkLeg } from '../../core/stalk/index';
import { ObjectList } from './object-list';
import { type WorkspaceState } from '../state/state';
import { answered } from '../fixtures/answered';
import { attempt as madeTry } from '../fixtures/attempt';
import { showIn } from '../fixtures/workspace';
import { stateWith } from '../fixtures/state';
import { StepRail } from './step-rail';
import { LogPanel } from '../steps/log/log-panel';
import { ReadPanel } from '../steps/read/read-panel';
import { SpotPanel } from '../steps/spot/spot-panel';
import { StalkPanel } from '../steps/stalk/stalk-panel';
import type { BeatInput } from '../state/document';
import type { Mark, Try } from '../../core/log/index';

jest.mock('next-themes', () => ({
  useTheme: () => ({ resolvedTheme: 'light', setTheme: () => {} }),
}));

const mark: Mark = {
  id: 'm1',
  xM: 10,
  yM: 1,
  fishDepthM: 0.4,
  headingRad: 0,
  totalLengthCm: 27,
  surety: 'sure',
  behaviour: 'holding',
  note: '',
  photoId: null,
  seenMs: 0,
  history: [],
};
const lie = {
  id: 'lie1',
  xM: 12,
  yM: 1,
  kind: 'tongue-edge',
  headingRad: 0,
  rating: 69,
  needs: { shelter: 0.84, food: 0.9, ease: 0.58, air: 0.86 },
  profitJph: 111,
  largest: { keepsCm: 31, feedsCm: 31, duskCm: 44, shelterM: 3, class: 'prime' },
  willing: 0.8,
  meanSpeedMps: 0.4,
  depthM: 0.65,
  lane: [],
  why: [
    { what: 'holds-back', value: 0.58, unit: '', source: 'power-mean', about: 'ease' },
    { what: 'nose-pace', value: 0.34, unit: 'm/s', source: 'log-law' },
    { what: 'best-pace-in-reach', value: 0.6, unit: 'm/s', source: 'hughes-dill-1990' },
    { what: 'bolt-hole', value: 1.9, unit: 'm', source: 'plan' },
  ],
} as unknown as Lie;
const leg = (more: Partial<StalkLeg>): StalkLeg => ({
  posture: 'stand',
  wading: false,
  places: [],
  lengthM: 9.4,
  seconds: 15,
  worst: { exposure: 0.13, fishId: 'm1', place: { xM: 0, yM: 0 } },
  along: { kind: 'bank', side: 'left' },
  toward: 'up',
  lowerFor: null,
  ...more,
});

const rated = (lies: Lie[], nothing: LieField['nothing'] = null): LieField => ({
  field: new Float64Array(),
  lies,
  nothing,
  expected: { mean: 1.4, low: 0.6, high: 2.2 },
  stretches: [],
});
const initial = stateWith({
  lay: { kind: 'reach', toward: 'up-current', amountM: 1.5 },
  marks: [mark],
  flowState: { kind: 'ready' },
  ...answered({ lies: rated([lie]) }),
});

function show(element: ReactElement, state: Partial<WorkspaceState> = {}) {
  const beat = {
    id: 'b1',
    streamName: 'Thrum',
    plan: {
      timeZone: 'Etc/GMT-2',
      bearingDeg: 0,
      levels: [
        { name: 'Fair', dischargeM3s: 1.6, how: 'float' },
        { name: 'Thin', dischargeM3s: 0.6, how: 'guessed' },
      ],
      surveyedLevel: 'Fair',
      features: [],
    } as unknown as BeatPlan,
  } as BeatInput;
  return showIn(element, { ...initial, ...state } as WorkspaceState, beat);
}
const us = { settings: { ...initial.settings, units: 'us' as const } };

describe('Read', () => {
  it('says how many lies, for which fish, at what temperature', async () => {
    const { calls } = show(<ReadPanel />);
    expect(screen.getByText(/1 lie for a brown trout of 25 cm at 11.5 °C/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Show the best lie' }));
    expect(calls).toEqual([['chooseLie', lie]]);
  });
  it('says that a temperature is a guess, and when nothing holds', () => {
    show(<ReadPanel />, { settings: { ...initial.settings, waterTempC: null } });
    expect(
      screen.getByText(/at 11.0 °C, a guess until you type the temperature/),
    ).toBeInTheDocument();
    show(<ReadPanel />, answered({ lies: rated([], 'too-warm') }));
    expect(screen.getByText(/too warm for this trout/)).toBeInTheDocument();
  });
  it('a lie with its why, in either unit', async () => {
    show(<ReadPanel />, { lieId: 'lie1' });
    expect(await screen.findByRole('heading', { name: 'Edge of the tongue' })).toBeInTheDocument();
    expect(screen.getByText('Ease holds it back.')).toBeInTheDocument();
    expect(
      screen.getByRole('img', { name: /Rating 69. Shelter .84, food .90, ease .58, air .86/ }),
    ).toBeInTheDocument();
    expect(
      screen.getByText('Keeps 31 cm; at dusk 44 cm comes here, from shelter 3.0 m off.'),
    ).toBeInTheDocument();
    show(<ReadPanel />, { lieId: 'lie1', ...us });
    expect(await screen.findByText(/1.1 ft\/s at the nose/)).toBeInTheDocument();
    expect(screen.getByText(/^Keeps 12 in; at dusk 17.5 in comes here/)).toBeInTheDocument();
  });
});

describe('Spot', () => {
  it('asks for a fish, and tells when it waits for a touch', async () => {
    const { calls } = show(<SpotPanel />);
    await userEvent.click(screen.getByRole('button', { name: 'Mark a fish' }));
    expect(calls).toEqual([['setPlacing', true]]);
    show(<SpotPanel />, { placing: true });
    expect(screen.getByText('Touch the water where its nose is.')).toBeInTheDocument();
  });
  it('takes depth and length in the angler’s own unit, refuses nonsense and keeps what was', async () => {
    const { calls } = show(<SpotPanel />, { markId: 'm1', ...us });
    const depth = screen.getByLabelText(/Depth of the fish/);
    await userEvent.clear(depth);
    await userEvent.type(depth, '2 ft 4{Enter}');
    expect(calls).toEqual([['changeMark', 'm1', { fishDepthM: 0.711 }, true]]);
    await userEvent.clear(depth);
    await userEvent.type(depth, '90{Enter}');
    expect(screen.getByText(/Depth of the fish "90" is out of range/)).toBeInTheDocument();
    expect(calls).toHaveLength(1);
    await userEvent.type(depth, '{Escape}');
    expect(screen.queryByText(/out of range/)).not.toBeInTheDocument();
  });
  it('says from how far it sees, by side', () => {
    const ring = Array.from({ length: 72 }, (_, i) => ({
      bearingRad: (i * Math.PI) / 36,
      radiusM: i === 0 ? 5 : i === 36 ? 1 : 4.5,
    }));
    show(<SpotPanel />, { markId: 'm1', ...answered({ ring }) });
    expect(
      screen.getByText(
        /If you kneel, it sees you inside 4.5 m from the side, 5.0 m from ahead, 1.0 m from behind/,
      ),
    ).toBeInTheDocument();
  });
});

describe('Stalk', () => {
  const ready = { step: 'stalk' as const, markId: 'm1', stand: { xM: 8, yM: -5 } };
  const way = {
    kind: 'way' as const,
    legs: [leg({}), leg({ posture: 'kneel', lengthM: 2, wading: true })],
    seconds: 32,
    lengthM: 11.4,
    wadedM: 2,
    deepestM: 0.3,
    worst: leg({}).worst,
    calm: [{ fishId: 'm1', low: 0.7, best: 0.84, high: 0.92 }],
    moments: [0, 4, 9.4].map((atM, i) => ({
      atM,
      atS: 2 * atM,
      place: { xM: atM, yM: -5 },
      posture: 'stand' as const,
      exposure: [0, 0.08, 0.13][i]!,
      fishId: 'm1',
    })),
    cost: 40,
  };
  it('leg by leg, the worst moment, calm as a band, and a caution with any wading', () => {
    show(<StalkPanel />, {
      ...ready,
      ...answered({
        stalk: way,
        stalkStudy: {
          others: [],
          changes: [{ what: { kind: 'wait', hour: 11.5 }, calm: 0.91, atStand: 0.2, seconds: 30 }],
          cautions: [[{ kind: 'wading', deepestM: 0.3, metres: 2 }]],
          shadow: { tip: { xM: 8, yM: -3 }, lengthM: 2, onWaterM: 1, over: 'm1' },
          shadowLeavesHour: 10,
        },
      }),
    });
    expect(
      screen.getByText(/Along the true left bank, up-current, walking upright, 9.4 m\./),
    ).toBeInTheDocument();
    expect(screen.getByText(/Wade, up-current, on your knees, 2.0 m\./)).toBeInTheDocument();
    expect(screen.getByText('Kneel there.')).toBeInTheDocument();
    expect(screen.getByText('Fish 1 still calm: 84 in 100')).toBeInTheDocument();
    expect(screen.getByText(/between 70 in 100 and 92 in 100/)).toBeInTheDocument();
    expect(screen.getByText(/No computation makes a crossing safe/)).toBeInTheDocument();
    expect(screen.getByText(/Wait until 11:30: Fish 1 still calm 91 in 100/)).toBeInTheDocument();
    expect(
      screen.getByText(/Your shadow lies 1.0 m over the water, on fish 1/),
    ).toBeInTheDocument();
    expect(screen.getByText(/off the water by 10:00/)).toBeInTheDocument();
  });
  it('no caution for a dry way; a dead end says what to do', () => {
    show(<StalkPanel />, { ...ready, ...answered({ stalk: { ...way, wadedM: 0 } }) });
    expect(screen.queryByText(/crossing safe/)).not.toBeInTheDocument();
    show(<StalkPanel />, {
      ...ready,
      ...answered({ stalk: { kind: 'no way', reason: 'stand-too-deep' } }),
    });
    expect(screen.getByText(/too deep or too quick to wade/)).toBeInTheDocument();
  });
});

describe('Log', () => {
  const attempt = madeTry('Ant 14', initial.atMs, ['look']);
  it('begins a try with a fly in free words', async () => {
    const { calls } = show(<LogPanel />, { markId: 'm1' });
    await userEvent.type(screen.getByLabelText('Fly'), ' Ant 14 {Enter}');
    expect(calls).toEqual([['beginTry', 'Ant 14']]);
  });
  it('one press an event, with the note that was typed; take it back', async () => {
    const { calls } = show(<LogPanel />, { markId: 'm1', tries: [attempt] });
    expect(screen.getByText('Cast 2 with Ant 14.')).toBeInTheDocument();
    await userEvent.type(screen.getByLabelText('Note for the next press'), 'came late');
    await userEvent.click(screen.getByRole('button', { name: 'Missed' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    expect(calls).toEqual([
      ['record', 't1', 'miss', { note: 'came late' }],
      ['undoLast', 't1'],
    ]);
  });
  it('what goes on at one lie is not told of another: each has its own presses', () => {
    const other = { ...lie, id: 'lie2', xM: 20 };
    const { target: _none, ...said } = attempt.snapshot;
    const atFirst = {
      ...attempt,
      markId: null,
      snapshot: { ...said, target: { id: 'lie1', xM: 12.2, yM: 1 } as Try['snapshot']['target'] },
    };
    const lies = answered({ lies: rated([lie, other]) });
    const state = { markId: null, tries: [atFirst], ...lies };
    const { store } = show(<LogPanel />, { ...state, lieId: 'lie1' });
    expect(screen.getByText('Cast 2 with Ant 14.')).toBeInTheDocument();
    act(() => store.setState({ lieId: 'lie2' }));
    expect(screen.queryByText(/^Cast 2/)).not.toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Begin a try' })).toBeInTheDocument();
  });
  it('a changed fly needs a name; a hooked fish is landed with its length or lost', async () => {
    const { calls } = show(<LogPanel />, { markId: 'm1', tries: [attempt] });
    await userEvent.click(screen.getByRole('button', { name: 'Changed' }));
    await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(screen.getByText(/Say which fly it is now/)).toBeInTheDocument();
    expect(calls).toEqual([]);
  });
  it('only landing or loss once it is hooked', async () => {
    const hooked = { ...attempt, events: [{ ...attempt.events[0]!, code: 'hook' as const }] };
    const { calls } = show(<LogPanel />, { markId: 'm1', tries: [hooked], ...us });
    expect(screen.queryByRole('button', { name: 'Missed' })).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Landed' }));
    await userEvent.type(screen.getByLabelText('Its length, in'), '12{Enter}');
    expect(calls).toEqual([['record', 't1', 'landing', { lengthCm: 30.5 }]]);
  });
});

describe('beside the plan', () => {
  it('lists the same fish and lies, choosable', async () => {
    const { calls } = show(<ObjectList />);
    await userEvent.click(screen.getByRole('button', { name: /Fish 1 sure, 27 cm, 0.40 m down/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Edge of the tongue' }));
    expect(calls.map((c) => c[0])).toEqual(['chooseMark', 'chooseLie']);
    const row = screen.getByRole('row', { name: /69 Edge of the tongue/ });
    expect(within(row).getByText('0.65 m')).toBeInTheDocument();
    expect(within(row).getByText('31 cm')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Depth' }));
    expect(calls.at(-1)).toEqual(['showLies', { order: 'depth', desc: true }]);
  });
  it('the rail says what each step found; each is a button', async () => {
    const { calls } = show(<StepRail />, {
      ...answered({
        drift: {
          band: { best: { cleanS: 4.6, status: 'ok' } } as unknown as DriftBand,
          now: {} as CastNow,
          ms: 1,
        },
      }),
    });
    const rail = within(screen.getByRole('navigation', { name: 'Steps' }));
    expect(rail.getAllByRole('button')).toHaveLength(8);
    expect(rail.getByText('clean 4.6 s')).toBeInTheDocument();
    await userEvent.click(rail.getByRole('button', { name: /Cast/ }));
    expect(calls).toEqual([['go', 'cast']]);
  });
});

it('the route: asked for, told stand by stand, with what is left out, and given up again', async () => {
  const route = {
    stands: [
      { xM: 3, yM: -2, posture: 'kneel' as const, side: 'left' as const },
      { xM: 9, yM: -2, posture: 'crouch' as const, side: 'left' as const },
    ],
    result: {
      kind: 'route' as const,
      steps: [
        {
          stand: 0,
          waySeconds: 60,
          wadedM: 0,
          seconds: 240,
          lies: [
            {
              lie: 0,
              id: 'lie1',
              covers: 5,
              home: 0.5,
              calm: 0.9,
              p: 0.5,
              gain: 0.4,
              cast: {} as never,
            },
          ],
        },
      ],
      stops: [],
      leftOut: [{ id: 'lie2', because: 'too poor' as const, paysAnHour: 1.2, costs: 0.31 }],
      looks: { best: 2.4, low: 1, high: 4 },
      takes: 1.2,
      net: 0.6,
      minutes: 9,
      beside: [{ direction: 'down' as const, net: 0.2, looks: 2, minutes: 8 }],
    },
  };
  const work = { direction: 'up' as const, minutes: 60, turn: true, lambda: 3 };
  const lies = { lies: [lie], nothing: null } as unknown as LieField;
  const { calls } = show(<StalkPanel />, { work, ...answered({ route, lies }) });
  const told = screen.getByRole('region', { name: 'The route' });
  expect(within(told).getByText('1 stand, 9 min')).toBeInTheDocument();
  expect(within(told).getByText(/ 5 casts\./)).toBeInTheDocument();
  expect(within(told).getByText(/down: 0\.4 takes less/)).toBeInTheDocument();
  await userEvent.click(within(told).getByRole('button', { name: 'Left out: 1' }));
  expect(
    within(told).getByText(/too poor for a cast, 1\.2 takes an hour.*costs 0\.31/),
  ).toBeInTheDocument();
  await userEvent.click(within(told).getByRole('button', { name: 'Give the route up' }));
  expect(calls.at(-1)).toEqual(['workIt', null]);
});
