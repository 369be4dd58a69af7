'use client';

import { SPECIES } from '@/core/fish/index';
import { BED_MATERIALS } from '@/core/formats/index';
import { QUICK_COLOURS, type QuickAnswers } from '@/core/lies/index';
import {
  formatDepth,
  formatLength,
  formatTemp,
  lengthUnit,
  parseLengthM,
  parseTempC,
  tempUnit,
  type UnitSystem,
} from '@/core/units/index';
import { Check } from '@/ui/check';
import { Choice } from '@/ui/choice';
import { Disclosure } from '@/ui/disclosure';
import { FigureField } from '@/ui/figure-field';
import { TextInput } from '@/ui/input';
import { Select } from '@/ui/select';
import { SEEN_WORDS } from '@/words/lie-words';
import { SPECIES_NAMES } from '@/words/words';
import css from './read.module.css';

const SEASONS = ['winter', 'spring', 'summer', 'autumn'] as const;

/** What is told below the fold: temperature, colour, bottom, species, a note. */
export function MoreTold({
  told,
  tell,
  units,
  note,
  onNote,
}: {
  told: QuickAnswers;
  tell: (change: Partial<QuickAnswers>) => void;
  units: UnitSystem;
  note: string;
  onNote: (note: string) => void;
}) {
  return (
    <div className={css.told}>
      <FigureField
        id="quick-temp"
        label="Water"
        unit={tempUnit(units)}
        value={formatTemp(told.waterTempC, units).replace(/ \S+$/, '')}
        parse={(text) => parseTempC(text, units)}
        onKeep={(waterTempC) => tell({ waterTempC })}
      />
      <Choice
        label="Colour of the water"
        value={told.colour}
        options={QUICK_COLOURS.map((c) => [c, c] as const)}
        onChange={(colour) => tell({ colour })}
      />
      <p className={css.seen}>{SEEN_WORDS[told.colour]}</p>
      <Choice
        label="Season"
        value={told.season ?? 'spring'}
        options={SEASONS.map((s) => [s, s] as const)}
        onChange={(season) => tell({ season })}
      />
      <Check
        checked={Boolean(told.deeper)}
        onChange={(yes) => tell({ deeper: yes ? { depthM: 0.8, offM: 1.5 } : null })}
      >
        Deeper water a step away
      </Check>
      {told.deeper && (
        <div className={css.deeper}>
          <FigureField
            id="deeper-depth"
            label="How deep"
            unit={units === 'us' ? 'ft, in' : lengthUnit(units)}
            value={formatDepth(told.deeper.depthM, units).replace(/ (m|cm)$/, '')}
            parse={(text) => parseLengthM(text, units, { what: 'How deep', min: 0.02, max: 3 })}
            onKeep={(depthM) => tell({ deeper: { ...told.deeper!, depthM } })}
          />
          <FigureField
            id="deeper-off"
            label="How far off"
            unit={lengthUnit(units)}
            value={formatLength(told.deeper.offM, units, 1).replace(/ (m|ft)$/, '')}
            parse={(text) => parseLengthM(text, units, { what: 'How far off', min: 0, max: 10 })}
            onKeep={(offM) => tell({ deeper: { ...told.deeper!, offM } })}
          />
        </div>
      )}
      <Disclosure title="Bottom, fish">
        <label className={css.bottom}>
          Bottom{' '}
          <Select
            value={told.bottom}
            onChange={(e) => tell({ bottom: e.target.value as QuickAnswers['bottom'] })}
          >
            {BED_MATERIALS.map((m) => (
              <option key={m} value={m}>
                {m.replace('-', ' ')}
              </option>
            ))}
          </Select>
        </label>
        <Choice
          label="Species"
          value={told.species}
          options={SPECIES.map((s) => [s, SPECIES_NAMES[s]] as const)}
          onChange={(species) => tell({ species })}
        />
      </Disclosure>
      <label className={css.noteField}>
        Note{' '}
        <TextInput
          voice="words"
          value={note}
          maxLength={200}
          onChange={(e) => onNote(e.target.value)}
        />
      </label>
    </div>
  );
}
