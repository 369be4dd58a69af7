import { clockText, dayText } from '../core/units/index';
import { dayAndHour, dayWords, dayWordsFrom, momentWords, offsetName } from './dates';

const JUNE = Date.UTC(2026, 5, 13, 7, 40);

it('says the day and the hour of the zone that is asked for', () => {
  expect(dayWords(JUNE, 'UTC')).toBe('Sat 13 June');
  expect(dayAndHour(JUNE, 'Europe/Paris')).toBe('Sat 13 June 2026, 9:40');
  expect(dayWords(Date.UTC(2026, 5, 13, 23, 30), 'Europe/Paris')).toBe('Sun 14 June');
});

it('over the change of the clocks it is the clock on the wall', () => {
  // 29 March 2026, 1:00 UTC: two becomes three.
  expect(dayAndHour(Date.UTC(2026, 2, 29, 0, 59), 'Europe/Paris')).toMatch(/1:59$/);
  expect(dayAndHour(Date.UTC(2026, 2, 29, 1, 1), 'Europe/Paris')).toMatch(/3:01$/);
});

it('a moment kept with its offset is told by the clock of that day', () => {
  expect(momentWords(JUNE, 120)).toBe('13 June, 9:40');
  expect(momentWords(JUNE, -210)).toBe('13 June, 4:10');
  expect([offsetName(0), offsetName(120), offsetName(-210)]).toEqual([
    '+00:00',
    '+02:00',
    '-03:30',
  ]);
});

it('another year is said, by the clock of the place: at its turn too', () => {
  const turn = Date.UTC(2025, 11, 31, 23, 30);
  expect(dayWordsFrom(JUNE, JUNE)).toBe(dayWords(JUNE));
  expect(dayWordsFrom(JUNE, turn)).toBe('Wed 31 December 2025');
  expect(dayWordsFrom(JUNE, turn, 'Europe/Paris')).toBe('Thu 1 January');
});

it('agrees with the kernel, which knows no package, on a year of days', () => {
  for (let day = 0; day < 365; day++) {
    const ms = JUNE + day * 86_400_000;
    expect(dayWords(ms, 'Europe/Paris')).toBe(dayText(ms, 'Europe/Paris'));
    expect(dayAndHour(ms, 'Europe/Paris').split(', ')[1]).toBe(clockText(ms, 'Europe/Paris'));
  }
});
