import { ChakraProvider } from '@chakra-ui/react';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FileTried, type Tried } from './file-tried';
import { system } from './system';

const file = (name: string) => new File(['x'], name, { type: 'text/csv' });
const shown = (
  read: (f: File) => Promise<Tried<string[]> | string>,
  onTake: (what: string[]) => string = (what) => `${what.length} kept`,
) =>
  render(
    <ChakraProvider value={system}>
      <FileTried
        label="Lines (CSV)"
        accept=".csv"
        words={['line', 'lines']}
        read={read}
        onTake={onTake}
      />
    </ChakraProvider>,
  );

it('says what would be taken and what is left, and keeps nothing until that is pressed', async () => {
  const kept: string[][] = [];
  shown(
    async () => ({ what: ['a', 'b'], taken: 2, known: 1, left: ['Line 4: warm is no number.'] }),
    (what) => {
      kept.push(what);
      return `${what.length} kept`;
    },
  );
  await userEvent.upload(screen.getByLabelText('Lines (CSV)'), file('a.csv'));
  expect(
    await screen.findByText(/2 lines would be taken, 1 are here already, 1 left:/),
  ).toBeVisible();
  expect(screen.getByText('Line 4: warm is no number.')).toBeVisible();
  expect(kept).toEqual([]);
  await userEvent.click(screen.getByRole('button', { name: 'Take 2' }));
  expect(await screen.findByText('2 kept')).toBeVisible();
  expect(kept).toEqual([['a', 'b']]);
  expect(screen.queryByText('Not kept yet.')).toBeNull();
});

it('leaves it where it is told to, and offers nothing where nothing could be taken', async () => {
  shown(async (f) => ({ what: [], taken: f.name === 'one.csv' ? 1 : 0, left: [] }));
  await userEvent.upload(screen.getByLabelText('Lines (CSV)'), file('none.csv'));
  expect(await screen.findByText(/0 lines would be taken, 0 left\./)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Take 0' })).toBeDisabled();
  await userEvent.upload(screen.getByLabelText('Lines (CSV)'), file('one.csv'));
  expect(await screen.findByText(/1 line would be taken/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Leave it' }));
  await waitFor(() => expect(screen.queryByText('Not kept yet.')).toBeNull());
});

it('a file that cannot be read as a whole is said in its sentence; more than eight reasons by their number', async () => {
  shown(async (f) =>
    f.name === 'bad.csv'
      ? 'The file is empty.'
      : { what: [], taken: 0, left: Array.from({ length: 11 }, (_, n) => `Line ${n + 2}.`) },
  );
  await userEvent.upload(screen.getByLabelText('Lines (CSV)'), file('bad.csv'));
  expect(await screen.findByRole('alert')).toHaveTextContent('The file is empty.');
  await userEvent.upload(screen.getByLabelText('Lines (CSV)'), file('long.csv'));
  expect(await screen.findByText('and 3 more.')).toBeVisible();
  expect(screen.queryByRole('alert')).toBeNull();
});
