import type { BeatPlan, LevelName } from '../formats/index';
import { cellIndex, type Place } from '../grid/index';
import type { FlowField } from '../water/index';
import type { FishOptions } from './fish-day';
import { sensitivity, type PlaceSensitivity } from './sensitivity';
import { whatIf, type WhatIf } from './what-if';

/** One lie, asked further: what is worth measuring, and what would change it. */
export interface LieStudy {
  sensitivity: PlaceSensitivity;
  changes: WhatIf[];
}

/** `levels`: other levels of the same beat whose flow is at hand. */
export const studyLie = (
  plan: BeatPlan,
  flow: FlowField,
  fish: FishOptions,
  at: Place,
  levels: ReadonlyMap<LevelName, FlowField>,
): LieStudy => ({
  sensitivity: sensitivity(plan, flow, fish, cellIndex(flow, at.xM, at.yM)),
  changes: whatIf(
    plan,
    flow,
    fish,
    at,
    [...levels].map(([name, f]) => ({ name, flow: f })),
  ),
});
