'use client';

import { Checkbox, type HTMLChakraProps } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { OVER_CELL } from './over-cell';

/** One thing on or off. */
export function Check({
  checked,
  onChange,
  children,
  ...props
}: Omit<HTMLChakraProps<'label'>, 'onChange'> & {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <Checkbox.Root
      checked={checked}
      onCheckedChange={(e) => onChange(e.checked === true)}
      {...(props as object)}
    >
      <Checkbox.HiddenInput style={OVER_CELL} />
      <Checkbox.Control />
      <Checkbox.Label>{children}</Checkbox.Label>
    </Checkbox.Root>
  );
}
