'use client';

import { useState } from 'react';
import { object, string } from 'yup';
import { simulatedInstruments } from '../core/day/index';
import { ofOuting, WIND_FROM, type Reading } from '../core/log/index';
import { SKIES } from '../core/sight/index';
import {
  atHour,
  clockText,
  lengthUnit,
  parseLengthM,
  parseTempC,
  tempUnit,
  type UnitSystem,
} from '../core/units/index';
import { Button } from '../ui/button';
import { FileTried } from '../ui/file-tried';
import { FormText, useSchemaForm } from '../ui/schema-form';
import { readingWords, SIGHT_WORDS, SKY_WORDS, WIND_WORDS } from '../words/try-words';
import { loggerFromCsv } from '../words/logger-csv';
import { beatNow } from './heat-now';
import { keptWords, type OutingShared } from './shared';
import css from './outing.module.css';

/** What an angler calls the wind, m/s (Beaufort 1 to 5, middle of each). */
const WIND_MPS = [
  ['calm', 0],
  ['light', 1.5],
  ['leaves move', 4],
  ['twigs move', 7],
  ['boughs move', 11],
] as const;

/** Water and weather as read: typed, pressed, from a logger's file, or from the simulated instruments. */
export function ReadingsView(shared: OutingShared) {
  const { view, outing, actions, now } = shared;
  const units = view.bank?.settings.units ?? 'metric';
  const zone = outing?.timeZone;
  const { readings } = outing ? ofOuting(view.log, outing.id) : { readings: [] };
  const [said, setSaid] = useState('');
  const keep = async (told: readonly Partial<Reading>[]) => {
    const kept = await actions.read(told, beatNow(view, outing));
    return kept
      ? `Kept on this phone: ${told.length === 1 ? 'one reading' : `${told.length} readings`}.`
      : 'Not kept: this phone is full. Press again.';
  };
  const press = async (told: readonly Partial<Reading>[]) => setSaid(await keep(told));
  const tryOut = async (file: File) => {
    const read = loggerFromCsv(await file.text(), zone);
    const what = read.lines.map((l) => ({ ...l, source: 'logger' as const }));
    return { what, taken: what.length, left: read.problems };
  };
  const simulate = () => {
    const all = simulatedInstruments(atHour(now, 0, zone), now);
    const known = new Set(readings.filter((r) => r.source !== 'typed').map((r) => r.takenMs));
    const fresh = all.filter((l) => !known.has(l.takenMs));
    if (fresh.length === 0) setSaid('Nothing new from the simulated instruments.');
    else void press(fresh.map((l) => ({ ...l, source: 'gauge' as const, note: 'simulated' })));
  };
  return (
    <main className={css.page}>
      <header className={css.tryHead}>
        <h1>Readings</h1>
        <a href="#/now">To the outing</a>
      </header>
      <Typed units={units} onKeep={(r) => void press([r])} />
      <Pressed
        label="Colour"
        options={SIGHT_WORDS.map(([, word, ntu]) => [word, { turbidityNtu: ntu }] as const)}
        onKeep={(r) => void press([r])}
      />
      <Pressed
        label="Sky"
        options={SKIES.map((sky) => [SKY_WORDS[sky], { sky }] as const)}
        onKeep={(r) => void press([r])}
      />
      <Pressed
        label="Wind"
        options={WIND_MPS.map(([word, windMps]) => [word, { windMps }] as const)}
        onKeep={(r) => void press([r])}
      />
      <Pressed
        label="Wind from"
        options={WIND_FROM.filter((w) => w !== 'unknown').map(
          (windFrom) => [WIND_WORDS[windFrom], { windFrom }] as const,
        )}
        onKeep={(r) => void press([r])}
      />
      <div className={css.instruments}>
        <FileTried
          label="A logger’s file (CSV: time, water_c, level_m)"
          accept=".csv,text/csv"
          words={['reading', 'readings']}
          read={tryOut}
          onTake={keep}
        />
        <Button onClick={simulate}>From the simulated logger and gauge</Button>
      </div>
      <p role="status">{said}</p>
      <h2>Today</h2>
      {readings.length === 0 && <p>Nothing was read yet. Water first: it says when to stop.</p>}
      <ul className={css.list}>
        {[...readings]
          .sort((a, b) => b.takenMs - a.takenMs)
          .map((r) => (
            <li key={r.id}>
              <strong>{clockText(r.takenMs, zone)}</strong> {readingWords(r, units)}
              <Button voice="plain" onClick={() => void actions.dropReading(r.id)}>
                Take it back
              </Button>
            </li>
          ))}
      </ul>
      <p className={css.keptLine} role="status">
        {keptWords(shared)}
      </p>
    </main>
  );
}

function Typed({
  units,
  onKeep,
}: {
  units: UnitSystem;
  onKeep: (reading: Partial<Reading>) => void;
}) {
  const form = useSchemaForm(
    object({ water: string().default(''), air: string().default(''), level: string().default('') }),
    { water: '', air: '', level: '' },
  );
  const keep = (told: { water: string; air: string; level: string }) => {
    const reading: { waterTempC?: number; airTempC?: number; levelM?: number } = {};
    if (told.water.trim() !== '') {
      const read = parseTempC(told.water, units);
      if (!read.ok) return form.setError('water', { message: read.message });
      reading.waterTempC = Math.round(100 * read.value) / 100;
    }
    if (told.air.trim() !== '') {
      const read = parseTempC(told.air, units);
      if (!read.ok) return form.setError('air', { message: read.message.replace('Water', 'Air') });
      reading.airTempC = Math.round(100 * read.value) / 100;
    }
    if (told.level.trim() !== '') {
      const read = parseLengthM(told.level, units, { what: 'The level', min: -5, max: 10 });
      if (!read.ok) return form.setError('level', { message: read.message });
      reading.levelM = Math.round(1000 * read.value) / 1000;
    }
    if (Object.keys(reading).length === 0)
      return form.setError('water', { message: 'Nothing was typed: water, air or level.' });
    onKeep(reading);
    form.reset();
  };
  return (
    <form className={css.catch} onSubmit={(e) => void form.handleSubmit(keep)(e)}>
      <FormText form={form} name="water" label={`Water, ${tempUnit(units)}`} inputMode="decimal" />
      <FormText form={form} name="air" label={`Air, ${tempUnit(units)}`} inputMode="decimal" />
      <FormText
        form={form}
        name="level"
        label={`Level, ${lengthUnit(units)}`}
        inputMode="decimal"
      />
      <Button voice="solid" type="submit">
        Keep it
      </Button>
    </form>
  );
}

function Pressed({
  label,
  options,
  onKeep,
}: {
  label: string;
  options: readonly (readonly [string, Partial<Reading>])[];
  onKeep: (reading: Partial<Reading>) => void;
}) {
  return (
    <div className={css.cells} role="group" aria-label={label}>
      <span className={css.cellsName}>{label}</span>
      {options.map(([word, reading]) => (
        <Button voice="bare" key={word} onClick={() => onKeep(reading)}>
          {word}
        </Button>
      ))}
    </div>
  );
}
