import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

/**
 * A part that nobody needs on opening a beat: fetched once the page stands, or when it is first drawn;
 * `Waiting` stands there meanwhile.
 */
export function lazy<P>(load: () => Promise<ComponentType<P>>, Waiting?: ComponentType) {
  LATER.push(load);
  // With a boundary of its own: else the whole page would make way until the part is there.
  return dynamic(load, { loading: (Waiting ?? Nothing) as never }) as ComponentType<P>;
}
const Nothing = () => null;
const LATER: (() => Promise<unknown>)[] = [];

/** Fetches every lazy part: the network may be gone by the time a step is chosen. */
export function fetchLater(): void {
  for (const load of LATER) load().catch(() => {});
}
