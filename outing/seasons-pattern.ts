import { seasonOfMonth } from '../core/lies/season-of-month';
import type { PatternPrior, Settings } from '../core/log/index';

/** Where fish were found before in the season of this day, as the record tells it. */
export const seasonsPattern = (
  settings: Pick<Settings, 'priors'> | undefined,
  ms: number,
): PatternPrior | undefined => settings?.priors?.depth[seasonOfMonth(new Date(ms).getMonth() + 1)];
