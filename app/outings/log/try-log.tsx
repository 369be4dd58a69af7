'use client';

import { useEffect, useMemo, useState } from 'react';
import { LIE_KINDS, type LieKind } from '@/core/lies/index';
import type { TryState } from '@/core/log/index';
import { formatFishLength, formatTemp, type UnitSystem } from '@/core/units/index';
import { outingsApi, type TryLogLine } from '@/sync/outings-client';
import { DataTable, type TableColumn, type TableSort } from '@/ui/data-table';
import { TextInput } from '@/ui/input';
import { Select } from '@/ui/select';
import { momentWords } from '@/words/dates';
import { END_WORDS } from '@/words/try-words';
import { inHundred, lieName } from '@/words/names';
import css from '../../start.module.css';

const ENDS = Object.keys(END_WORDS) as TryState[];
/** Until a word that is being typed is asked for, ms. */
const TYPING_MS = 150;

/** The tries of the book, asked for as the filters change. */
export function TryLog({
  beats,
  units,
}: {
  beats: readonly { id: string; name: string }[];
  units: UnitSystem;
}) {
  const [filter, setFilter] = useState({ beat: '', end: '', kind: '', fly: '' });
  const [found, setFound] = useState<{
    rows: TryLogLine[];
    count: number;
    landed: number;
  } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [sort, setSort] = useState<TableSort>({ id: 'when', desc: true });
  useEffect(() => {
    let gone = false;
    const timer = setTimeout(async () => {
      const reply = await outingsApi.tryLog(filter);
      if (gone) return;
      if (reply.ok) setFound(reply.value);
      setProblem(reply.ok ? null : reply.message);
    }, TYPING_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [filter]);
  const columns = useMemo(() => columnsIn(units), [units]);
  const choose = (
    key: keyof typeof filter,
    label: string,
    options: readonly (readonly [string, string])[],
  ) => (
    <label>
      {label}
      <Select
        value={filter[key]}
        onChange={(e) => setFilter((f) => ({ ...f, [key]: e.target.value }))}
      >
        <option value="">any</option>
        {options.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </Select>
    </label>
  );
  return (
    <>
      <div className={css.filters}>
        {choose(
          'beat',
          'Beat',
          beats.map((b) => [b.id, b.name]),
        )}
        {choose(
          'end',
          'What came of it',
          ENDS.map((e) => [e, END_WORDS[e]]),
        )}
        {choose(
          'kind',
          'Kind of lie',
          LIE_KINDS.map((k) => [k, lieName(k)]),
        )}
        <label>
          Fly
          <TextInput
            voice="words"
            value={filter.fly}
            maxLength={80}
            onChange={(e) => setFilter((f) => ({ ...f, fly: e.target.value }))}
          />
        </label>
      </div>
      {problem && <p role="alert">{problem}</p>}
      <p role="status">
        {found === null
          ? 'Asking the book.'
          : found.count === 0
            ? 'No try is left by these filters.'
            : `${found.count} ${found.count === 1 ? 'try' : 'tries'}, ${found.landed} landed${found.count > found.rows.length ? `; the newest ${found.rows.length} are listed` : ''}.`}
      </p>
      {found !== null && found.rows.length > 0 && (
        <DataTable
          label="Every try"
          columns={columns}
          rows={found.rows}
          rowKey={(r) => r.id}
          sort={sort}
          onSort={setSort}
        />
      )}
    </>
  );
}

const columnsIn = (units: UnitSystem): readonly TableColumn<TryLogLine>[] => [
  {
    id: 'when',
    name: 'When',
    value: (r) => r.openedMs,
    largestFirst: true,
    cell: (r) => <a href={`/outings/${r.outingId}`}>{momentWords(r.openedMs, r.zoneOffsetMin)}</a>,
  },
  {
    id: 'where',
    name: 'Where',
    value: (r) => r.beatName ?? '',
    cell: (r) =>
      `${r.beatName ?? 'a place'}${r.lieKind ? `, ${lieName(r.lieKind as LieKind)}` : ''}`,
  },
  {
    id: 'chance',
    name: 'A fish there, and a look',
    value: (r) => r.chance ?? -1,
    largestFirst: true,
    cell: (r) => (r.chance === null ? 'nothing' : inHundred(r.chance)),
  },
  {
    id: 'water',
    name: 'Water',
    value: (r) => r.waterTempC ?? -1,
    cell: (r) => (r.waterTempC === null ? 'not read' : formatTemp(r.waterTempC, units)),
  },
  { id: 'fly', name: 'Fly', value: (r) => r.fly, cell: (r) => r.fly || 'not named' },
  {
    id: 'casts',
    name: 'Casts',
    value: (r) => r.casts,
    largestFirst: true,
    cell: (r) => r.casts,
  },
  {
    id: 'end',
    name: 'What came of it',
    value: (r) => r.state,
    cell: (r) =>
      `${END_WORDS[r.state as TryState] ?? r.state}${r.landedCm === null ? '' : `, ${formatFishLength(r.landedCm, units)}`}`,
  },
];
