'use client';

import { SegmentGroup } from '@chakra-ui/react';
import { OVER_CELL } from './over-cell';

/** A choice of one among few, as pressed cells; arrow keys go through them. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  /** One that is no option: nothing is chosen. */
  value: T | 'untold';
  options: readonly (readonly [value: T, word: string])[];
  onChange: (value: T) => void;
}) {
  return (
    <SegmentGroup.Root
      value={value}
      onValueChange={(e) => e.value !== null && e.value !== value && onChange(e.value as T)}
      aria-label={label}
    >
      {options.map(([v, word]) => (
        <SegmentGroup.Item key={v} value={v}>
          <SegmentGroup.ItemText>{word}</SegmentGroup.ItemText>
          <SegmentGroup.ItemHiddenInput style={OVER_CELL} />
        </SegmentGroup.Item>
      ))}
    </SegmentGroup.Root>
  );
}
