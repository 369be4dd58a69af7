'use client';

import { useMemo, useState } from 'react';
import { foldTry, type Try, type TryFold } from '@/core/log/index';
import { clockText, formatFishLength, formatSeconds, type UnitSystem } from '@/core/units/index';
import { DataTable, type TableColumn, type TableSort } from '@/ui/data-table';
import { layName } from '@/words/lay-names';
import { detailWords, END_WORDS } from '@/words/try-words';
import { inHundred, lieName } from '@/words/names';

interface Row {
  attempt: Try;
  number: number;
  fold: TryFold;
}

/** Each try with what the plan had said beside what came of it. */
export function TriesTable({
  tries,
  beats,
  timeZone,
  units,
}: {
  tries: readonly { attempt: Try; number: number }[];
  beats: readonly { id: string; name: string }[];
  timeZone: string;
  units: UnitSystem;
}) {
  const [sort, setSort] = useState<TableSort>({ id: 'number', desc: false });
  const rows = useMemo(
    () => tries.map((t): Row => ({ ...t, fold: foldTry(t.attempt.fly, t.attempt.events) })),
    [tries],
  );
  const columns = useMemo<readonly TableColumn<Row>[]>(
    () => [
      { id: 'number', name: 'No.', value: (r) => r.number, cell: (r) => r.number },
      {
        id: 'when',
        name: 'When',
        value: (r) => r.attempt.openedMs,
        cell: (r) => clockText(r.attempt.openedMs, timeZone),
      },
      {
        id: 'where',
        name: 'Where',
        value: (r) => r.attempt.beatId ?? '',
        cell: (r) => {
          const { target } = r.attempt.snapshot;
          const beat = beats.find((b) => b.id === r.attempt.beatId)?.name ?? 'a place';
          return `${beat}${target?.kind ? `, ${lieName(target.kind)}` : r.attempt.markId ? ', a fish seen' : ''}`;
        },
      },
      {
        id: 'said',
        name: 'The plan had said',
        value: (r) => r.attempt.snapshot.predicted.chance?.value ?? -1,
        largestFirst: true,
        cell: (r) => {
          const { predicted, cast } = r.attempt.snapshot;
          const parts = [
            predicted.chance ? inHundred(predicted.chance.value) : '',
            cast ? layName(cast.lay).toLowerCase() : '',
            predicted.cleanS ? `clean ${formatSeconds(predicted.cleanS.best)}` : '',
          ].filter((p) => p !== '');
          return parts.length > 0 ? parts.join(', ') : 'nothing';
        },
      },
      {
        id: 'casts',
        name: 'Casts',
        value: (r) => r.fold.casts,
        largestFirst: true,
        cell: (r) => r.fold.casts,
      },
      {
        id: 'end',
        name: 'What came of it',
        value: (r) => END_WORDS[r.fold.state],
        cell: (r) => {
          const last = r.fold.timeline.filter((t) => !t.undone).at(-1)?.event;
          const more = last ? detailWords(last, units) : '';
          const length =
            r.fold.landedCm !== null ? `, ${formatFishLength(r.fold.landedCm, units)}` : '';
          return (
            <span data-wide="">
              {END_WORDS[r.fold.state]}
              {more !== '' && r.fold.state === 'landed' ? `, ${more}` : length}
            </span>
          );
        },
      },
    ],
    [beats, timeZone, units],
  );
  return (
    <DataTable
      label="Tries"
      columns={columns}
      rows={rows}
      rowKey={(r) => r.attempt.id}
      sort={sort}
      onSort={setSort}
    />
  );
}
