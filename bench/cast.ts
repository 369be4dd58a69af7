import { DEFAULT_RIG } from '../core/rig/index';
import {
  castNow,
  castStudy,
  createShotSearch,
  driftInputOf,
  simulateDrift,
  USUAL_ANGLER,
  type CastQuestion,
  type ShotsFound,
} from '../core/cast/index';
import type { Conditions, Fish, Scene } from '../core/sight/index';
import { createStalkKeep } from '../core/stalk/index';

/** A turn of the search between looks at the mailbox, ms. */
const TURN_MS = 40;

export interface CastFigures {
  nowMs: number;
  studyMs: number;
  /** Whole searches: the first, and the median of those after it. */
  coldMs: number;
  warmMs: number;
  longestTurnMs: number;
  candidates: number;
  simulated: number;
  perSecond: number;
}

/** What the step Cast asks, timed: while dragging, at rest, and the search for shots. */
export function castFigures(
  scene: Scene,
  target: Fish,
  conditions: Conditions,
  time: (runs: number, calls: number, work: () => void) => number,
): CastFigures {
  const question: CastQuestion = {
    rig: DEFAULT_RIG,
    stand: { xM: 11, yM: -5 },
    landing: { xM: 16.6, yM: -1.6 },
    lay: { kind: 'reach', toward: 'up-current', amountM: 1.5 },
    posture: 'kneel',
    angler: USUAL_ANGLER,
    conditions,
    windSchool: 'tilt',
    target,
    others: [],
    seconds: 6,
  };
  const drift = simulateDrift(scene.flow, driftInputOf(question));
  const kept = createStalkKeep();
  let longest = 0;
  let found: ShotsFound | null = null;
  const search = () => {
    const began = performance.now();
    const run = createShotSearch(scene, { rig: DEFAULT_RIG, target, conditions }, kept);
    for (;;) {
      const turn = performance.now();
      const done = run.advance(TURN_MS);
      longest = Math.max(longest, performance.now() - turn);
      if (done) break;
    }
    found = run.result() as ShotsFound;
    return performance.now() - began;
  };
  const coldMs = search();
  longest = 0;
  const warm = Array.from({ length: 7 }, search).sort((a, b) => a - b);
  const warmMs = warm[3]!;
  const { candidates, simulated } = found!.looked;
  return {
    nowMs: time(7, 10, () => void castNow(scene, question, drift)),
    studyMs: time(5, 2, () => void castStudy(scene, question)),
    coldMs,
    warmMs,
    longestTurnMs: longest,
    candidates,
    simulated,
    perSecond: (1000 * candidates) / warmMs,
  };
}
