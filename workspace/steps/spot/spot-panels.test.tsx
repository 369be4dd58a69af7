import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import type { BeatPlan } from '../../../core/formats/index';
import type { Lookout, WindowView } from '../../../core/sight/index';
import { flowOf } from '../../../core/water/fixtures/flows';
import { HOURS } from '../../state/hours';
import { type WorkspaceState } from '../../state/state';
import { answered } from '../../fixtures/answered';
import { showIn } from '../../fixtures/workspace';
import { stateWith } from '../../fixtures/state';
import { LookoutPanel } from './lookout-panel';
import { RisesPanel } from './rises-panel';
import { SpotPanel } from './spot-panel';
import { WindowPanel } from './window-panel';
import type { BeatInput } from '../../state/document';
import type { KeptRise, Mark } from '../../../core/log/index';

const mark: Mark = {
  id: 'm1',
  xM: 5,
  yM: 2.5,
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

function show(element: ReactElement, state: Partial<WorkspaceState> = {}) {
  const whole = stateWith({
    step: 'spot',
    marks: [mark],
    flow: flowOf(() => ({ depth: 0.6, u: -0.5 }), { nx: 60 }),
    ...state,
  });
  const beat = {
    id: 'b1',
    plan: { timeZone: 'Etc/GMT-2', bearingDeg: 90 } as BeatPlan,
  } as BeatInput;
  return showIn(element, whole, beat);
}

const lookout = (more: Partial<Lookout> & { mean: number[] }): Lookout => ({
  xM: 4,
  yM: -5,
  shares: new Float64Array(more.mean),
  because: ['mirror'],
  bestHour: more.mean.indexOf(Math.max(...more.mean)),
  seen: 0.12,
  ...more,
});
/** Little now (9:40), much from 13:00 on. */
const morning = HOURS.map((h) => (h >= 13 && h < 17 ? 0.8 : 0.3));

describe('where to look from', () => {
  it('says to wait for the sun, with the time, when a later hour shows much more', () => {
    show(<LookoutPanel />, {
      ...answered({ lookouts: [lookout({ mean: morning })] }),
      markId: 'm1',
    });
    expect(
      screen.getByText(
        'Wait for the sun: from A, 8 in 10 glances show it at 13:00; now 3 in 10 glances.',
      ),
    ).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /^A now 3 in 10/ })).toHaveTextContent(
      'seen yourself 12 in 100. The surface mirrors the sky there',
    );
  });
  it('says to look now when it is as good as it gets, or the best hour is past', async () => {
    const { calls } = show(
      <LookoutPanel />,
      answered({ lookouts: [lookout({ mean: HOURS.map((h) => (h < 9 ? 0.9 : 0.5)) })] }),
    );
    expect(screen.getByText('Look now, from A: 5 in 10 glances show them.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /^A now/ }));
    expect(calls[0]![0]).toBe('moveViewer');
  });
  it('says when nothing shows, and while it is still looking', () => {
    show(<LookoutPanel />, { ...answered({ lookouts: [] }), markId: 'm1' });
    expect(screen.getByText(/No place on the banks shows it/)).toBeInTheDocument();
    show(<LookoutPanel />, answered({ lookouts: null }));
    expect(screen.getByText('Looking from every place on the banks.')).toBeInTheDocument();
  });
  it('weather is chosen, and a wind that cannot be is refused by name', async () => {
    const { calls } = show(<LookoutPanel />, answered({ lookouts: [] }));
    await userEvent.click(screen.getByText('Weather and glasses'));
    await userEvent.click(screen.getByRole('radio', { name: 'grey' }));
    await userEvent.clear(screen.getByLabelText(/^Wind/));
    await userEvent.type(screen.getByLabelText(/^Wind/), '90{Enter}');
    expect(screen.getByText('Wind "90" is out of range: 0 to 20 m/s.')).toBeInTheDocument();
    expect(calls).toEqual([['changeSettings', { sky: 'overcast' }]]);
  });
});

const ring = (seq: number, s: number, xM = 4): KeptRise => ({
  id: `r${seq}`,
  seq,
  atMs: 1000 * s,
  xM,
  yM: 2.5,
});

