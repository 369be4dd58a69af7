import { ChakraProvider } from '@chakra-ui/react';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createTangentPlane } from '../../core/formats/index';
import type { TakenLines } from '../../core/lines/index';
import { bookApi } from '../../sync/book-api';
import { system } from '../../ui/system';
import { LinesPanel } from './lines-panel';

const push = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ push }) }));

const plane = createTangentPlane({ lat: 46, lon: 8 }, 90);
const line = (name: string, yM: number) => ({
  name,
  at: [0, 10, 20, 30].map((xM) => plane.toLonLat({ xM, yM })),
});
const place = (name: string, xM: number, depthM: number | null) => ({
  name,
  told: '',
  at: plane.toLonLat({ xM, yM: 0 }),
  depthM,
  diameterM: null,
  heightM: null,
});
const taken: TakenLines = {
  lines: [line('Morning', 3), line('Evening', -3)],
  points: [place('Big rock', 10, null), place('0.5 m', 20, 0.5), place('Hut', 900, null)],
  left: ['2 heights are left.'],
};
const shown = (units: 'metric' | 'us' = 'metric') =>
  render(
    <ChakraProvider value={system}>
      <LinesPanel
        taken={taken}
        fileName="walk.gpx"
        streamName="Thrum"
        units={units}
        onLeave={() => {}}
      />
    </ChakraProvider>,
  );
const choose = (label: string, use: string) =>
  userEvent.selectOptions(screen.getByLabelText(label), use);

it('asks which line is which bank; the other way round the water runs the other way', async () => {
  shown();
  expect(screen.getByText(/No line is the left bank yet/)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Begin a survey with it' })).toBeDisabled();
  // Looking east the northern line is left: then the water runs east, and up-current is west.
  await choose('Line A is', 'left');
  await choose('Line B is', 'right');
  expect(screen.getByText(/A beat of 30\.0 m, looking up-current 270° from north/)).toBeVisible();
  await choose('Line A is', 'right');
  await choose('Line B is', 'left');
  expect(screen.getByText(/looking up-current 90° from north/)).toBeVisible();
  expect(screen.getByRole('img', { name: /2 lines and 3 places of the file/ })).toBeVisible();
});

it('says what it takes and what it leaves, in feet where those are wanted', async () => {
  shown('us');
  await choose('Line A is', 'left');
  await choose('Line B is', 'right');
  const told = screen
    .getAllByRole('status')
    .map((s) => s.textContent)
    .join(' ');
  expect(told).toContain('A beat of 98.4 ft');
  expect(told).toContain('1 stone.');
  expect(told).toContain('1 sounding.');
  expect(told).toContain('2 heights are left.');
  expect(told).toContain('1 place is left, as you said.');
  await choose('Hut is', 'tree');
  expect(screen.getByText('"Hut" is left: it lies off the beat.')).toBeVisible();
});

it('a survey is begun with it only when that is pressed', async () => {
  const saved = jest.spyOn(bookApi, 'saveDraft').mockResolvedValue({ ok: true, value: null });
  shown();
  await choose('Line A is', 'left');
  await choose('Line B is', 'right');
  expect(saved).not.toHaveBeenCalled();
  await userEvent.click(screen.getByRole('button', { name: 'Begin a survey with it' }));
  const [id, draft] = saved.mock.calls[0]!;
  expect(draft).toMatchObject({ kind: 'survey', streamName: 'Thrum', beatId: null });
  expect((draft.body as { plan: { name: string; features: unknown[] } }).plan).toMatchObject({
    name: 'walk',
    fallTold: false,
    features: [{ kind: 'bank' }, { kind: 'bank' }, { kind: 'boulder' }, { kind: 'sounding' }],
  });
  expect(push).toHaveBeenCalledWith(`/make/survey/${id}`);
  const table = screen.getByRole('table', { name: 'Lines of the file' });
  expect(within(table).getAllByRole('row')).toHaveLength(2);
});
