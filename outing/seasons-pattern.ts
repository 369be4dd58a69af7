import { seasonOfMonth } from '../core/lies/season-of-month';
import type { PatternPrior, Settings } from '../core/log/index';
import type { DayBook } from '../core/outing/index';

/** Where fish were found before in the season of this day, as the record tells it. */
export const seasonsPattern = (
  settings: Pick<Settings, 'priors'> | undefined,
  ms: number,
  day: DayBook | undefined,
): PatternPrior | undefined =>
  settings?.priors?.depth[seasonOfMonth(new Date(ms).getMonth() + 1, isSouth(day))];

/** Whether the waters of the book lie south of the equator, where anybody has placed one. */
const isSouth = (day: DayBook | undefined): boolean =>
  (day?.sites.find((s) => s.place)?.place?.latDeg ?? 0) < 0;
