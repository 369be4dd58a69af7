'use client';

import { useEffect, useState } from 'react';
import { lastPlace, type LastPlace } from '@/sync/last-place';
import { ButtonLink } from '@/ui/button-link';
import css from './start.module.css';

/** What was done last, to go on with: this device's last beat, and the last outing of the book. */
export function GoOn({
  outing,
  beatIds,
}: {
  outing: { words: string; href: string } | null;
  /** What can still be opened. */
  beatIds: readonly string[];
}) {
  const [place, setPlace] = useState<LastPlace | null>(null);
  useEffect(() => {
    const last = lastPlace();
    setPlace(last && beatIds.includes(last.beatId) ? last : null);
  }, [beatIds]);
  if (!outing && !place) return null;
  return (
    <section aria-label="Where you left off">
      <h2>Where you left off</h2>
      <div className={css.goOn}>
        {place && (
          <p>
            <ButtonLink href={place.address} prefetch={false}>
              {place.name}, {place.step}
            </ButtonLink>
          </p>
        )}
        {outing && (
          <p>
            <ButtonLink href={outing.href} prefetch={false}>
              The last outing
            </ButtonLink>{' '}
            {outing.words}
          </p>
        )}
      </div>
    </section>
  );
}
