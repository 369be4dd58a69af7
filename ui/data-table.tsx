'use client';

import { Table, VisuallyHidden } from '@chakra-ui/react';
import {
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import { Button } from './button';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
});

export interface TableColumn<R> {
  id: string;
  name: string;
  /** What rows are sorted by; absent: it sorts nothing, and only readers are told its name. null goes last. */
  value?: (row: R) => number | string | null;
  cell: (row: R) => ReactNode;
  /** Pressed for the first time it sorts the largest first. */
  largestFirst?: boolean;
  /** Sorts, and is not shown. */
  hidden?: boolean;
}

export interface TableSort {
  id: string;
  desc: boolean;
}

/** Rows under heads; a head that sorts is pressed once for one way, again for the other, and says which. */
export function DataTable<R>({
  label,
  columns,
  rows,
  rowKey,
  sort,
  onSort,
  chosen,
}: {
  label: string;
  columns: readonly TableColumn<R>[];
  rows: readonly R[];
  rowKey: (row: R) => string;
  sort: TableSort | null;
  onSort?: (sort: TableSort) => void;
  chosen?: (row: R) => boolean;
}) {
  const defs = useMemo(
    () =>
      columns.map((c): ColumnDef<typeof features, { row: R }> => ({
        id: c.id,
        header: c.name,
        accessorFn: ({ row }) => c.value?.(row) ?? undefined,
        enableSorting: c.value !== undefined,
        sortDescFirst: c.largestFirst ?? false,
        sortUndefined: 'last',
        sortFn: (a, b, id) => {
          const [x, y] = [a.getValue(id), b.getValue(id)];
          return typeof x === 'string' && typeof y === 'string'
            ? x.localeCompare(y)
            : Number(x) - Number(y);
        },
      })),
    [columns],
  );
  const data = useMemo(() => rows.map((row) => ({ row })), [rows]);
  const sorting = useMemo(() => (sort ? [sort] : []), [sort]);
  const table = useTable({
    features,
    columns: defs,
    data,
    getRowId: ({ row }) => rowKey(row),
    enableSortingRemoval: false,
    state: { sorting },
    onSortingChange: (change) => {
      const next = (typeof change === 'function' ? change(sorting) : change)[0];
      if (next) onSort?.(next);
    },
  });
  // Cells are drawn here, not as components of the table's: what is typed or focused in one stays when
  // the columns are made anew.
  const byId = new Map(columns.map((c) => [c.id, c]));
  const hidden = new Set(columns.filter((c) => c.hidden).map((c) => c.id));
  return (
    <Table.Root aria-label={label}>
      <Table.Header>
        {table.getHeaderGroups().map((group) => (
          <Table.Row key={group.id}>
            {group.headers
              .filter((h) => !hidden.has(h.column.id))
              .map((h) => (
                <Table.ColumnHeader
                  key={h.id}
                  scope="col"
                  aria-sort={ariaSort(h.column.getIsSorted())}
                >
                  {h.column.getCanSort() ? (
                    <Button voice="head" onClick={() => h.column.toggleSorting()}>
                      <table.FlexRender header={h} />
                      <Sorted way={h.column.getIsSorted()} />
                    </Button>
                  ) : (
                    <VisuallyHidden>
                      <table.FlexRender header={h} />
                    </VisuallyHidden>
                  )}
                </Table.ColumnHeader>
              ))}
          </Table.Row>
        ))}
      </Table.Header>
      <Table.Body>
        {table.getRowModel().rows.map((row) => (
          <Table.Row key={row.id} data-chosen={chosen?.(row.original.row) ? '' : undefined}>
            {row
              .getAllCells()
              .filter((cell) => !hidden.has(cell.column.id))
              .map((cell) => (
                <Table.Cell key={cell.id}>
                  {byId.get(cell.column.id)!.cell(row.original.row)}
                </Table.Cell>
              ))}
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}

const ariaSort = (way: false | 'asc' | 'desc') =>
  way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : 'none';

function Sorted({ way }: { way: false | 'asc' | 'desc' }) {
  if (!way) return null;
  const Arrow = way === 'asc' ? ArrowUp : ArrowDown;
  return <Arrow size={13} aria-hidden="true" />;
}
