'use client';

import { useMemo, useState } from 'react';
import type { Reading } from '@/core/log/index';
import { clockText, type UnitSystem } from '@/core/units/index';
import { DataTable, type TableColumn, type TableSort } from '@/ui/data-table';
import { readingWords } from '@/words/try-words';

/** What was read, in order. */
export function ReadingsTable({
  readings,
  timeZone,
  units,
}: {
  readings: readonly Reading[];
  timeZone: string;
  units: UnitSystem;
}) {
  const [sort, setSort] = useState<TableSort>({ id: 'when', desc: false });
  const columns = useMemo<readonly TableColumn<Reading>[]>(
    () => [
      {
        id: 'when',
        name: 'When',
        value: (r) => r.takenMs,
        cell: (r) => clockText(r.takenMs, timeZone),
      },
      {
        id: 'read',
        name: 'Read',
        value: (r) => readingWords(r, units),
        cell: (r) => <span data-wide="">{readingWords(r, units)}</span>,
      },
      { id: 'source', name: 'From', value: (r) => r.source, cell: (r) => r.source },
    ],
    [timeZone, units],
  );
  return (
    <DataTable
      label="Readings"
      columns={columns}
      rows={readings}
      rowKey={(r) => r.id}
      sort={sort}
      onSort={setSort}
    />
  );
}
