'use client';

import { ChakraProvider } from '@chakra-ui/react';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ThemeProvider } from 'next-themes';
import { useServerInsertedHTML } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { system } from './system';

/** Emotion under Turbopack needs its own registry, or the server's styles do not match the client's. */
function useEmotionRegistry(nonce: string | undefined) {
  const [registry] = useState(() => {
    const cache = createCache({ key: 'css', ...(nonce !== undefined && { nonce }) });
    cache.compat = true;
    const insert = cache.insert;
    let inserted: string[] = [];
    cache.insert = (...args) => {
      const serialized = args[1];
      if (cache.inserted[serialized.name] === undefined) inserted.push(serialized.name);
      return insert(...args);
    };
    const flush = () => {
      const names = inserted;
      inserted = [];
      return names;
    };
    return { cache, flush };
  });
  useServerInsertedHTML(() => {
    const names = registry.flush();
    if (names.length === 0) return null;
    const css = names.map((n) => registry.cache.inserted[n]).join('');
    return (
      <style
        nonce={nonce}
        data-emotion={`css ${names.join(' ')}`}
        dangerouslySetInnerHTML={{ __html: css }}
      />
    );
  });
  return registry.cache;
}

/** `nonce`: what lets this answer's own styles and scripts in. */
export function Provider({ nonce, children }: { nonce?: string | undefined; children: ReactNode }) {
  const cache = useEmotionRegistry(nonce);
  return (
    <CacheProvider value={cache}>
      <ChakraProvider value={system}>
        <ThemeProvider
          attribute="class"
          // A dark system opens in dusk light until it is told otherwise.
          defaultTheme="system"
          enableSystem
          disableTransitionOnChange
          {...(nonce !== undefined && { nonce })}
        >
          {children}
        </ThemeProvider>
      </ChakraProvider>
    </CacheProvider>
  );
}
