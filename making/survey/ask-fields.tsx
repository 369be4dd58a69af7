'use client';

import type { UnitSystem } from '../../core/units/index';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { LengthField, PickField, PlainField, SpeedField, WordsField } from '../fields';
import type { Ask } from './tools';
import css from '../making.module.css';

/** Fields for what a tool asks. An optional figure that is not known can be left out. */
export function AskFields({
  asks,
  values,
  units,
  onChange,
}: {
  asks: readonly Ask[];
  values: Record<string, unknown>;
  units: UnitSystem;
  onChange: (field: string, value: unknown) => void;
}) {
  return (
    <div className={css.pair}>
      {asks.map((ask) => (
        <AskField
          key={ask.field}
          ask={ask}
          value={values[ask.field]}
          units={units}
          onChange={onChange}
        />
      ))}
    </div>
  );
}

function AskField({
  ask,
  value,
  units,
  onChange,
}: {
  ask: Ask;
  value: unknown;
  units: UnitSystem;
  onChange: (field: string, value: unknown) => void;
}) {
  const keep = (v: unknown) => onChange(ask.field, v);
  if ('optional' in ask && ask.optional && value === undefined) {
    return (
      <Button onClick={() => keep(ask.kind === 'speed' ? 0.5 : ask.kind === 'plain' ? 8 : 0.5)}>
        {ask.label}: add
      </Button>
    );
  }
  switch (ask.kind) {
    case 'length':
    case 'depth':
      return (
        <LengthField
          label={ask.label}
          valueM={value as number}
          range={ask}
          units={units}
          depth={ask.kind === 'depth'}
          onKeep={keep}
        />
      );
    case 'speed':
      return (
        <SpeedField label={ask.label} valueMps={value as number} units={units} onKeep={keep} />
      );
    case 'plain':
      return (
        <PlainField
          label={ask.label}
          unit={ask.unit}
          value={value as number}
          range={ask}
          onKeep={keep}
        />
      );
    case 'text':
      return <WordsField label={ask.label} value={String(value ?? '')} max={500} onKeep={keep} />;
    case 'word': {
      const options = ask.words.map((w) => [w, w.replace('-', ' ')] as const);
      return ask.words.length <= 3 ? (
        <div>
          <span className={css.askedName}>{ask.label}</span>
          <Choice
            label={ask.label}
            value={String(value ?? ask.words[0])}
            options={options}
            onChange={keep}
          />
        </div>
      ) : (
        <PickField
          label={ask.label}
          value={String(value ?? ask.words[0])}
          options={options}
          onChange={keep}
        />
      );
    }
  }
}
