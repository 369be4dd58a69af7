'use client';

import { RadioGroup } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { OVER_CELL } from './over-cell';

/** One of a few, each with its reason; arrow keys go through them. */
export function RadioCards<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [value: T, name: string, why: ReactNode])[];
  onChange: (value: T) => void;
}) {
  return (
    <RadioGroup.Root
      value={value}
      onValueChange={(e) => e.value !== null && e.value !== value && onChange(e.value as T)}
    >
      <RadioGroup.Label>{label}</RadioGroup.Label>
      {options.map(([v, name, why]) => (
        <RadioGroup.Item key={v} value={v}>
          <RadioGroup.ItemHiddenInput style={OVER_CELL} />
          <RadioGroup.ItemControl />
          <RadioGroup.ItemText>
            <strong>{name}</strong>: {why}
          </RadioGroup.ItemText>
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