describe('rises', () => {
  it('rhythm, the true lie beside the rule of thumb, and chances', async () => {
    const { calls } = show(<RisesPanel />, {
      rises: [0, 30, 61, 90, 121].map((s, i) => ring(i + 1, s)),
    });
    expect(screen.getByText(/Every 30 s, give or take 1 s: regular\./)).toBeInTheDocument();
    expect(screen.getByText(/It lies 1\.\d m up-current of its ring/)).toBeInTheDocument();
    expect(screen.getByText(/The rule of thumb says 2\.0 m/)).toBeInTheDocument();
    const table = within(screen.getByRole('table'));
    expect(table.getAllByRole('columnheader').map((h) => h.textContent)).toEqual([
      '1 a min',
      '3 a min',
      '6 a min',
      '10 a min',
      'one, timed',
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Mark it where it lies' }));
    expect(calls[0]).toEqual([
      'placeMark',
      expect.objectContaining({ yM: 2.5 }),
      { behaviour: 'rising', surety: 'likely' },
    ]);
  });
  it('a clock set back is said; one rise has no rhythm', () => {
    show(<RisesPanel />, { rises: [ring(1, 50), ring(2, 20), ring(3, 55)] });
    expect(screen.getByText(/The clock went back at rise 2/)).toBeInTheDocument();
    show(<RisesPanel />, { rises: [ring(1, 50)] });
    expect(screen.getAllByText(/Two intervals are needed for a rhythm/).length).toBeGreaterThan(0);
  });
  it('rings are tapped on the plan, or by keyboard at the last place', async () => {
    const { calls } = show(<RisesPanel />, { rises: [ring(1, 5)] });
    await userEvent.click(screen.getByRole('button', { name: 'Tap more' }));
    await userEvent.click(screen.getByRole('button', { name: 'It rose there again' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take the last back' }));
    expect(calls.map((c) => c[0])).toEqual(['setTapping', 'tapRise', 'removeRises']);
  });
});

describe('what the fish sees', () => {
  const view: WindowView = {
    radiusM: 0.45,
    skyline: Array.from({ length: 72 }, (_, i) => ({
      bearingRad: (i * Math.PI) / 36,
      ground: 0.98,
      plants: 0.9,
    })),
    sun: { bearingRad: 1, at: 0.5 },
    angler: { bearingRad: -1.6, halfWidthRad: 0.03, foot: 1, top: 0.96 },
    rod: { bearingRad: -1.6, halfWidthRad: 0.01, foot: 0.96, top: 0.9 },
    sight: {
      distanceM: 8,
      topM: 0.9,
      footM: 0,
      ray: { crossingM: 0.44, zenithRad: 0.83, elevationRad: 0.12, aboveEdgeRad: 0.0185 },
    },
    blindHalfRad: 0.26,
    headingRad: 0,
  };
  it('a disc and a side view, with the figures that are drawn', () => {
    show(<WindowPanel />, { markId: 'm1', ...answered({ window: view }) });
    expect(screen.getByRole('img', { name: /you reach 4 hundredths/ })).toBeInTheDocument();
    expect(screen.getByText(/Your top shows 1\.1° inside the rim/)).toBeInTheDocument();
    expect(screen.getByText(/meets the water 0\.44 m from the fish/)).toBeInTheDocument();
  });
  it('asks for a place to look from', () => {
    show(<WindowPanel />, {
      markId: 'm1',
      ...answered({ window: { ...view, angler: null, rod: null, sight: null } }),
    });
    expect(screen.getByText(/Choose a place to look from/)).toBeInTheDocument();
  });
});

describe('a mark', () => {
  it('is seen again, doing something, turned; what it was is listed', async () => {
    const before = { ...mark, xM: 6.5, seenMs: Date.parse('2026-06-13T05:10:00Z') };
    const { calls } = show(<SpotPanel />, {
      marks: [{ ...mark, history: [before] }],
      markId: 'm1',
      ...answered({ lookouts: [] }),
    });
    await userEvent.click(screen.getByRole('radio', { name: 'Rising' }));
    await userEvent.click(screen.getByRole('button', { name: 'Seen again' }));
    await userEvent.click(screen.getByRole('button', { name: 'Turn it left' }));
    expect(calls.slice(0, 2)).toEqual([
      ['seenAgain', 'm1', { behaviour: 'rising' }],
      ['seenAgain', 'm1'],
    ]);
    expect((calls[2]![2] as { headingRad: number }).headingRad).toBeCloseTo(Math.PI / 12, 9);
    for (const more of screen.getAllByRole('button', { expanded: false }))
      await userEvent.click(more);
    const list = within(screen.getByRole('list', { name: 'Seen before' }));
    expect(list.getByText('7:10, holding, sure')).toBeInTheDocument();
    expect(list.getByText('1.5 m away')).toBeInTheDocument();
  });
  it('by bearing and paces, from where the angler looks', async () => {
    const { calls } = show(<SpotPanel />, {
      viewer: { xM: 0, yM: 0 },
      ...answered({ lookouts: [] }),
    });
    await userEvent.click(screen.getByText('Mark it by bearing and paces'));
    await userEvent.type(screen.getByLabelText(/^Bearing/), '400');
    await userEvent.type(screen.getByLabelText('Paces'), '8');
    await userEvent.click(screen.getByRole('button', { name: 'Mark it there' }));
    expect(screen.getByText('Bearing "400" is out of range: 0 to 360 °.')).toBeInTheDocument();
    await userEvent.clear(screen.getByLabelText(/^Bearing/));
    await userEvent.type(screen.getByLabelText(/^Bearing/), '90');
    await userEvent.click(screen.getByRole('button', { name: 'Mark it there' }));
    const place = calls.at(-1)![1] as { xM: number; yM: number };
    // The beat runs due east: eight paces of .43 x 1.75 m along +x.
    expect(place.xM).toBeCloseTo(6.02, 2);
    expect(place.yM).toBeCloseTo(0, 6);
  });
});
