import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ChakraProvider } from '@chakra-ui/react';
import { system } from '../ui/system';
import { newSketch, newPiece, toldNow, type Sketch } from '../core/water/index';
import { readBeat, type BeatPlan, type Level } from '../core/formats/index';
import { TANSY_GLIDE_FILE } from '../demo/data/tansy-glide';
import { LevelsPanel } from './levels-panel';
import { PlacePanel } from './place-panel';
import { PieceList } from './sketch/piece-list';
import { StationsTable } from './survey/stations-table';

const show = (element: React.ReactElement) =>
  render(<ChakraProvider value={system}>{element}</ChakraProvider>);
const told: Sketch = {
  ...newSketch('Rill', 1.75),
  pieces: [
    toldNow(newPiece('a', 'tail', 6), { deepest: { word: 'shin' }, pace: { word: 'walk' } }),
    toldNow(newPiece('b', 'pool', 7), { deepest: { word: 'waist' }, pace: { word: 'stroll' } }),
  ],
};

describe('the list of pieces', () => {
  const list = (sketch = told, chosen: string | null = null) => {
    const onChange = jest.fn<void, [Sketch]>();
    show(
      <PieceList
        sketch={sketch}
        units="metric"
        chosen={chosen}
        problems={[]}
        onChoose={() => {}}
        onChange={onChange}
      />,
    );
    return onChange;
  };

  it('moves a piece by the arrows, and not beyond the ends', async () => {
    const onChange = list();
    expect(screen.getByRole('button', { name: 'piece 1, tail: one down-current' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'piece 1, tail: one up-current' }));
    expect(onChange.mock.calls[0]![0].pieces.map((p) => p.id)).toEqual(['b', 'a']);
  });
  it('keeps a typed width, refuses an impossible one in a sentence, gives it back on Escape', async () => {
    const onChange = list(told, 'a');
    const width = screen.getByLabelText(/^Width/);
    await userEvent.clear(width);
    await userEvent.type(width, '0{Enter}');
    expect(screen.getByText('Width "0" is out of range: 0.5 to 40 m.')).toBeInTheDocument();
    expect(onChange).not.toHaveBeenCalled();
    await userEvent.keyboard('{Escape}');
    expect(width).toHaveValue('6.00');
    await userEvent.clear(width);
    await userEvent.type(width, '7,5{Enter}');
    expect(onChange.mock.calls[0]![0].pieces[0]!.widthM).toBe(7.5);
  });
  it('takes depth in body words or by tape, pace in words or by a timed leaf', async () => {
    const onChange = list(told, 'b');
    await userEvent.click(screen.getByRole('radio', { name: 'thigh' }));
    expect(onChange.mock.calls[0]![0].pieces[1]!.deepest).toEqual({ word: 'thigh' });
    await userEvent.click(screen.getByRole('radio', { name: 'by tape' }));
    expect(onChange.mock.calls[1]![0].pieces[1]!.deepest).toEqual({ depthM: 1 });
    await userEvent.click(screen.getByRole('radio', { name: 'by float' }));
    expect(onChange.mock.calls[2]![0].pieces[1]!.pace).toEqual({ floatS: 6, overM: 3 });
  });
  it('a leaf is timed by two taps', () => {
    const clock = jest.spyOn(performance, 'now').mockReturnValue(1000);
    const float = { ...told.pieces[1]!, pace: { floatS: 6, overM: 3 } };
    const onChange = list({ ...told, pieces: [told.pieces[0]!, float] }, 'b');
    fireEvent.click(screen.getByRole('button', { name: /Time a leaf/ }));
    clock.mockReturnValue(5260);
    fireEvent.click(screen.getByRole('button', { name: /tap at the second/ }));
    clock.mockRestore();
    expect(onChange.mock.calls[0]![0].pieces[1]!.pace).toEqual({ floatS: 4.3, overM: 3 });
  });
});

