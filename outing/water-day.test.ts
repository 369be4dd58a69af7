import { DEFAULT_SETTINGS, readingSaying } from '../core/log/index';
import { dayBook } from '../core/outing/fixtures/day-book';
import { heatAt } from '../core/day/heat';
import { waterDay } from './water-day';

const at = (clock: string) => Date.parse(`2026-06-13T${clock}:00+02:00`);
const settings = { ...DEFAULT_SETTINGS, waterTempC: null };
const reading = (id: string, clock: string, waterTempC: number, beatId: string | null = 'low') =>
  readingSaying({ id, outingId: 'o', beatId, takenMs: at(clock), zoneOffsetMin: 120, waterTempC });
const NOW = at('14:00');
const day = (readings: Parameters<typeof waterDay>[2], nowMs = NOW) =>
  waterDay(dayBook(), settings, readings, 'low', nowMs)!;
const rule = { school: 'kinder', species: 'brown', legalC: null } as const;

describe('the water on the bank', () => {
  it('is fitted anew with each reading that this phone knows, also one that names no beat', () => {
    const none = day([]);
    expect(none.site.isRead).toBe(false);
    const one = day([reading('a', '07:00', 10)]);
    const two = day([reading('a', '07:00', 10), reading('b', '12:00', 16, null)]);
    expect(one.site.isRead).toBe(true);
    expect(two.tempC).toBeGreaterThan(one.tempC + 0.5);
    expect(two.site.readings.map((r) => r.id)).toEqual(['a', 'b']);
    expect(two.nowH).toBe(14);
  });
  it('a reading elsewhere on the stream comes over by its height', () => {
    const high = day([reading('a', '12:00', 13, 'high')]);
    expect(high.tempC).toBeGreaterThan(13.3);
    expect(high.site.readings).toEqual([]);
  });
  it('a fresh thermometer is believed before the curve, a reading at the limit until the next', () => {
    const read = reading('a', '13:50', 15);
    const fresh = day([read]);
    const told = { read, tempC: 15, heat: heatAt(15, rule) };
    expect(fresh.instead(told, NOW)).toBeNull();
    expect(fresh.instead(told, at('15:00'))).toMatchObject({ byCurve: true });
    const over = reading('b', '13:00', 18.6);
    const hot = day([over], at('15:30'));
    expect(hot.stop.strong).toBe('Over since 13:00');
    const said = { read: over, tempC: 18.6, heat: heatAt(18.6, rule) };
    expect(hot.instead(said, at('15:30'))).toMatchObject({ heat: { kind: 'stop' } });
    expect(hot.instead(said, at('15:30'))!.tempC).toBeGreaterThanOrEqual(18.6);
    // At night the curve is well under it; until somebody reads it again, it is over.
    const night = day([over], at('23:30'));
    expect(night.tempC).toBeLessThan(18);
    expect(night.instead(said, at('23:30'))!.tempC).toBe(18.6);
  });
  it('the next day is another day; a beat that was not in the book has none', () => {
    const next = day([reading('a', '07:00', 10)], NOW + 86_400_000);
    expect(next.nowH).toBe(14);
    expect(next.site.readings).toEqual([]);
    expect(next.site.isRead).toBe(true);
    expect(waterDay(dayBook(), settings, [], 'elsewhere', NOW)).toBeNull();
    expect(waterDay(undefined, settings, [], 'low', NOW)).toBeNull();
  });
});
