/** Civil time of a beat: "2026-06-13T09:40" in its IANA zone. Without a zone, UTC. */

/** Making a format costs a tenth of a millisecond, and an hour strip asks for a hundred of them. */
const formats = new Map<string, Intl.DateTimeFormat>();
function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  });
  formats.set(timeZone, made);
  return made;
}

function partsAt(ms: number, timeZone: string): Record<string, number> {
  return Object.fromEntries(
    formatOf(timeZone)
      .formatToParts(new Date(ms))
      .filter((p) => p.type !== 'literal')
      .map((p) => [p.type, Number(p.value)]),
  );
}

/** Clocks are changed on a quarter of an hour; between two of them an offset is known. */
const QUARTER_MS = 900_000;
const MOST_OFFSETS = 4096;
const offsets = new Map<string, number>();

/** Minutes that the zone's clocks are ahead of UTC at an instant. */
export function zoneOffsetMin(ms: number, timeZone = 'UTC'): number {
  if (timeZone === 'UTC') return 0;
  const key = `${Math.floor(ms / QUARTER_MS)} ${timeZone}`;
  const known = offsets.get(key);
  if (known !== undefined) return known;
  const p = partsAt(ms, timeZone);
  const asUtc = Date.UTC(p.year!, p.month! - 1, p.day!, p.hour!, p.minute!, p.second!);
  const offset = Math.round((asUtc - Math.floor(ms / 1000) * 1000) / 60000);
  if (offsets.size >= MOST_OFFSETS) offsets.clear();
  offsets.set(key, offset);
  return offset;
}

export function toCivil(ms: number, timeZone = 'UTC'): string {
  return new Date(ms + zoneOffsetMin(ms, timeZone) * 60000).toISOString().slice(0, 16);
}

/** null when the text is no civil time. In the hour that is skipped in spring, the later one. */
export function fromCivil(text: string, timeZone = 'UTC'): number | null {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(text)) return null;
  const asUtc = Date.parse(`${text}:00Z`);
  if (Number.isNaN(asUtc)) return null;
  const first = asUtc - zoneOffsetMin(asUtc, timeZone) * 60000;
  return asUtc - zoneOffsetMin(first, timeZone) * 60000;
}

/** Hours since the day's midnight by the beat's clocks. */
export function civilHour(ms: number, timeZone = 'UTC'): number {
  const text = toCivil(ms, timeZone);
  return Number(text.slice(11, 13)) + Number(text.slice(14, 16)) / 60;
}

/** The same day at another hour. */
export function atHour(ms: number, hour: number, timeZone = 'UTC'): number {
  const minutes = Math.round(hour * 60);
  const day = toCivil(ms, timeZone).slice(0, 10);
  const clock = `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
  return fromCivil(`${day}T${clock}`, timeZone) ?? ms;
}

/** "9:40". */
export function clockText(ms: number, timeZone = 'UTC'): string {
  const text = toCivil(ms, timeZone);
  return `${Number(text.slice(11, 13))}:${text.slice(14, 16)}`;
}

/** "Sat 13 June". */
export function dayText(ms: number, timeZone = 'UTC'): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    weekday: 'short',
    day: 'numeric',
    month: 'long',
  }).format(new Date(ms));
  return parts.replace(',', '');
}

/** The civil day of an instant: "2026-06-13". */
export const civilDay = (ms: number, timeZone?: string) => toCivil(ms, timeZone).slice(0, 10);

/** "9:40" of an hour of the day as a number. */
export const atClockText = (hour: number) => {
  const minutes = Math.round(hour * 60);
  return `${Math.floor(minutes / 60) % 24}:${String(minutes % 60).padStart(2, '0')}`;
};
