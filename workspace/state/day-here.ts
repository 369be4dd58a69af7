import { tempAtHour } from '../../core/day/hour-temp';
import type { SitePlan } from '../../core/day/index';
import { atClockText } from '../../core/units/index';
import { valueOf } from './answer';
import type { WorkspaceState } from './state';

const HOUR_MS = 3_600_000;

/** The day's water at this beat, and the hour on screen; null: the day on screen is not planned yet. */
export function dayHere(s: WorkspaceState): { site: SitePlan; h: number } | null {
  const plan = valueOf(s, 'day');
  if (!plan || !s.dayBook) return null;
  const h = 12 + (s.atMs - s.dayBook.noonMs) / HOUR_MS;
  const site = plan.sites.find((x) => x.siteId === s.daySiteId);
  return site && h >= 0 && h < 24 ? { site, h } : null;
}

/** The water's temperature at the hour on screen, C. */
export function hourTempOf(s: WorkspaceState): number | null {
  const here = dayHere(s);
  return here && tempAtHour(here.site, here.h);
}

/** "from 6:15", "too warm". */
export function dayFound(s: WorkspaceState): string {
  const plan = valueOf(s, 'day');
  if (!plan) return s.dayProblem ? 'not opened' : 'opening';
  const [first] = plan.stays;
  if (first) return `from ${atClockText(first.arriveH)}`;
  return plan.none === 'pays nothing' ? 'stay home' : (plan.none ?? '');
}
