import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { DEFAULT_TACKLE, rigFrom, usualRig, type RigPlan } from '../../../core/rig/index';
import { bench, type FeltAt } from '../../../core/sink/index';
import { plan, stream } from '../../../core/stalk/fixtures/streams';
import { answered } from '../../fixtures/answered';
import { attempt } from '../../fixtures/attempt';
import { MARK } from '../../fixtures/cast';
import { TEST_SETTINGS } from '../../fixtures/settings';
import { stateWith } from '../../fixtures/state';
import { showIn } from '../../fixtures/workspace';
import type { BeatInput } from '../../state/document';
import type { WorkspaceState } from '../../state/state';
import { BenchPanel } from './bench-panel';
import { HoldScale } from './hold-scale';
import { LadderTable } from './ladder-table';
import type { Try } from '../../../core/log/index';
import { feltDrifts } from '../../../core/outing/index';
import { RigDrawing } from './rig-drawing';

jest.mock('next-themes', () => ({
  useTheme: () => ({ resolvedTheme: 'light', setTheme: () => {} }),
}));

beforeAll(() => {
  window.matchMedia = ((media: string) => ({
    media,
    matches: false,
    addEventListener: () => {},
    removeEventListener: () => {},
  })) as never;
});

const TARGET = {
  id: 'm1',
  kind: null,
  xM: 5,
  yM: 1,
  rating: null,
  needs: null,
  depthM: 0.8,
  surfaceSpeedMps: 0.5,
  meanSpeedMps: 0.4,
  behaviour: null,
};
const flow = stream(0.45, 0.8);
const beat = { id: 'b', plan: plan(), planHash: 'h' } as unknown as BeatInput;

function on(
  rig: RigPlan,
  more: Partial<WorkspaceState> = {},
  felt: FeltAt[] = [],
  fishDepthM = MARK.fishDepthM,
): WorkspaceState {
  const answer = bench(
    flow,
    {
      fish: { ...MARK, fishDepthM },
      plan: rig,
      tackle: DEFAULT_TACKLE,
      start: 'up-current',
      leadM: 0.8,
      pastM: 1,
      bedSpreadM: 0.03,
      felt,
      windMps: 1,
      reachM: 0.4,
    },
    new Map(),
  );
  return stateWith({
    step: 'bench',
    flow,
    marks: [MARK],
    markId: MARK.id,
    rigId: rig.id,
    fly: rig.kind === 'float' ? 'indicator' : rig.kind === 'dry' ? 'dry' : 'sunk',
    stand: { xM: 6, yM: -2 },
    ...answered({ bench: { answer, leadM: 0.8, seen: 0.3 }, followDown: { to: null } }),
    ...more,
  });
}

it('says how deep, why, what the bed said, what is worth knowing, and asks', async () => {
  const { calls } = showIn(<BenchPanel />, on(rigFrom('float')), beat);
  expect(screen.getByText('down at its nose')).toBeInTheDocument();
  expect(screen.getByText(/It should be .* down/)).toBeInTheDocument();
  expect(screen.getByText(/Nothing yet on this beat/)).toBeInTheDocument();
  expect(screen.getByText(/30 of 100 looks/)).toBeInTheDocument();
  expect(screen.getByText(/Breaks first at the knot at the nymph 14: 1\.8 kg/)).toBeInTheDocument();
  expect(screen.getByText(/lob it/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Ticked the bed' }));
  await userEvent.click(screen.getByRole('button', { name: 'Never touched' }));
  await userEvent.click(screen.getByRole('button', { name: 'This in the hand' }));
  expect(calls).toEqual([
    ['felt', 'bottom'],
    ['felt', 'clear'],
    ['makeReady', 0, 'float'],
  ]);
});

it('US units go through everything', () => {
  showIn(
    <BenchPanel />,
    on(rigFrom('float'), { settings: { ...TEST_SETTINGS, units: 'us' } }),
    beat,
  );
  expect(screen.getByText(/Breaks first at .*: 3\.9 lb/)).toBeInTheDocument();
  expect(screen.getAllByText(/ft\/s/).length).toBeGreaterThan(0);
});

it('a dry sinks nothing and says how long it floats', () => {
  showIn(<BenchPanel />, on(usualRig('dry')), beat);
  expect(screen.getByText(/fished on top/)).toBeInTheDocument();
  expect(screen.getByText(/Dry it in \d+ covers/)).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'Ticked the bed' })).toBeNull();
});

