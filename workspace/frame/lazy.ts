import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

/** A part that nobody needs on opening a beat: fetched once the page stands, or when it is first drawn. */
export function lazy<P>(load: () => Promise<ComponentType<P>>) {
  LATER.push(load);
  return dynamic(load) as ComponentType<P>;
}
const LATER: (() => Promise<unknown>)[] = [];

/** Fetches every lazy part: the network may be gone by the time a step is chosen. */
export function fetchLater(): void {
  for (const load of LATER) load().catch(() => {});
}
