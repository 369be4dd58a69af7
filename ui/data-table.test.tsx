import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { DataTable, type TableColumn, type TableSort } from './data-table';
import { showPart } from './fixtures/show-part';

interface Lie {
  id: string;
  kind: string;
  depthM: number | null;
}
const LIES: readonly Lie[] = [
  { id: 'a', kind: 'Seam', depthM: 0.5 },
  { id: 'b', kind: 'Plunge', depthM: null },
  { id: 'c', kind: 'Margin', depthM: 0.2 },
];
const COLUMNS: readonly TableColumn<Lie>[] = [
  { id: 'kind', name: 'Kind', value: (l) => l.kind, cell: (l) => l.kind },
  {
    id: 'depth',
    name: 'Depth',
    value: (l) => l.depthM,
    largestFirst: true,
    cell: (l) => l.depthM ?? 'none',
  },
  { id: 'at', name: 'At', value: (l) => l.id, cell: () => null, hidden: true },
  { id: 'press', name: 'press', cell: (l) => <button type="button">{`take ${l.id}`}</button> },
];

function Table({ from }: { from: TableSort }) {
  const [sort, setSort] = useState(from);
  return (
    <DataTable
      label="Lies"
      columns={COLUMNS}
      rows={LIES}
      rowKey={(l) => l.id}
      sort={sort}
      onSort={setSort}
      chosen={(l) => l.id === 'c'}
    />
  );
}

const kinds = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getAllByRole('cell')[0]!.textContent);
const head = (name: string) => screen.getByRole('columnheader', { name });

it('sorts both ways by a head, says which way, and puts what is unknown last either way', async () => {
  showPart(<Table from={{ id: 'kind', desc: false }} />);
  expect(kinds()).toEqual(['Margin', 'Plunge', 'Seam']);
  expect(head('Kind')).toHaveAttribute('aria-sort', 'ascending');
  await userEvent.click(screen.getByRole('button', { name: 'Kind' }));
  expect(kinds()).toEqual(['Seam', 'Plunge', 'Margin']);
  expect(head('Kind')).toHaveAttribute('aria-sort', 'descending');
  await userEvent.click(screen.getByRole('button', { name: 'Depth' }));
  expect(kinds()).toEqual(['Seam', 'Margin', 'Plunge']);
  expect([head('Depth'), head('Kind')].map((h) => h.getAttribute('aria-sort'))).toEqual([
    'descending',
    'none',
  ]);
  await userEvent.click(screen.getByRole('button', { name: 'Depth' }));
  expect(kinds()).toEqual(['Margin', 'Seam', 'Plunge']);
});

it('a column may sort and not be shown; one that sorts nothing has no button; the chosen row is marked', () => {
  showPart(<Table from={{ id: 'at', desc: true }} />);
  expect(kinds()).toEqual(['Margin', 'Plunge', 'Seam']);
  expect(screen.queryByText('At')).toBeNull();
  expect(within(head('press')).queryByRole('button')).toBeNull();
  expect(screen.getByText('Margin').closest('tr')).toHaveAttribute('data-chosen');
});
