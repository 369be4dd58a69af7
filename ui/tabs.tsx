'use client';

import { Tabs as ChakraTabs } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** A few pages behind tabs; arrow keys go through the tabs. A page is made when it is first opened. */
export function Tabs<T extends string>({
  label,
  value,
  pages,
  onChange,
}: {
  label: string;
  value: T;
  pages: readonly (readonly [value: T, name: string, page: ReactNode])[];
  onChange: (value: T) => void;
}) {
  return (
    <ChakraTabs.Root
      value={value}
      onValueChange={(e) => onChange(e.value as T)}
      lazyMount
      unmountOnExit
    >
      <ChakraTabs.List aria-label={label}>
        {pages.map(([v, name]) => (
          <ChakraTabs.Trigger key={v} value={v}>
            {name}
          </ChakraTabs.Trigger>
        ))}
      </ChakraTabs.List>
      {pages.map(([v, , page]) => (
        <ChakraTabs.Content key={v} value={v} tabIndex={-1}>
          {page}
        </ChakraTabs.Content>
      ))}
    </ChakraTabs.Root>
  );
}
