/** How this program can be reached; null while it is not served by its own server. */
export interface DoorSaid {
  secure: boolean;
  /** Whole addresses, the best one for a phone first. */
  addresses: string[];
  /** SHA-256 of the authority, "AB:CD:…"; null without TLS. */
  fingerprint: string | null;
  authorityPem: string | null;
}

const KEY = Symbol.for('pebble-lane.door');
type Held = typeof globalThis & { [KEY]?: DoorSaid };

/** The server says how it is reached; pages, built apart from it, read it here. */
export function sayDoor(door: DoorSaid): void {
  (globalThis as Held)[KEY] = door;
}
export const doorSaid = (): DoorSaid | null => (globalThis as Held)[KEY] ?? null;
