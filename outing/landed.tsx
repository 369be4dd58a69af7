'use client';

import { useState } from 'react';
import { object, string } from 'yup';
import {
  relativeWeight,
  SPECIES,
  standardWeightG,
  weightFromGirthG,
  type Species,
} from '../core/fish/index';
import { HOOKED_IN, standing, type Try, type TryEvent } from '../core/log/index';
import { fishLengthUnit, parseFigure, parseFishLengthCm } from '../core/units/index';
import { Button } from '../ui/button';
import { FileDrop } from '../ui/file-drop';
import { FormText, useSchemaForm } from '../ui/schema-form';
import { fishLengthText } from '../words/form-schemas';
import { G_PER_OZ, HOOKED_IN_WORDS, weightWords } from '../words/try-words';
import { SPECIES_NAMES } from '../words/words';
import type { OutingShared } from './shared';
import css from './outing.module.css';

/** 95 to 105 is a fish in good order (common practice). */
const GOOD = [95, 105] as const;

/** The landed fish: kept already; all of this is as one likes. */
export function Landed({
  landing,
  onSay,
  shared,
}: {
  attempt: Try;
  landing: TryEvent;
  onSay: (detail: Partial<TryEvent>) => void;
  shared: OutingShared;
}) {
  const settings = shared.view.bank?.settings;
  const units = settings?.units ?? 'metric';
  const species: Species = landing.species ?? settings?.species ?? 'brown';
  const weight = weightOf(landing, species);
  const form = useSchemaForm(
    object({
      length: fishLengthText(units),
      girth: string().default(''),
      weight: string().default(''),
    }),
    { length: '', girth: '', weight: '' },
  );
  const keep = ({
    length,
    girth,
    weight: weighed,
  }: {
    length: string;
    girth: string;
    weight: string;
  }) => {
    const said: Partial<TryEvent> = {};
    const l = parseFishLengthCm(length, units);
    if (l.ok) said.lengthCm = tenth(l.value);
    if (girth.trim() !== '') {
      const g = parseFishLengthCm(girth, units);
      if (!g.ok) return form.setError('girth', { message: g.message.replace('Length', 'Girth') });
      said.girthCm = tenth(g.value);
    }
    if (weighed.trim() !== '') {
      const w = parseFigure(weighed, {
        what: 'Weight',
        unit: units === 'us' ? 'oz' : 'g',
        min: 1,
        max: units === 'us' ? 640 : 18_000,
      });
      if (!w.ok) return form.setError('weight', { message: w.message });
      said.weightG = Math.round(units === 'us' ? w.value * G_PER_OZ : w.value);
    }
    onSay({ ...said, species });
  };
  return (
    <section className={css.landed}>
      <h2>Landed, and kept in the log.</h2>
      {landing.lengthCm !== undefined ? (
        <p>
          {weight && (
            <>
              <strong>{weightWords(weight.g, units)}</strong> {weight.how}
              {weight.relative !== null && (
                <>
                  ; {Math.round(weight.relative)} % of the standard weight
                  {weight.relative < GOOD[0] ? ', lean' : weight.relative > GOOD[1] ? ', fat' : ''}
                </>
              )}
              .{' '}
            </>
          )}
        </p>
      ) : (
        <form onSubmit={(e) => void form.handleSubmit(keep)(e)} className={css.catch}>
          <FormText
            form={form}
            name="length"
            label={`Length, ${fishLengthUnit(units)}`}
            inputMode="decimal"
          />
          <FormText
            form={form}
            name="girth"
            label={`Girth, ${fishLengthUnit(units)}`}
            inputMode="decimal"
          />
          <FormText
            form={form}
            name="weight"
            label={`Weighed, ${units === 'us' ? 'oz' : 'g'}`}
            inputMode="decimal"
          />
          <Button voice="solid" type="submit">
            Keep it
          </Button>
        </form>
      )}
      <Cells
        label="Which trout"
        options={SPECIES.map((s) => [s, SPECIES_NAMES[s]] as const)}
        chosen={landing.species ?? null}
        onChoose={(s) => onSay({ species: s })}
      />
      <Cells
        label="Hooked in"
        options={HOOKED_IN.map((h) => [h, HOOKED_IN_WORDS[h]] as const)}
        chosen={landing.hookedIn ?? null}
        onChoose={(hookedIn) => onSay({ hookedIn })}
      />
      <Cells
        label="Out of the water"
        options={[
          [0, 'not at all'],
          [5, '5 s'],
          [15, '15 s'],
          [30, '30 s'],
        ]}
        chosen={landing.outOfWaterS ?? null}
        onChoose={(outOfWaterS) => onSay({ outOfWaterS })}
      />
      <Fate landing={landing} onSay={onSay} shared={shared} />
      <Photograph landing={landing} onSay={onSay} actions={shared.actions} />
    </section>
  );
}

