import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readBeat, type BeatPlan } from '../../../core/formats/index';
import { readWater, type FlowField } from '../../../core/water/index';
import { flowOf } from '../../../core/water/fixtures/flows';
import { TANSY_GLIDE_FILE } from '../../../demo/data/tansy-glide';
import { answered } from '../../fixtures/answered';
import { stateWith } from '../../fixtures/state';
import { showIn } from '../../fixtures/workspace';
import type { Engine } from '../../engine/engine';
import { CalibrationPanel } from './calibration-panel';
import { LevelPanel, OverSwitches, ProbePanel } from './water-panel';
import { ReadingLayer } from './reading-layer';
import type { WorkspaceState } from '../../state/state';
import type { BeatInput } from '../../state/document';
import { LabelRoom, RoundRoom } from '../../../drawing/label-room';

const plan = (readBeat(TANSY_GLIDE_FILE) as { plan: BeatPlan }).plan;
const made = (pace: number, depth: number): FlowField =>
  flowOf((_x, y) => ({ depth: y < 1 ? 0 : depth, u: -pace }), { nx: 80, ny: 30, cellM: 0.25 });
const fair = made(0.7, 0.4);

function show(
  element: React.ReactElement,
  more: Partial<WorkspaceState> = {},
  engine: Partial<Engine> = {},
  of: BeatPlan = plan,
) {
  return showIn(
    element,
    stateWith({ flow: fair, ...answered({ reading: readWater(fair) }), ...more }),
    { id: 'b', streamName: 'Thrum', plan: of } as BeatInput,
    engine,
  ).calls;
}

it('a switch for each thing over the water', async () => {
  const calls = show(<OverSwitches />);
  await userEvent.click(screen.getByLabelText('Seams'));
  await userEvent.click(screen.getByLabelText('Pieces'));
  expect(calls).toEqual([
    ['showOver', 'seams', true],
    ['showOver', 'pieces', false],
  ]);
});

it('the probe speaks of depth, piece, pace and Froude number; else it says how to ask', () => {
  show(<ProbePanel />, {
    probeAt: { xM: 3, yM: 3 },
    probe: {
      depthM: 0.42,
      surfaceSpeedMps: 0.55,
      meanSpeedMps: 0.46,
      froude: 0.23,
      towardRad: 3,
      turnedBack: true,
      piece: 'run',
    },
  });
  expect(screen.getByRole('status')).toHaveTextContent(
    '0.42 m, knee deep, run. Walk, a leaf takes 5.5 s over 3.0 m, turned back up the valley. Froude 0.23.',
  );
  show(<ProbePanel />);
  expect(screen.getByText(/Point at the water/)).toBeInTheDocument();
});

it('says how the level is known, and lays another beside it in figures', async () => {
  const thin = made(0.3, 0.2);
  const calls = show(<LevelPanel />, {
    compareLevel: 'Thin',
    other: thin,
    ...answered({ reading: readWater(fair), otherReading: readWater(thin) }),
  });
  expect(screen.getByText(/^Fair: 1\.52 m³\/s, fitted to 24 speeds/)).toBeInTheDocument();
  const row = within(screen.getByRole('row', { name: /^Mean depth/ }));
  expect(row.getByText('0.40 m')).toBeInTheDocument();
  expect(row.getByText('0.20 m')).toBeInTheDocument();
  await userEvent.selectOptions(screen.getByLabelText(/Beside it/), 'Full');
  expect(calls).toEqual([['compareWith', 'Full']]);
});

describe('calibration', () => {
  const { calibration: _fit, ...bare } = plan;
  it('a calibrated beat says to what; one that is not says so', () => {
    show(<CalibrationPanel />);
    expect(screen.getByText(/^Calibrated to 67 measured places/)).toBeInTheDocument();
    show(<CalibrationPanel />, {}, {}, bare);
    expect(screen.getByText(/^Uncalibrated: pace is good to about ±10 %/)).toBeInTheDocument();
  });
  it('too few speeds, a fit, and a fit that could not be kept are each said', async () => {
    const engine = {
      calibrate: jest
        .fn()
        .mockResolvedValueOnce({ ok: false, reason: 'too few speeds', speeds: 1, needed: 4 })
        .mockResolvedValueOnce({
          ok: true,
          calibration: { roughness: 1.2, points: 30, depthRmsM: 0.05, speedRmsMps: 0.08 },
          dischargeM3s: 1.5,
          beforeSpeedRmsMps: 0.2,
          atLimit: false,
        }),
    };
    const calls = show(<CalibrationPanel />, {}, engine, bare);
    await userEvent.click(screen.getByText('Measured and solved, place by place'));
    await userEvent.click(screen.getByRole('button', { name: /^Calibrate/ }));
    expect(await screen.findByText(/^Only 1 speeds were taken; 4 are needed/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /^Calibrate/ }));
    expect(
      await screen.findByText(
        'Fits best at 1.50 m³/s and 1.20 times the roughness; speeds then miss by 0.08 m/s, before by 0.20 m/s.',
      ),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Keep it and solve again' }));
    expect(calls[0]![0]).toBe('keepCalibration');
    expect(await screen.findByText('it was not taken')).toBeInTheDocument();
  });
  it('a beat that can be sharpened offers it, one too large says so', async () => {
    const sharpen = jest.fn();
    show(<CalibrationPanel />, { sharp: 'possible' }, { sharpen });
    await userEvent.click(screen.getByRole('button', { name: 'Sharpen to 0.1 m' }));
    expect(sharpen).toHaveBeenCalled();
    show(<CalibrationPanel />, { sharp: 'no' });
    expect(screen.getByText(/Too large to be sharpened/)).toBeInTheDocument();
  });
});

describe('over the water', () => {
  const layers = { pieces: true, seams: true, foam: true, leaves: true, measured: false };
  const camera = { scale: 24, leftM: 0, topM: 8 };
  const draw = (stone?: { x: number; y: number }) => {
    const half = flowOf((x) => ({ depth: 0.4, u: x < 10 ? -0.5 : -0.95 }), {
      nx: 80,
      ny: 30,
      cellM: 0.25,
    });
    const { container } = render(
      <svg>
        <LabelRoom camera={camera} width={864} height={432}>
          <ReadingLayer
            flow={half}
            reading={readWater(half)}
            over={layers}
            camera={camera}
            units="metric"
          />
          {stone && <RoundRoom {...stone} r={14} />}
        </LabelRoom>
      </svg>,
    );
    return container;
  };
  it('each piece is named once with its depth and pace; the border between two is drawn', () => {
    const container = draw();
    const names = [...container.querySelectorAll('[data-label=piece] text:first-of-type')].map(
      (e) => e.textContent,
    );
    expect(names.sort()).toEqual(['riffle', 'run']);
    expect(container.textContent).toContain('0.40 m, rush');
    const border = container.querySelector('.pieceLine')!.getAttribute('d')!;
    expect(border).toContain('L24');
  });
  it('a name gives way to a stone that lies where it would stand', () => {
    const at = (c: Element) =>
      [...c.querySelectorAll('[data-label=piece] text')].find((e) => e.textContent === 'riffle')!;
    const free = at(draw());
    const stone = { x: Number(free.getAttribute('x')), y: Number(free.getAttribute('y')) };
    expect(at(draw(stone)).getAttribute('y')).not.toBe(free.getAttribute('y'));
  });
  it('leaves carry their time', () => {
    expect(draw().textContent).toMatch(/10 s/);
  });
});