describe('levels', () => {
  const plan = (readBeat(TANSY_GLIDE_FILE) as { plan: BeatPlan }).plan;
  const surveyed = plan.levels.find((l) => l.name === 'Fair')!;
  const panel = () => {
    const onChange = jest.fn<void, [Level[]]>();
    show(
      <LevelsPanel
        levels={plan.levels.filter((l) => l.name === 'Fair')}
        surveyed={surveyed}
        plan={plan}
        units="metric"
        onChange={onChange}
      />,
    );
    return onChange;
  };

  it('a section with speeds gives a discharge by the mid-section method, with its warning (ISO 748)', async () => {
    const onChange = panel();
    await userEvent.click(screen.getByRole('button', { name: /^Levels and how/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Say Full' }));
    await userEvent.selectOptions(screen.getByLabelText('Known'), 'section');
    expect(screen.getByRole('status')).toHaveTextContent('That section has no speeds.');
    await userEvent.selectOptions(screen.getByLabelText('Section'), 'at x 34.0 m');
    expect(screen.getByRole('status')).toHaveTextContent(
      /^1\.63 m³\/s\. One panel carries 18 % of it; 5 % is good and 10 % the most \(ISO 748\)/,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Take it for Full' }));
    const full = onChange.mock.calls[0]![0].find((l) => l.name === 'Full')!;
    expect(full.dischargeM3s).toBeCloseTo(1.633, 3);
    expect(full.how).toBe('mid-section method at x 34, largest panel 18 %');
  });
  it('another stage follows from the surveyed one by hydraulic geometry; itself it does not', async () => {
    const onChange = panel();
    await userEvent.click(screen.getByRole('button', { name: /^Levels and how/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Say Thin' }));
    await userEvent.selectOptions(screen.getByLabelText('Known'), 'stage');
    await userEvent.click(screen.getByRole('button', { name: 'Take it for Thin' }));
    const thin = onChange.mock.calls[0]![0].find((l) => l.name === 'Thin')!;
    expect(thin.dischargeM3s).toBeCloseTo(1.52 * (0.3 / 0.4) ** 2.5, 3);
    await userEvent.click(screen.getByRole('button', { name: 'Say Fair' }));
    await userEvent.selectOptions(screen.getByLabelText('Known'), 'stage');
    expect(screen.getByText(/cannot be worked out from itself/)).toBeInTheDocument();
  });
});

describe('stations of a tape', () => {
  it('refuse an offset that goes back, and say what they carry', async () => {
    const onChange = jest.fn();
    show(
      <StationsTable
        stations={[
          { offsetM: 0, depthM: 0 },
          { offsetM: 2, depthM: 0.5, speedMps: 0.6 },
          { offsetM: 4, depthM: 0.5, speedMps: 0.6 },
          { offsetM: 6, depthM: 0 },
        ]}
        units="metric"
        onChange={onChange}
      />,
    );
    expect(screen.getByText(/These carry 1\.20 m³\/s through 2\.00 m²/)).toBeInTheDocument();
    const third = within(screen.getAllByRole('row')[3]!).getByLabelText(/along the tape/);
    await userEvent.clear(third);
    await userEvent.type(third, '1{Enter}');
    expect(
      screen.getByText('Station 3: offset is 1 m; it must be more than 2 m, the one before.'),
    ).toBeInTheDocument();
    expect(onChange).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole('button', { name: 'Next station' }));
    expect(onChange.mock.calls[0]![0]).toHaveLength(5);
  });
});

it('a place that is typed brings the zone of this device with it', async () => {
  const onChange = jest.fn();
  show(<PlacePanel place={{ bearingDeg: 0 }} onChange={onChange} />);
  const latitude = screen.getByLabelText(/^Latitude/);
  await userEvent.type(latitude, '95{Enter}');
  expect(
    screen.getByText('Latitude "95" is out of range: -89 to 89 °, north positive.'),
  ).toBeInTheDocument();
  await userEvent.clear(latitude);
  await userEvent.type(latitude, '47{Enter}');
  expect(onChange).toHaveBeenCalledWith({
    // The longitude is not known until it is typed: it is never taken for 0.
    anchor: { lat: 47, lon: NaN },
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  });
});
