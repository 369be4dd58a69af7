import { clientId } from './client-id';

const KEY = 'pebble-lane.device';

/**
 * Who saw an event: the device, and which load of a page on it. Two pages of one device that know
 * nothing of one another's presses then never claim the same number of a try.
 */
export function eventSource(): string {
  source ??= `${deviceId().slice(0, 8)}.${clientId().slice(0, 8)}`;
  return source;
}
let source: string | null = null;

function deviceId(): string {
  try {
    const kept = window.localStorage.getItem(KEY);
    if (kept !== null) return kept;
    const made = clientId();
    window.localStorage.setItem(KEY, made);
    return made;
  } catch {
    // A private page: known by its load alone.
    return clientId();
  }
}
