import type { SitePlan } from '../../core/day/index';
import { atClockText } from '../../core/units/index';
import { valueOf } from './answer';
import type { WorkspaceState } from './state';

const HOUR_MS = 3_600_000;
/** The day's hours stand by quarters. */
const A_HOUR = 4;

/** The day's water at this beat, and the hour on screen; null: the day on screen is not planned yet. */
export function dayHere(s: WorkspaceState): { site: SitePlan; h: number } | null {
  const plan = valueOf(s, 'day');
  if (!plan || !s.dayBook) return null;
  const h = 12 + (s.atMs - s.dayBook.noonMs) / HOUR_MS;
  const site = plan.sites.find((x) => x.siteId === s.daySiteId);
  return site && h >= 0 && h < 24 ? { site, h } : null;
}

/** The water's temperature at the hour on screen by the day's curve, to a tenth, C. */
export function hourTempOf(s: WorkspaceState): number | null {
  const here = dayHere(s);
  if (!here) return null;
  const { hours } = here.site;
  const g = here.h * A_HOUR;
  const i = Math.min(hours.length - 2, Math.floor(g));
  const [a, b] = [hours[i]!.bestC, hours[i + 1]!.bestC];
  return Math.round(10 * (a + (g - i) * (b - a))) / 10;
}

/** "from 6:15", "too warm". */
export function dayFound(s: WorkspaceState): string {
  const plan = valueOf(s, 'day');
  if (!plan) return s.dayProblem ? 'not opened' : 'opening';
  const [first] = plan.stays;
  if (first) return `from ${atClockText(first.arriveH)}`;
  return plan.none === 'pays nothing' ? 'stay home' : (plan.none ?? '');
}
