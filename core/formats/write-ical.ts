/** One thing of a calendar. Instants are UTC milliseconds. */
export interface CalendarEvent {
  /** The same for the same thing, so that a calendar that has it takes the newer one. */
  uid: string;
  startMs: number;
  endMs: number;
  summary: string;
  description?: string;
  /** Rings so long before it begins, min. */
  alarmMin?: number;
}

const OCTETS = 75;
/** Octets of a letter in UTF-8. */
const octetsOf = (letter: string) => {
  const code = letter.codePointAt(0)!;
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
};

const instant = (ms: number) => `${new Date(ms).toISOString().slice(0, 19).replace(/[-:]/g, '')}Z`;

/** Text of a property: RFC 5545, 3.3.11. What no line can hold is left out. */
const escaped = (text: string) =>
  text
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b-\u000c\u000e-\u001f\u007f]/g, '')
    .replace(/\\/g, '\\\\')
    .replace(/;/g, '\\;')
    .replace(/,/g, '\\,')
    .replace(/\r\n|\r|\n/g, '\\n');

/** Lines of no more than 75 octets, continued by a space (RFC 5545, 3.1); letters are never cut. */
function folded(line: string): string {
  const out: string[] = [];
  let now = '';
  let octets = 0;
  for (const letter of line) {
    const size = octetsOf(letter);
    if (octets + size > OCTETS) {
      out.push(now);
      now = ' ';
      octets = 1;
    }
    now += letter;
    octets += size;
  }
  return [...out, now].join('\r\n');
}

/**
 * iCalendar (RFC 5545) of events, instants in UTC. `madeMs`: when it was written. Throws RangeError where an
 * event ends before it begins.
 */
export function writeIcal(name: string, events: readonly CalendarEvent[], madeMs: number): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Pebble Lane//Day//EN',
    `NAME:${escaped(name)}`,
  ];
  for (const e of events) {
    if (e.endMs < e.startMs)
      throw new RangeError(
        `writeIcal: ${e.summary} ends at ${e.endMs}, before it begins at ${e.startMs}`,
      );
    lines.push(
      'BEGIN:VEVENT',
      `UID:${escaped(e.uid)}`,
      `DTSTAMP:${instant(madeMs)}`,
      `DTSTART:${instant(e.startMs)}`,
      `DTEND:${instant(e.endMs)}`,
      `SUMMARY:${escaped(e.summary)}`,
      ...(e.description ? [`DESCRIPTION:${escaped(e.description)}`] : []),
    );
    if (e.alarmMin !== undefined)
      lines.push(
        'BEGIN:VALARM',
        'ACTION:DISPLAY',
        `DESCRIPTION:${escaped(e.summary)}`,
        `TRIGGER:-PT${Math.round(e.alarmMin)}M`,
        'END:VALARM',
      );
    lines.push('END:VEVENT');
  }
  lines.push('END:VCALENDAR');
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
