'use client';

import { chakra } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';

const Picture = chakra('img');

/** A beat's water as it was solved, in the light of the page; until then its banks as told. */
export function BeatPicture({ id, children }: { id: string; children: ReactNode }) {
  const [missing, setMissing] = useState(false);
  if (missing) return <>{children}</>;
  const shared = {
    alt: '',
    loading: 'lazy',
    width: '100%',
    maxHeight: '150px',
    objectFit: 'contain',
    // An image that failed before the page was alive told nobody: it has no size.
    ref: (img: HTMLImageElement | null) => {
      if (img?.complete && img.naturalWidth === 0 && img.offsetParent !== null) setMissing(true);
    },
    onError: () => setMissing(true),
  } as const;
  return (
    <>
      <Picture
        {...shared}
        src={`/api/v1/beats/${id}/picture`}
        display={{ base: 'block', _dark: 'none' }}
      />
      <Picture
        {...shared}
        src={`/api/v1/beats/${id}/picture?theme=dim`}
        display={{ base: 'none', _dark: 'block' }}
      />
    </>
  );
}
