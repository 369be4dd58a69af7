'use client';

import { useState } from 'react';
import { object, string } from 'yup';
import type { DayPlan } from '../../../core/day/index';
import { hourOfDay } from '../../../core/day/index';
import { TYPED_READING, withTyped, type DayBook } from '../../../core/outing/index';
import {
  clockText,
  dayText,
  civilDay,
  fromCivil,
  formatTemp,
  parseTempC,
  tempUnit,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { FileTried } from '../../../ui/file-tried';
import { FormText, useSchemaForm } from '../../../ui/schema-form';
import { Select } from '../../../ui/select';
import { PlainTable } from '../../../ui/plain-table';
import { degreesText } from '../../../words/day-words';
import { loggerFromCsv } from '../../../words/logger-csv';
import { useActions, usePart } from '../../context';
import { chosenSites } from './chosen-sites';
import { createDayActions } from './day-actions';
import css from './day-panel.module.css';

const counted = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** More lines than these are told by their number. */
const MOST_SHOWN = 6;
/** Farther from the date's noon a reading says nothing of it, ms. */
const SPEAKS_MS = 60 * 3_600_000;

/** The water as it was read: typed, a logger's file, the stand-in; each moves every curve of its stream. */
export function DayReadings({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const day = useActions(createDayActions);
  const units = usePart((s) => s.settings.units);
  const siteId = usePart((s) => s.daySiteId);
  const typedC = usePart((s) => s.settings.waterTempC);
  const typedAt = usePart((s) => s.settings.waterTempAt);
  const shownId = usePart((s) => s.dayShown) ?? siteId;
  const [said, setSaid] = useState('');
  const zone = book.timeZone ?? undefined;
  const nameOf = (id: string) => book.sites.find((s) => s.id === id)?.name ?? id;
  const all = withTyped(book, { waterTempC: typedC, waterTempAt: typedAt }, siteId).readings;
  const shown = all
    .filter((r) => Math.abs(r.atMs - book.noonMs) < SPEAKS_MS)
    .sort((a, b) => b.atMs - a.atMs)
    .slice(0, MOST_SHOWN);
  const offBy = (id: string) => {
    const r = plan.sites.flatMap((s) => s.readings).find((x) => x.id === id);
    if (!r) return '';
    const by = r.tempC - r.saidC;
    return Math.abs(by) < 0.05
      ? 'as the curve'
      : `${degreesText(by, units)} ${by < 0 ? 'under' : 'over'}`;
  };
  const tryOut = async (file: File) => {
    const read = loggerFromCsv(await file.text(), zone);
    const what = read.lines.filter((l) => l.waterTempC !== null);
    return { what, taken: what.length, left: read.problems };
  };
  const take = (water: Awaited<ReturnType<typeof tryOut>>['what']) => {
    day.takeLines(shownId, water);
    const elsewhere = water.filter((l) => civilDay(l.takenMs, zone) !== book.date).length;
    return `${counted(water.length, 'reading')} taken for ${nameOf(shownId)}${elsewhere > 0 ? `, ${elsewhere} of them of other days` : ''}.`;
  };
  return (
    <section aria-label="Readings">
      <h3>The water as read</h3>
      {shown.length > 0 ? (
        <PlainTable voice="small">
          <tbody>
            {shown.map((r) => (
              <tr key={r.id}>
                <td>
                  {civilDay(r.atMs, zone) === book.date ? '' : `${dayText(r.atMs, zone)} `}
                  {clockText(r.atMs, zone)}
                </td>
                <th scope="row">{nameOf(r.siteId)}</th>
                <td>
                  <strong>{formatTemp(r.tempC, units)}</strong>
                </td>
                <td>{offBy(r.id)}</td>
                <td>
                  <Button
                    voice="plain"
                    aria-label={`Take ${formatTemp(r.tempC, units)} of ${clockText(r.atMs, zone)} out`}
                    onClick={() => day.dropReading(r.id)}
                  >
                    {r.id === TYPED_READING ? 'Clear' : 'Out'}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </PlainTable>
      ) : (
        <p>No reading yet: type one. At dawn and at noon say most.</p>
      )}
      <TypeOne book={book} siteId={shownId} />
      <div className={css.files}>
        <FileTried
          label={`A logger’s file for ${nameOf(shownId)} (CSV: time, water_c)`}
          accept=".csv,text/csv"
          words={['reading', 'readings']}
          read={tryOut}
          onTake={take}
        />
        <Button
          onClick={() => {
            const n = day.takeSimulated(shownId);
            setSaid(
              n > 0
                ? `${n} invented readings taken for ${nameOf(shownId)}.`
                : 'Nothing new from the simulated logger: it has the day up to now.',
            );
          }}
        >
          From the simulated logger
        </Button>
      </div>
      <p role="status">{said}</p>
    </section>
  );
}

const typed = object({
  site: string().default(''),
  hour: string()
    .default('')
    .matches(
      /^([01]?\d|2[0-3]):[0-5]\d$/,
      ({ value }) => `The hour is "${value}"; it must be like 6:05 or 17:30.`,
    ),
  water: string().default(''),
});

function TypeOne({ book, siteId }: { book: DayBook; siteId: string }) {
  const day = useActions(createDayActions);
  const units = usePart((s) => s.settings.units);
  const atMs = usePart((s) => s.atMs);
  const here = usePart((s) => s.daySiteId);
  const zone = book.timeZone ?? undefined;
  const form = useSchemaForm(typed, { site: siteId, hour: clockText(atMs, zone), water: '' });
  const chosen = chosenSites(book, here);
  const keep = (told: { site: string; hour: string; water: string }) => {
    const read = parseTempC(told.water, units);
    if (!read.ok) return form.setError('water', { message: read.message });
    const ms = fromCivil(`${book.date}T${told.hour.padStart(5, '0')}`, zone);
    if (ms === null)
      return form.setError('hour', {
        message: `The hour is "${told.hour}"; it must be like 6:05.`,
      });
    // 65 °F is a limit: a tenth of a degree Celsius would blur it.
    day.read(told.site, Math.round(100 * read.value) / 100, hourOfDay(ms, book.noonMs));
    form.reset({ ...told, water: '' });
  };
  return (
    <form className={css.type} onSubmit={(e) => void form.handleSubmit(keep)(e)}>
      <Select
        aria-label="Beat that was read"
        {...form.register('site', {
          // The file, the stand-in and the flies are of the same beat.
          onChange: (e: { target: { value: string } }) => day.show(e.target.value),
        })}
      >
        {book.sites
          .filter((s) => chosen.includes(s.id) || s.id === here)
          .map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
      </Select>
      <FormText form={form} name="hour" label="Hour" />
      <FormText form={form} name="water" label={`Water, ${tempUnit(units)}`} inputMode="decimal" />
      <Button voice="solid" type="submit">
        Keep
      </Button>
    </form>
  );
}
