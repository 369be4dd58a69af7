'use client';

import { useSyncExternalStore } from 'react';

/** One thumb's paper: narrow, or a phone on its side. The same in the style sheets. */
const PHONE = '(max-width: 699px), (max-height: 499px)';

const query = () => window.matchMedia(PHONE);

/** Whether there is a phone's room only; on the server, and in the first picture, a desk's. */
export const usePhone = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const media = query();
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => query().matches,
    () => false,
  );
