'use client';

import { useTheme } from 'next-themes';
import { useEffect, useState } from 'react';
import { Button } from './button';

/** The theme is known in the browser only: until then the button says neither. */
export function ThemeButton() {
  const { resolvedTheme, setTheme } = useTheme();
  const [mounted, setMounted] = useState(false);
  useEffect(() => setMounted(true), []);
  const dim = resolvedTheme === 'dark';
  return (
    <Button voice="plain" onClick={() => setTheme(dim ? 'light' : 'dark')}>
      {!mounted ? 'Light' : dim ? 'Noon light' : 'Dusk light'}
    </Button>
  );
}
