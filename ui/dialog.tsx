'use client';

import { Dialog as ChakraDialog, Portal } from '@chakra-ui/react';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from './button';

/** A sheet over the page: focus stays in it, Escape and a press beside it close it. */
export function Dialog({
  title,
  open,
  onClose,
  children,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <ChakraDialog.Root
      open={open}
      onOpenChange={(e) => !e.open && onClose()}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <ChakraDialog.Backdrop />
        <ChakraDialog.Positioner>
          <ChakraDialog.Content>
            <ChakraDialog.Header>
              <ChakraDialog.Title>{title}</ChakraDialog.Title>
              <Button voice="icon" aria-label="Close" onClick={onClose}>
                <X size={20} aria-hidden="true" />
              </Button>
            </ChakraDialog.Header>
            <ChakraDialog.Body>{children}</ChakraDialog.Body>
          </ChakraDialog.Content>
        </ChakraDialog.Positioner>
      </Portal>
    </ChakraDialog.Root>
  );
}
