'use client';

import { DataList } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** Names and their figures: each on a line, or a few side by side with the figure large. */
export function Facts({ beside = false, children }: { beside?: boolean; children: ReactNode }) {
  return (
    <DataList.Root orientation={beside ? 'vertical' : 'horizontal'} data-part="facts">
      {children}
    </DataList.Root>
  );
}

/** One of them. */
export function DescriptionRow({ name, children }: { name: string; children: ReactNode }) {
  return (
    <DataList.Item>
      <DataList.ItemLabel>{name}</DataList.ItemLabel>
      <DataList.ItemValue>{children}</DataList.ItemValue>
    </DataList.Item>
  );
}
