'use client';

import { Collapsible } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** Opens on demand: the inputs behind a figure. */
export function Disclosure({
  title,
  children,
  open,
}: {
  title: ReactNode;
  children: ReactNode;
  /** Open from the start. */
  open?: boolean;
}) {
  return (
    <Collapsible.Root defaultOpen={open ?? false}>
      <Collapsible.Trigger>{title}</Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
