'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

/** A part that comes just after the page, in one more request: its room is kept, so that nothing jumps. */
export const later = <P,>(load: () => Promise<ComponentType<P>>, heightPx = 0) =>
  dynamic<P>(load as () => Promise<ComponentType<P>>, {
    ssr: false,
    loading: () => <div aria-hidden="true" style={{ minHeight: heightPx }} />,
  });
