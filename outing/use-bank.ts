'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { OPENING, type BankView } from '../sync/bank';
import { bankClockMs, pageBank } from '../sync/page-bank';

const onNothing = () => () => {};

/** The outing as this device holds it. */
export function useBank(): BankView {
  const [there, setThere] = useState(false);
  useEffect(() => setThere(true), []);
  return useSyncExternalStore(
    there ? pageBank().subscribe : onNothing,
    there ? pageBank().get : () => OPENING,
    () => OPENING,
  );
}

/** The hour, looked at again so often; 0 until the page stands. */
export function useNow(everyMs: number): number {
  const [ticks, setTicks] = useState(0);
  useEffect(() => {
    setTicks(1);
    const timer = setInterval(() => setTicks((n) => n + 1), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  // Read anew each time: which clock goes is known only once the book was opened.
  return ticks === 0 ? 0 : bankClockMs();
}

/** Where in the outing one is: the part of the address behind "#/". */
export const placeInOuting = (): string => window.location.hash.replace(/^#\/?/, '') || 'now';
export function usePlaceInOuting(): string {
  return useSyncExternalStore(
    (listener) => {
      window.addEventListener('hashchange', listener);
      return () => window.removeEventListener('hashchange', listener);
    },
    placeInOuting,
    () => 'now',
  );
}
export const goTo = (place: string): void => {
  window.location.hash = `/${place}`;
};
