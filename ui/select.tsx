'use client';

import { NativeSelect, type HTMLChakraProps } from '@chakra-ui/react';

/** One of many, from a list. */
export function Select({ children, ...props }: HTMLChakraProps<'select'>) {
  return (
    <NativeSelect.Root>
      <NativeSelect.Field {...(props as object)}>{children}</NativeSelect.Field>
    </NativeSelect.Root>
  );
}
