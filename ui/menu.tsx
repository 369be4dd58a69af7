'use client';

import { Menu as ChakraMenu, Portal } from '@chakra-ui/react';
import { Ellipsis } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from './button';

export interface MenuItem {
  id: string;
  name: ReactNode;
  /** A file that is fetched. */
  href?: string;
  onChoose?: () => void;
}

/** What is seldom done, behind one key; arrow keys go through it. */
export function Menu({ label, items }: { label: string; items: readonly MenuItem[] }) {
  return (
    <ChakraMenu.Root
      onSelect={({ value }) => items.find((item) => item.id === value)?.onChoose?.()}
      lazyMount
      unmountOnExit
    >
      <ChakraMenu.Trigger asChild>
        <Button voice="icon" aria-label={label}>
          <Ellipsis size={20} aria-hidden="true" />
        </Button>
      </ChakraMenu.Trigger>
      <Portal>
        <ChakraMenu.Positioner>
          <ChakraMenu.Content>
            {items.map(({ id, name, href }) =>
              href ? (
                <ChakraMenu.Item key={id} value={id} asChild>
                  <a href={href} download>
                    {name}
                  </a>
                </ChakraMenu.Item>
              ) : (
                <ChakraMenu.Item key={id} value={id}>
                  {name}
                </ChakraMenu.Item>
              ),
            )}
          </ChakraMenu.Content>
        </ChakraMenu.Positioner>
      </Portal>
    </ChakraMenu.Root>
  );
}