const tenth = (v: number) => Math.round(10 * v) / 10;

/** As weighed, else by girth, else by the standard of its kind; and against that standard. */
function weightOf(
  { lengthCm, girthCm, weightG }: TryEvent,
  species: Species,
): { g: number; how: string; relative: number | null } | null {
  if (lengthCm === undefined) return null;
  const standard = standardWeightG(species, 10 * lengthCm);
  const g = weightG ?? (girthCm !== undefined ? weightFromGirthG(lengthCm, girthCm) : null);
  if (g === null) return { g: standard, how: 'by the standard of its length', relative: null };
  return {
    g,
    how: weightG !== undefined ? 'weighed' : 'by its girth',
    relative: relativeWeight(species, 10 * lengthCm, g),
  };
}

function Cells<T extends string | number>({
  label,
  options,
  chosen,
  onChoose,
}: {
  label: string;
  options: readonly (readonly [T, string])[];
  chosen: T | null;
  onChoose: (value: T) => void;
}) {
  return (
    <div className={css.cells} role="group" aria-label={label}>
      <span className={css.cellsName}>{label}</span>
      {options.map(([value, word]) => (
        <Button
          voice="bare"
          key={value}
          aria-pressed={chosen === value}
          onClick={() => onChoose(value)}
        >
          {word}
        </Button>
      ))}
    </div>
  );
}

/** Back, or home where local rules allow it, against the angler's own limit. */
function Fate({
  landing,
  onSay,
  shared,
}: {
  landing: TryEvent;
  onSay: (detail: Partial<TryEvent>) => void;
  shared: OutingShared;
}) {
  const limit = shared.view.bank?.settings.keepLimit ?? 0;
  const kept = shared.tries
    .flatMap(standing)
    .filter(({ event }) => event.kept === true && event.id !== landing.id).length;
  if (limit === 0)
    return (
      <p className={css.small}>
        It goes back. Who keeps fish where local rules allow it enters a limit under Settings.
      </p>
    );
  return (
    <>
      <Cells
        label={`Kept today ${kept} of ${limit}`}
        options={[
          ['back', 'it goes back'],
          ...(kept < limit || landing.kept ? [['home', 'kept'] as const] : []),
        ]}
        chosen={landing.kept === undefined ? null : landing.kept ? 'home' : 'back'}
        onChoose={(f) => onSay({ kept: f === 'home' })}
      />
      <p className={css.small}>
        {kept >= limit && !landing.kept ? 'Your limit is reached. ' : ''}Local rules decide, not
        this count.
      </p>
    </>
  );
}

/** A photograph waits in line like every press. */
function Photograph({
  landing,
  onSay,
  actions,
}: {
  landing: TryEvent;
  onSay: (detail: Partial<TryEvent>) => void;
  actions: OutingShared['actions'];
}) {
  const [said, setSaid] = useState('');
  const take = async (file: File) => {
    const { id, kept } = await actions.photograph(file);
    if (!kept) {
      setSaid('Not kept: this phone is full. The picture stays among the phone’s own.');
      return;
    }
    onSay({ photoId: id });
    setSaid('');
  };
  return (
    <div className={css.photo}>
      {landing.photoId ? (
        'A photograph is kept with it.'
      ) : (
        <FileDrop
          label="Photograph, wet hands, fish in the net"
          accept="image/*"
          onFile={(file) => void take(file)}
        />
      )}
      <span role="status">{said}</span>
    </div>
  );
}
