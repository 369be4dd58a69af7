'use client';

import { useState } from 'react';
import { Trash2 } from 'lucide-react';
import type { Station } from '../../core/formats/index';
import { dischargeMidSection } from '../../core/water/index';
import { formatDischarge, lengthUnit, type UnitSystem } from '../../core/units/index';
import { Button } from '../../ui/button';
import { DataTable, type TableColumn, type TableSort } from '../../ui/data-table';
import { LengthField, SpeedField } from '../fields';
import { panelWarning } from '../levels-panel';
import { stationsFromCsv } from './csv';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';
import { FileDrop } from '../../ui/file-drop';

/** The stations of one tape: offset, depth, and speed where it was taken; with what they carry. */
export function StationsTable({
  stations,
  units,
  onChange,
}: {
  stations: readonly Station[];
  units: UnitSystem;
  onChange: (stations: Station[]) => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [sort, setSort] = useState<TableSort>({ id: 'along', desc: false });
  const put = (i: number, change: Partial<Station>) => {
    const next = stations.map((s, n) => (n === i ? { ...s, ...change } : s));
    const bad = next.findIndex((s, n) => n > 0 && s.offsetM <= next[n - 1]!.offsetM);
    if (bad > 0) {
      setProblem(
        `Station ${bad + 1}: offset is ${next[bad]!.offsetM} m; it must be more than ${next[bad - 1]!.offsetM} m, the one before.`,
      );
      return;
    }
    setProblem(null);
    onChange(next);
  };
  const take = async (file: File) => {
    const { good, problems } = stationsFromCsv(await file.text());
    setProblem(problems.length > 0 ? problems.join(' ') : null);
    if (good.length >= 2) onChange(good);
  };
  const rows = stations.map((s, i) => ({ s, i }));
  const columns: readonly TableColumn<(typeof rows)[number]>[] = [
    {
      id: 'along',
      name: `along, ${lengthUnit(units)}`,
      value: ({ s }) => s.offsetM,
      cell: ({ s, i }) => (
        <LengthField
          label={`Station ${i + 1}, along the tape`}
          valueM={s.offsetM}
          range={{ min: 0, max: 100 }}
          units={units}
          onKeep={(offsetM) => put(i, { offsetM })}
        />
      ),
    },
    {
      id: 'depth',
      name: 'depth',
      value: ({ s }) => s.depthM,
      largestFirst: true,
      cell: ({ s, i }) => (
        <LengthField
          label={`Station ${i + 1}, depth`}
          valueM={s.depthM}
          range={{ min: 0, max: 6 }}
          units={units}
          depth
          onKeep={(depthM) => put(i, { depthM })}
        />
      ),
    },
    {
      id: 'speed',
      name: `speed, ${units === 'us' ? 'ft/s' : 'm/s'}`,
      value: ({ s }) => s.speedMps ?? null,
      largestFirst: true,
      cell: ({ s, i }) =>
        s.speedMps === undefined ? (
          <Button voice="plain" onClick={() => put(i, { speedMps: 0 })}>
            add speed
          </Button>
        ) : (
          <SpeedField
            label={`Station ${i + 1}, speed`}
            valueMps={s.speedMps}
            units={units}
            onKeep={(speedMps) => put(i, { speedMps })}
          />
        ),
    },
    {
      id: 'out',
      name: 'take out',
      cell: ({ i }) => (
        <Button
          voice="icon"
          disabled={stations.length <= 2}
          aria-label={`Take station ${i + 1} out`}
          onClick={() => onChange(stations.filter((_, n) => n !== i))}
        >
          <Trash2 size={15} aria-hidden="true" />
        </Button>
      ),
    },
  ];
  const last = stations[stations.length - 1];
  const speeds = stations.filter((s) => s.speedMps !== undefined).length;
  const q =
    stations.length >= 3 && speeds >= 2
      ? dischargeMidSection(stations.map((s) => ({ ...s, speedMps: s.speedMps ?? 0 })))
      : null;
  return (
    <div className={css.stations}>
      <DataTable
        label="Stations along the tape"
        columns={columns}
        rows={rows}
        rowKey={({ i }) => String(i)}
        sort={sort}
        onSort={setSort}
      />
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
      <p className={panel.row}>
        <Button
          onClick={() =>
            onChange([
              ...stations,
              {
                offsetM: Number(((last?.offsetM ?? 0) + 0.5).toFixed(2)),
                depthM: last?.depthM ?? 0.3,
              },
            ])
          }
        >
          Next station
        </Button>
      </p>
      <FileDrop
        label="Stations from a CSV with offset, depth, speed"
        accept=".csv,text/csv,text/plain"
        onFile={(file) => void take(file)}
      />
      {q && (
        <p role="status">
          These carry {formatDischarge(q.dischargeM3s, units)} through {q.areaM2.toFixed(2)} m².{' '}
          {q.quality !== 'good' && panelWarning(q)}
        </p>
      )}
    </div>
  );
}
