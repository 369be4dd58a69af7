'use client';

import { useSyncExternalStore } from 'react';
import { useTheme } from 'next-themes';
import type { Theme } from '../ui/tokens';

const never = () => () => {};

/**
 * The theme by our names. The server does not know it: the first drawing in the browser is the
 * server's, so that colours set as attributes are put right after it.
 */
export function useThemeName(): Theme {
  const { resolvedTheme } = useTheme();
  const inBrowser = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return inBrowser && resolvedTheme === 'dark' ? 'dim' : 'light';
}
