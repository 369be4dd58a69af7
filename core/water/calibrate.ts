import { type BeatPlan, type Calibration } from '../formats/index';
import { createFlowRun } from './flow-run';
import { measuredPlaces, misfits } from './misfits';

export type CalibrationResult =
  | {
      ok: true;
      calibration: Calibration;
      dischargeM3s: number;
      /** Before fitting, for comparison. */
      beforeSpeedRmsMps: number;
      atLimit: boolean;
    }
  | { ok: false; reason: 'too few speeds' | 'not settled'; speeds: number; needed: number };

/** Two unknowns want more than two speeds. */
const LEAST_SPEEDS = 4;
const COARSE_CELL_M = 0.4;
const ROUGHNESS = { least: 0.4, most: 3 };
/** What a measurement is worth: spreads of a depth and of a speed, m and m/s. */
const DEPTH_SPREAD_M = 0.04;
const SPEED_SPREAD_MPS = 0.08;
const ROUNDS = 5;
const STEP = 0.25;
/** A round changes the discharge by this factor's logarithm at most. */
const MOST_LOG_Q = 0.7;

/**
 * Fits one roughness factor and the discharge to the speeds and depths measured at the surveyed
 * level, by Gauss-Newton in their logarithms on the coarse grid (3 to 5 solves a round, `ROUNDS` at
 * most). The surface that roughness and discharge make against the surveyed one is the depth's
 * part; measured speeds are the discharge's. `onRound` gets 0-1; the result is deterministic.
 */
export function calibrate(
  plan: BeatPlan,
  onRound: (fraction: number) => void = () => {},
): CalibrationResult {
  const speeds = measuredPlaces(plan).filter((m) => m.speedMps !== null).length;
  if (speeds < LEAST_SPEEDS)
    return { ok: false, reason: 'too few speeds', speeds, needed: LEAST_SPEEDS };
  const surveyed = plan.levels.find((l) => l.name === plan.surveyedLevel)!.dischargeM3s;
  const state = { logN: 0, logQ: Math.log(surveyed) };
  let solves = 0;
  const measure = (logN: number, logQ: number) => {
    const result = trial(plan, Math.exp(logN), Math.exp(logQ));
    onRound(Math.min(0.99, ++solves / (3 * ROUNDS)));
    return result;
  };
  let here = measure(state.logN, state.logQ);
  if (!here) return { ok: false, reason: 'not settled', speeds, needed: LEAST_SPEEDS };
  const before = here.speedRmsMps;
  const [low, high] = [Math.log(ROUGHNESS.least), Math.log(ROUGHNESS.most)];
  /** The step, or a half or a quarter of it: the first that is better; null when none is. */
  const backtrack = (step: { n: number; q: number }) => {
    for (const share of [1, 0.5, 0.25]) {
      const logN = Math.min(high, Math.max(low, state.logN + share * step.n));
      const logQ = state.logQ + share * Math.min(MOST_LOG_Q, Math.max(-MOST_LOG_Q, step.q));
      const result = measure(logN, logQ);
      if (result && result.cost < here!.cost) return { trial: result, logN, logQ };
    }
    return null;
  };
  for (let round = 0; round < ROUNDS; round++) {
    const byN = measure(state.logN + STEP, state.logQ);
    const byQ = measure(state.logN, state.logQ + STEP);
    if (!byN || !byQ) break;
    const step = gaussNewton(here.residuals, byN.residuals, byQ.residuals);
    const next = backtrack(step);
    if (!next) break;
    const gained = 1 - next.trial.cost / here.cost;
    here = next.trial;
    state.logN = next.logN;
    state.logQ = next.logQ;
    if (gained < 0.01) break;
  }
  const roughness = Math.exp(state.logN);
  return {
    ok: true,
    calibration: {
      roughness: Number(roughness.toFixed(3)),
      points: here.places,
      depthRmsM: Number(here.depthRmsM.toFixed(3)),
      speedRmsMps: Number(here.speedRmsMps.toFixed(3)),
    },
    dischargeM3s: Number(Math.exp(state.logQ).toPrecision(3)),
    beforeSpeedRmsMps: before,
    atLimit: roughness <= ROUGHNESS.least * 1.01 || roughness >= ROUGHNESS.most * 0.99,
  };
}

interface Trial {
  residuals: number[];
  places: number;
  cost: number;
  depthRmsM: number;
  speedRmsMps: number;
}

/** One coarse solve without moving the bed: its surface is part of what is compared. */
function trial(plan: BeatPlan, roughness: number, dischargeM3s: number): Trial | null {
  const tried: BeatPlan = {
    ...plan,
    calibration: { roughness, points: 1, depthRmsM: 0, speedRmsMps: 0 },
  };
  const run = createFlowRun(tried, {
    dischargeM3s,
    cellM: COARSE_CELL_M,
    onlyCoarse: true,
    correctBed: false,
  });
  while (!run.advance(1000));
  const flow = run.result();
  if (flow.status === 'diverged') return null;
  const all = misfits(plan, flow);
  const depths = all.map((m) => m.solvedDepthM - m.takenDepthM);
  const moving = all.filter((m) => m.takenMps !== null);
  const speeds = moving.map((m) => m.solvedMps! - m.takenMps!);
  // Many depths and few speeds: each kind has the same say.
  const share = Math.sqrt(moving.length / all.length);
  const residuals = [
    ...depths.map((d) => (share * d) / DEPTH_SPREAD_M),
    ...speeds.map((s) => s / SPEED_SPREAD_MPS),
  ];
  const rms = (values: number[]) =>
    Math.sqrt(values.reduce((sum, x) => sum + x * x, 0) / Math.max(1, values.length));
  return {
    residuals,
    places: all.length,
    cost: residuals.reduce((sum, r) => sum + r * r, 0),
    depthRmsM: rms(depths),
    speedRmsMps: rms(speeds),
  };
}

/** (J'J) x = -J'r for two unknowns, J by differences over STEP. */
function gaussNewton(r: number[], rN: number[], rQ: number[]): { n: number; q: number } {
  let [nn, nq, qq, bn, bq] = [0, 0, 0, 0, 0];
  for (let i = 0; i < r.length; i++) {
    const jn = (rN[i]! - r[i]!) / STEP;
    const jq = (rQ[i]! - r[i]!) / STEP;
    nn += jn * jn;
    nq += jn * jq;
    qq += jq * jq;
    bn -= jn * r[i]!;
    bq -= jq * r[i]!;
  }
  const damp = 1e-3 * (nn + qq) + 1e-12;
  const det = (nn + damp) * (qq + damp) - nq * nq;
  return {
    n: ((qq + damp) * bn - nq * bq) / det,
    q: ((nn + damp) * bq - nq * bn) / det,
  };
}
