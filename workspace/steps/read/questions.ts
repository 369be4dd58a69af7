import { TOTAL_PER_FORK } from '../../../core/fish/index';
import type { BeatPlan } from '../../../core/formats/index';
import { priorsOf } from '../../../core/log/index';
import type { RateInput } from '../../../workers/protocol';
import { feedLightOf, steadyLight } from '../../state/light';
import { seasonAt } from '../../../core/lies/index';
import { homeFitOf, latitudeOf, tempOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

/** Which fish, in what water, at what hour. */
export function rateInput(plan: BeatPlan, s: WorkspaceState): RateInput {
  const { settings } = s;
  const light = steadyLight(plan, s);
  return {
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: tempOf(s),
    turbidityNtu: settings.turbidityNtu,
    prey: settings.prey,
    season: seasonAt(s.atMs, plan.timeZone, latitudeOf(plan)),
    method: settings.methods.holding,
    homeOffset: homeFitOf(s).offset,
    homeSlope: priorsOf(settings).home.slope,
    feedLight: feedLightOf(light),
    light,
  };
}
