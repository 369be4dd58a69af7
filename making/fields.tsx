'use client';

import { useId } from 'react';
import { FigureField } from '../ui/figure-field';
import { TextInput } from '../ui/input';
import { Select } from '../ui/select';
import {
  convert,
  formatDepth,
  formatLength,
  lengthUnit,
  parseFigure,
  parseLengthM,
  tempUnit,
  type UnitSystem,
} from '../core/units/index';
import css from './making.module.css';

interface Range {
  min: number;
  max: number;
}

/** A length or depth in the angler's units; kept in metres. */
export function LengthField({
  label,
  valueM,
  range,
  units,
  onKeep,
  depth = false,
}: {
  label: string;
  valueM: number;
  range: Range;
  units: UnitSystem;
  onKeep: (m: number) => void;
  depth?: boolean;
}) {
  const id = useId();
  const shown = depth ? formatDepth(valueM, units) : formatLength(valueM, units, 2);
  return (
    <FigureField
      id={id}
      label={label}
      unit={depth && units === 'us' ? 'ft, in' : lengthUnit(units)}
      value={depth && units === 'us' ? shown : shown.replace(/ (m|ft)$/, '')}
      parse={(text) => parseLengthM(text, units, { what: label, ...range })}
      onKeep={onKeep}
    />
  );
}

/** A plain figure in a unit that has no second system here: seconds, degrees, per cent. */
export function PlainField({
  label,
  unit,
  value,
  range,
  digits = 1,
  onKeep,
}: {
  label: string;
  unit: string;
  value: number;
  range: Range;
  digits?: number;
  onKeep: (value: number) => void;
}) {
  const id = useId();
  return (
    <FigureField
      id={id}
      label={label}
      unit={unit}
      value={Number.isFinite(value) ? String(Number(value.toFixed(digits))) : ''}
      parse={(text) => parseFigure(text, { what: label, unit, ...range })}
      onKeep={onKeep}
    />
  );
}

/** A discharge in m3/s or cfs; kept in m3/s. */
export function DischargeField({
  label,
  valueM3s,
  units,
  onKeep,
}: {
  label: string;
  valueM3s: number;
  units: UnitSystem;
  onKeep: (m3s: number) => void;
}) {
  const us = units === 'us';
  const perUnit = convert.m3sToCfs(1);
  return (
    <PlainField
      label={label}
      unit={us ? 'cfs' : 'm³/s'}
      value={us ? valueM3s * perUnit : valueM3s}
      digits={us ? 1 : 3}
      range={us ? { min: 0.1, max: 7000 } : { min: 0.001, max: 200 }}
      onKeep={(v) => onKeep(us ? v / perUnit : v)}
    />
  );
}

/** A speed in m/s or ft/s; kept in m/s. Up to 5 m/s: no stream that is waded runs faster. */
export function SpeedField({
  label,
  valueMps,
  units,
  onKeep,
}: {
  label: string;
  valueMps: number;
  units: UnitSystem;
  onKeep: (mps: number) => void;
}) {
  const us = units === 'us';
  return (
    <PlainField
      label={label}
      unit={us ? 'ft/s' : 'm/s'}
      value={us ? convert.mToFt(valueMps) : valueMps}
      digits={2}
      range={us ? { min: -16.4, max: 16.4 } : { min: -5, max: 5 }}
      onKeep={(v) => onKeep(us ? convert.ftToM(v) : v)}
    />
  );
}

/** A water temperature in the angler's units; kept in Celsius. */
export function TempField({
  label,
  valueC,
  range,
  units,
  onKeep,
}: {
  label: string;
  valueC: number;
  range: Range;
  units: UnitSystem;
  onKeep: (c: number) => void;
}) {
  const us = units === 'us';
  const shown = us ? convert.cToF : (c: number) => c;
  return (
    <PlainField
      label={label}
      unit={tempUnit(units)}
      value={shown(valueC)}
      range={{ min: shown(range.min), max: shown(range.max) }}
      onKeep={(v) => onKeep(us ? convert.fToC(v) : v)}
    />
  );
}

/** One of several words. */
export function PickField<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [value: T, word: string])[];
  onChange: (value: T) => void;
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id}>{label}</label>
      <Select id={id} value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map(([v, word]) => (
          <option key={v} value={v}>
            {word}
          </option>
        ))}
      </Select>
    </div>
  );
}

/** Words of the angler's own: kept when the field is left. */
export function WordsField({
  label,
  value,
  max,
  onKeep,
}: {
  label: string;
  value: string;
  max: number;
  onKeep: (text: string) => void;
}) {
  const id = useId();
  return (
    <div className={css.words}>
      <label htmlFor={id}>{label}</label>
      <TextInput
        voice="figure"
        id={id}
        key={value}
        defaultValue={value}
        maxLength={max}
        onBlur={(e) => e.target.value !== value && onKeep(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') e.currentTarget.blur();
          if (e.key === 'Escape') e.currentTarget.value = value;
        }}
      />
    </div>
  );
}
