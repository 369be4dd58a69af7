/** Whether a name is a time zone that clocks here know: "Europe/Paris", "UTC". */
export function isTimeZone(name: unknown): boolean {
  if (typeof name !== 'string') return false;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
