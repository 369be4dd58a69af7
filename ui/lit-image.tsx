'use client';

import { chakra } from '@chakra-ui/react';

const Image = chakra('image');

/** A picture inside a drawing, in the light of the page: one file for noon, one for dusk. */
export function LitImage({
  light,
  dim,
  ...at
}: {
  light: string;
  dim: string;
  x?: number;
  y?: number;
  width: number;
  height: number;
}) {
  return (
    <>
      <Image
        {...at}
        href={light}
        preserveAspectRatio="none"
        display={{ base: 'inline', _dark: 'none' }}
      />
      <Image
        {...at}
        href={dim}
        preserveAspectRatio="none"
        display={{ base: 'none', _dark: 'inline' }}
      />
    </>
  );
}
