'use client';

import { Progress } from '@chakra-ui/react';

/** How far long work has got, 0-1. */
export function ProgressBar({ label, share }: { label: string; share: number }) {
  return (
    <Progress.Root value={Math.round(100 * share)} aria-label={label}>
      <Progress.Track aria-label={label}>
        <Progress.Range />
      </Progress.Track>
    </Progress.Root>
  );
}
