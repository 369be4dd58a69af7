'use client';

import { useTheme } from 'next-themes';
import type { Theme } from '../ui/tokens';

/** The theme by our names. */
export function useThemeName(): Theme {
  const { resolvedTheme } = useTheme();
  return resolvedTheme === 'dark' ? 'dim' : 'light';
}
