const KEY = 'pebble-last-place';

/** Where this device last was: a beat, in a step, with all that the address holds. */
export interface LastPlace {
  beatId: string;
  name: string;
  step: string;
  address: string;
}

/** Kept on this device only; a device that keeps nothing remembers nothing. */
export function keepLastPlace(place: LastPlace): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(place));
  } catch {
    // A convenience: without room for it the start page says less.
  }
}

export function lastPlace(): LastPlace | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<LastPlace> | null;
    return kept?.beatId && kept.name && kept.step && kept.address?.startsWith('/b/')
      ? (kept as LastPlace)
      : null;
  } catch {
    return null;
  }
}
