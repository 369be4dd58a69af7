import {
  castTip,
  findShots,
  SEARCHED_LAYS,
  simulateDrift,
  TERMS,
  type Lay,
} from '../core/cast/index';
import { rateLies } from '../core/lies/index';
import type { Fish } from '../core/sight/index';
import { sampleFlow, solveFlow, type FlowField } from '../core/water/index';
import type { BeatPlan } from '../core/formats/index';
import { demoBeats } from './beats';
import { shotContext, candidate, castOf } from '../core/cast/shot-candidate';
import { standsFor } from '../core/cast/stands';
import { shotsInput } from '../core/cast/shots-input';
import { obstaclesOf } from '../core/cast/room-behind';
import { createScene } from '../core/sight/index';

/**
 * Regret of the search on three solved beats: useful drift of the best of a lay by simulating every
 * stand, minus that of the search's best of that lay, with the same filters.
 */
const ROUGH_M = 0.4;
const ONLY_CLEAN = Object.fromEntries(TERMS.map((t) => [t, t === 'clean' ? 1 : 0]));
const ASKED: Lay[] = [SEARCHED_LAYS[0]!, SEARCHED_LAYS[1]!, SEARCHED_LAYS[4]!];

const paceAt = (flow: FlowField, p: { xM: number; yM: number }) => {
  const s = sampleFlow(flow, p.xM, p.yM, { depthM: 0, u: 0, v: 0 });
  return Math.hypot(s.u, s.v);
};

function best(plan: BeatPlan, flow: FlowField, target: Fish, lay: Lay): number {
  const scene = createScene(plan, flow);
  const input = shotsInput(plan, { target, lays: [lay], weights: ONLY_CLEAN });
  const ground = shotContext(scene, input, { stands: 0, candidates: 0, simulated: 0, unknown: 0 });
  const steps = standsFor(scene, input, ground.landing, obstaclesOf(plan));
  let next = steps.next();
  while (!next.done) next = steps.next();
  let most = 0;
  for (const stand of next.value!) {
    const cast = castOf(ground, stand, lay);
    if (!cast) continue;
    const drift = simulateDrift(flow, {
      tip: castTip(stand.place, ground.landing, input.angler.rodM, lay.kind),
      stand: stand.place,
      landing: ground.landing,
      fish: target,
      lay,
      seconds: ground.followedS,
      stopAtDrag: true,
    });
    if (drift.status !== 'ok') continue;
    most = Math.max(most, candidate(ground, stand, lay, cast, drift.cleanS).facts.usefulM);
  }
  return most;
}

it.each([0, 1, 3])('regret of each lay on beat %i is at most .05 m of useful drift', (n) => {
  const { plan } = demoBeats()[n]!;
  const flow = solveFlow(plan, { dischargeM3s: plan.levels[1]!.dischargeM3s, cellM: ROUGH_M });
  const { lies } = rateLies(plan, flow, {
    species: 'brown',
    forkLengthCm: 24,
    waterTempC: 11,
    method: 'energy-budget',
  });
  // Where it is hardest: the quickest water among the best lies.
  const quickest = lies.slice(0, 12).sort((a, b) => paceAt(flow, b) - paceAt(flow, a));
  for (const lie of quickest.slice(0, 1)) {
    const target: Fish = {
      id: lie.id,
      xM: lie.xM,
      yM: lie.yM,
      fishDepthM: 0.75 * lie.depthM,
      headingRad: lie.headingRad,
      totalLengthCm: 25,
      surety: 'likely',
    };
    let most = 0;
    for (const lay of ASKED) {
      const exhaustive = best(plan, flow, target, lay);
      most = Math.max(most, exhaustive);
      const search = findShots(plan, flow, { target, lays: [lay], weights: ONLY_CLEAN });
      const ours =
        search.kind === 'shots' ? Math.max(...search.shots.map((s) => s.facts.usefulM)) : 0;
      expect(exhaustive - ours).toBeLessThanOrEqual(0.05);
    }
    // The whole search, every lay at once, and so more thinly each.
    const all = findShots(plan, flow, { target, weights: ONLY_CLEAN });
    const ours = all.kind === 'shots' ? all.shots[0]!.facts.usefulM : 0;
    expect(most - ours).toBeLessThanOrEqual(0.05);
  }
});
