import { entriesOf, type BeatPlan } from '../../../core/formats/index';
import type { Place } from '../../../core/grid/index';
import { howOf } from '../../../core/planning/index';
import type { CautionInput, StalkInput } from '../../../core/stalk/index';
import { civilHour, toCivil } from '../../../core/units/index';
import { conditionsAt, steadyLight } from '../../state/light';
import { latitudeOf, tempOf, watchers } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

/** The grid while something is dragged, m: an answer within a frame or two. */
const DRAGGING_CELL_M = 0.5;

/** The way to the stand as it is asked for; null while there is no stand. */
export const stalkInput = (plan: BeatPlan, s: WorkspaceState): StalkInput | null =>
  s.stand && stalkTo(plan, s, s.stand);

/** The way to any place. */
export function stalkTo(plan: BeatPlan, s: WorkspaceState, to: Place): StalkInput {
  const { settings } = s;
  const { wading, hiding, alarm } = howOf(settings);
  return {
    from: s.from ?? entriesOf(plan),
    to,
    endPosture: s.posture,
    fish: watchers(s),
    angler: {
      heightM: settings.anglerHeightM,
      massKg: settings.anglerMassKg,
      maxWadeM: settings.maxWadeM,
    },
    conditions: steadyLight(plan, s),
    wading,
    hiding,
    via: s.via,
    forbidden: s.out,
    alarm,
    ...(s.dragging && { cellM: DRAGGING_CELL_M }),
  };
}

/** The next hours, for what waiting would change. */
const WAIT_HOURS = [1, 2, 3, 5];
export const laterLight = (plan: BeatPlan, s: WorkspaceState) =>
  WAIT_HOURS.map((h) => s.atMs + h * 3_600_000).map((ms) => ({
    hour: civilHour(ms, plan.timeZone),
    conditions: conditionsAt(plan, ms, s.settings),
  }));

/** What the cautions of a way depend on. */
export function careNow(plan: BeatPlan, s: WorkspaceState): CautionInput {
  const month = Number(toCivil(s.atMs, plan.timeZone).slice(5, 7));
  return {
    waterTempC: tempOf(s),
    windMps: s.settings.windMps,
    sky: s.settings.sky,
    species: s.settings.species,
    northernMonth: latitudeOf(plan) < 0 ? ((month + 5) % 12) + 1 : month,
  };
}
