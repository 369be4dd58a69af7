import { findShots, type ShotsQuestion, type ShotsResult } from '../core/cast/index';
import type { BeatPlan } from '../core/formats/index';
import { rateLies, type LieField, type RateOptions } from '../core/lies/index';
import {
  calibrate,
  solveFlow,
  type CalibrationResult,
  type FlowField,
  type SolveFlowOptions,
} from '../core/water/index';
import { kept } from './kept';

/** Water solved once a machine and core, for what is not about solving. */
export const keptFlow = (plan: BeatPlan, options: SolveFlowOptions): FlowField =>
  kept('water', ['flow', plan, options], () => solveFlow(plan, options));

/** Lies rated once a machine and core. */
export const keptLies = (plan: BeatPlan, flow: FlowField, options: RateOptions): LieField =>
  kept('lies', ['lies', plan, flow, options], () => rateLies(plan, flow, options));

/** A search for casts made once a machine and core. */
export const keptShots = (plan: BeatPlan, flow: FlowField, question: ShotsQuestion): ShotsResult =>
  kept('cast', ['shots', plan, flow, question], () => findShots(plan, flow, question));

/** A calibration made once a machine and core. */
export const keptCalibration = (plan: BeatPlan): CalibrationResult =>
  kept('water', ['calibration', plan], () => calibrate(plan));
