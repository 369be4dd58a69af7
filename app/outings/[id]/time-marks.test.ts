import fc from 'fast-check';
import { timeMarks } from './time-marks';

const H = 3_600_000;

it('a morning has its hours, a day every second or third, a week its days', () => {
  expect(timeMarks(0, 5 * H).marks).toEqual([0, 1, 2, 3, 4, 5].map((h) => h * H));
  expect(timeMarks(H / 2, 20 * H).marks[0]).toBe(2 * H);
  expect(timeMarks(0, 7 * 24 * H)).toMatchObject({ days: true });
});

it('never more than fourteen, whatever the clocks said (seeded)', () => {
  const ms = fc.integer({ min: 0, max: 4e12 });
  fc.assert(
    fc.property(ms, ms, (a, b) => {
      const { marks } = timeMarks(Math.min(a, b), Math.max(a, b));
      expect(marks.length).toBeLessThanOrEqual(14);
      expect(marks.every((m) => m >= Math.min(a, b) && m <= Math.max(a, b))).toBe(true);
    }),
    { numRuns: 500, seed: 3 },
  );
});
