'use client';

import { chakra } from '@chakra-ui/react';

const Picture = chakra('img', {
  base: {
    width: '100%',
    // Its room is kept: nothing jumps when it comes.
    height: '140px',
    objectFit: 'contain',
    '@media (max-width: 700px)': { gridColumn: '1 / 3' },
  },
});

/** A beat's water as it was solved, in the light of the page. */
export function BeatPicture({ id }: { id: string }) {
  const src = `/api/v1/beats/${id}/picture`;
  return (
    <>
      <Picture alt="" loading="lazy" src={src} display={{ base: 'block', _dark: 'none' }} />
      <Picture
        alt=""
        loading="lazy"
        src={`${src}?theme=dim`}
        display={{ base: 'none', _dark: 'block' }}
      />
    </>
  );
}
