import ICAL from 'ical.js';
import { createRandom } from '../grid/index';
import { writeIcal, type CalendarEvent } from './write-ical';

const MADE = Date.parse('2026-06-12T19:00:00Z');
const event = (more: Partial<CalendarEvent> = {}): CalendarEvent => ({
  uid: 'day-2026-06-13-a@pebble-lane',
  startMs: Date.parse('2026-06-13T04:15:00Z'),
  endMs: Date.parse('2026-06-13T06:10:00Z'),
  summary: 'Withy Bend',
  ...more,
});

/** As an independent reader has it (ical.js). */
function readBack(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text));
  return calendar.getAllSubcomponents('vevent').map((c) => {
    const e = new ICAL.Event(c);
    return {
      uid: e.uid,
      startMs: e.startDate.toJSDate().getTime(),
      endMs: e.endDate.toJSDate().getTime(),
      summary: e.summary,
      description: e.description,
      trigger: c.getFirstSubcomponent('valarm')?.getFirstPropertyValue('trigger')?.toString(),
    };
  });
}

describe('iCalendar (RFC 5545), read back by ical.js', () => {
  it('events come back as they were', () => {
    const told = event({
      description: 'Leave by 11:20; heat, for the fish first.\nWay 25 min',
      alarmMin: 15,
    });
    expect(readBack(writeIcal('Sat', [told, event({ uid: 'b' })], MADE))).toMatchObject([
      {
        uid: told.uid,
        startMs: told.startMs,
        endMs: told.endMs,
        summary: told.summary,
        description: told.description,
        trigger: '-PT15M',
      },
      { uid: 'b' },
    ]);
  });
  it('any text survives, and no line is longer than 75 octets', () => {
    const random = createRandom(7);
    const letters = [...'abc ,;:\\"\nÄßøł°鱒🎣→'];
    for (let i = 0; i < 200; i++) {
      const text = `x${Array.from({ length: 1 + Math.floor(160 * random()) }, () => letters[Math.floor(letters.length * random())]).join('')}x`;
      const written = writeIcal(
        'n',
        [event({ description: text, summary: text.replaceAll('\n', ' ') })],
        MADE,
      );
      for (const line of written.split('\r\n'))
        expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
      expect(written.replaceAll('\r\n', '')).not.toContain('\n');
      expect(readBack(written)[0]!.description).toBe(text);
    }
  });
  it('what ends before it begins is refused', () => {
    expect(() => writeIcal('n', [event({ endMs: 0 })], MADE)).toThrow('Withy Bend ends at 0');
  });
});
