import { featuresOf, shapePlaces, type BeatPlan } from '../core/formats/index';
import { TOTAL_PER_FORK } from '../core/fish/index';
import type { LookoutInput } from '../core/sight/index';
import type { RateInput } from '../workers/protocol';
import { atHour } from './civil-time';
import { conditionsAt } from './conditions';
import { HOURS } from './hours';
import { fishIn, seasonAt, targetOf, tempOf, type WorkspaceState } from './state';

/** What the workers are asked, put together from the state. Pure. */

/** Light and weather of the hour on screen; of every hour of the strip. */
export const lightAt = (plan: BeatPlan, s: WorkspaceState) =>
  conditionsAt(plan, s.atMs, s.settings);
export const lightByHour = (plan: BeatPlan, s: WorkspaceState) =>
  HOURS.map((hour) => conditionsAt(plan, atHour(s.atMs, hour, plan.timeZone), s.settings));

/** Lies looked for beside the marks, at most: the best. */
const LIES_LOOKED_FOR = 12;

/** What to look for: the chosen fish alone, else every mark, and the best lies by their rating. */
export function lookoutInput(plan: BeatPlan, s: WorkspaceState): LookoutInput {
  const target = targetOf(s);
  const lies = (s.lies?.lies ?? []).slice(0, LIES_LOOKED_FOR).map((lie) => ({
    ...fishIn(lie, s.settings.fishLengthCm),
    weight: (0.5 * lie.rating) / 100,
  }));
  const { posture, settings } = s;
  return {
    targets: target ? [target] : [...s.marks, ...lies],
    hours: lightByHour(plan, s),
    posture,
    heightM: settings.anglerHeightM,
    polarised: settings.polarised,
  };
}

/** Which fish, in what water, at what hour. Light in steps of ten minutes: shade moves no faster. */
export function rateInput(plan: BeatPlan, s: WorkspaceState): RateInput {
  const { settings } = s;
  const TEN_MINUTES = 600_000;
  return {
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: tempOf(s),
    turbidityNtu: settings.turbidityNtu,
    prey: settings.prey,
    season: seasonAt(s.atMs, plan.timeZone, plan.anchor?.lat ?? 1),
    method: settings.methods.holding,
    light: conditionsAt(plan, Math.round(s.atMs / TEN_MINUTES) * TEN_MINUTES, s.settings),
  };
}

/** Every mark sees; so does the fish thought to lie in a chosen lie. */
export function fishSeeing(s: WorkspaceState) {
  const target = targetOf(s);
  return target && !s.marks.some((m) => m.id === target.id) ? [...s.marks, target] : s.marks;
}

export function entryOf(plan: BeatPlan) {
  const entry = featuresOf(plan, 'entry')[0];
  if (entry) return shapePlaces(entry.shape)[0]!;
  // No entry marked: the down-current end of the true left bank.
  const left = featuresOf(plan, 'bank').find((b) => b.side === 'left')!;
  const foot = shapePlaces(left.shape)[0]!;
  return { xM: foot.xM, yM: foot.yM - 2 };
}
