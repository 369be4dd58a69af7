import type { BeatPlan } from '../../core/formats/index';
import { conditionsAt, steadyMs } from '../../core/outing/index';
import { atHour } from '../../core/units/index';
import { HOURS } from './hours';
import type { WorkspaceState } from './state';

export { ASSUMED_LAT_DEG, conditionsAt, feedLightOf, sunDayOf } from '../../core/outing/index';

/** Light and weather of the hour on screen; of every hour of the strip. */
export const lightAt = (plan: BeatPlan, s: WorkspaceState) =>
  conditionsAt(plan, s.atMs, s.settings);
export const lightByHour = (plan: BeatPlan, s: WorkspaceState) =>
  HOURS.map((hour) => conditionsAt(plan, atHour(s.atMs, hour, plan.timeZone), s.settings));

/** Light in steps of ten minutes. */
export const steadyLight = (plan: BeatPlan, s: WorkspaceState) =>
  conditionsAt(plan, steadyMs(s.atMs), s.settings);
