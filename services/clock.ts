/** The one clock. `PEBBLE_NOW` (ISO instant) fixes it for the demo, end-to-end tests and shots. */
export function nowMs(): number {
  const fixed = process.env.PEBBLE_NOW;
  if (!clockFixed() || fixed === undefined) return Date.now();
  const ms = Date.parse(fixed);
  if (Number.isNaN(ms))
    throw new Error(
      `PEBBLE_NOW is "${fixed}"; it must be an ISO instant such as 2026-06-13T07:40:00Z`,
    );
  return ms;
}

export const clockFixed = (): boolean => (process.env.PEBBLE_NOW ?? '') !== '';