it('the ladder: in order, each with its number, and a press does it', async () => {
  const { calls } = showIn(
    <LadderTable />,
    on({ ...usualRig('sunk'), kind: 'streamer' }, {}, [], 0.7),
    beat,
  );
  const rows = screen.getAllByRole('row').slice(1);
  expect(rows.map((r) => within(r).getByRole('rowheader').textContent)).toEqual([
    expect.stringMatching(/^1 Tuck the cast/),
    expect.stringMatching(/^2 Lead further/),
    expect.stringMatching(/^3 Other fly/),
    expect.stringMatching(/^4 Split shot/),
  ]);
  await userEvent.click(screen.getByRole('button', { name: 'Lead further: do it' }));
  expect(calls[0]![0]).toBe('applyRung');
});

it('what holds: the pull, the weakest joint by its place, seconds, and where to follow', () => {
  showIn(<HoldScale width={500} />, on(rigFrom('float')), beat);
  const words = screen.getByRole('region', { name: 'Will it hold?' }).textContent;
  expect(words).toMatch(/28 cm in 0\.\d\d m\/s: the rod pulls 0\.2 kg/);
  expect(words).toMatch(/breaks at 1\.8 kg, at the knot at the nymph 14/);
  expect(words).toMatch(/in \d+ to \d+ s, kind up to 60 s/);
});

it('the rig is drawn to scale and has a text of its own', () => {
  showIn(
    <RigDrawing
      plan={rigFrom('float')}
      tackle={DEFAULT_TACKLE}
      units="metric"
      width={280}
      height={500}
    />,
    on(rigFrom('float')),
    beat,
  );
  const drawing = screen.getByRole('img', {
    name: /Float and two nymphs, from the line down: taper 1\.80 m/,
  });
  expect(within(drawing).getByText('weakest')).toBeInTheDocument();
  expect(within(drawing).getByText(/2\.70 m\. Thickness \d+ times over\./)).toBeInTheDocument();
});

it('what cannot be is refused in words at its place, and what was typed over stays', async () => {
  showIn(<BenchPanel />, on(rigFrom('float')), beat);
  await userEvent.click(screen.getByRole('button', { name: 'Change the rig' }));
  const thick = screen.getAllByLabelText(/^Thick/)[0]!;
  await userEvent.clear(thick);
  await userEvent.type(thick, '20{Enter}');
  expect(screen.getByText(/Thickness "20" is out of range: 0.08 to 1.2 mm/)).toBeInTheDocument();
});

it('a drift is felt by its try’s own plan; another level, an undone press or no rig say nothing', () => {
  const plain = attempt('', 1, ['clear', 'hung', 'undo']);
  const t: Try = {
    ...plain,
    events: plain.events.map((e) => (e.code === 'undo' ? { ...e, undoes: 'e2' } : e)),
    snapshot: {
      ...plain.snapshot,
      level: 'Fair',
      target: TARGET,
      cast: {
        stand: { xM: 0, yM: 0 },
        posture: 'kneel',
        landing: null,
        lay: { kind: 'pile' },
        mend: null,
        leadM: 1.2,
        castKind: null,
        rig: { id: 'float', fly: 'indicator', leaderM: 2 },
      },
    },
  };
  const felt = feltDrifts([t], DEFAULT_TACKLE, 'Fair');
  expect(felt).toMatchObject([{ id: 'e1', felt: 'clear', start: 'tucked', leadM: 1.2 }]);
  expect(feltDrifts([t], DEFAULT_TACKLE, 'Full')).toEqual([]);
  const after = on(
    rigFrom('float'),
    {},
    felt.map((f) => ({ ...f, place: MARK })),
  );
  const told = after.answers.bench.value!.answer;
  expect('belief' in told && told.belief.drifts).toBe(1);
});
