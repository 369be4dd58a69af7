import type { Place } from '../grid/index';
import {
  exposureAt,
  fishView,
  type Conditions,
  type Fish,
  type Posture,
  type Scene,
} from '../sight/index';
import { DRY_M, sampleFlow, traceStreamline } from '../water/index';
import { PAST_FISH_M } from './drift-result';
import type { Lay } from './lays';
import { simulateDrift } from './simulate-drift';
import { liesOverSolid } from './stands';

export interface FirstCast {
  stand: Place;
  landing: Place;
  lay: Lay;
}

export interface FirstCastInput {
  target: Fish;
  posture: Posture;
  heightM: number;
  rodM: number;
  tipHeightM: number;
  conditions: Conditions;
  /** Side of the entry: the other bank costs a crossing. */
  entry: Place;
}

const LEADS_M = [1.2, 1.8];
const BELOW_M = [-3, -1.5, 0, 1.5, 3, 4.5, 6];
const BACK_FROM_WATER_M = [0.6, 2];
const SIDES = (['left', 'right'] as const).flatMap((side) =>
  BACK_FROM_WATER_M.map((back) => [side, back] as const),
);
const DISTANCE_M = [4, 10] as const;
const LAYS: Lay[] = [{ kind: 'straight' }, { kind: 'reach', toward: 'up-current', amountM: 1.5 }];
const FOLLOWED_S = 5;
/** What being seen and a far bank weigh against seconds of clean drift (our guesses). */
const SECONDS_PER_EXPOSURE = 8;
const FAR_BANK_S = 1.5;
/** Line over a log or rock snags: only where nothing else is left. */
const OVER_SOLID_S = 50;

/**
 * A cast to begin from: a few places along both banks, straight and reach, judged by clean drift
 * as far as it is of use, less what the fish would see. Not a search of all stands: the angler
 * drags it from here.
 */
export function firstCast(scene: Scene, input: FirstCastInput): FirstCast {
  const { target, conditions } = input;
  const { flow, ground, plan } = scene;
  const view = fishView(scene, target, conditions);
  const landings = LEADS_M.map((lead) => {
    const up = traceStreamline(flow, target, { direction: 'up', maxM: lead }).places;
    return up[up.length - 1]!;
  }).filter((p) => sampleFlow(flow, p.xM, p.yM, { depthM: 0, u: 0, v: 0 }).depthM > DRY_M);
  let best: FirstCast = {
    stand: { xM: target.xM - 3, yM: target.yM - 5 },
    landing: landings[0] ?? target,
    lay: LAYS[1]!,
  };
  let bestScore = -Infinity;
  for (const below of BELOW_M) {
    const x = Math.min(plan.lengthM, Math.max(0, target.xM - below));
    for (const [side, back] of SIDES) {
      const y =
        side === 'left' ? ground.channel.leftYM(x) - back : ground.channel.rightYM(x) + back;
      const stand = { xM: x, yM: y };
      const seen = exposureAt(
        scene,
        view,
        { ...stand, posture: input.posture, heightM: input.heightM },
        conditions,
      );
      const far =
        ground.channel.across(Math.min(plan.lengthM, Math.max(0, input.entry.xM)), input.entry.yM) <
          0.5 !==
        (side === 'left');
      for (const landing of landings) {
        const d = Math.hypot(landing.xM - x, landing.yM - y);
        if (d < DISTANCE_M[0] || d > DISTANCE_M[1]) continue;
        const tip = {
          xM: x + (input.rodM * (landing.xM - x)) / d,
          yM: y + (input.rodM * (landing.yM - y)) / d,
          zM: input.tipHeightM,
        };
        for (const lay of LAYS) {
          const drift = simulateDrift(flow, {
            tip,
            landing,
            fish: target,
            lay,
            seconds: FOLLOWED_S,
          });
          if (drift.status !== 'ok') continue;
          const useful =
            drift.passesAtS === null
              ? drift.cleanS * 0.3
              : Math.min(drift.cleanS, drift.passesAtS + PAST_FISH_M);
          const over = liesOverSolid(scene, tip, landing) ? OVER_SOLID_S : 0;
          const score =
            useful +
            (drift.passesFish === 'clean' ? 2 : 0) -
            SECONDS_PER_EXPOSURE * seen -
            (far ? FAR_BANK_S : 0) -
            over;
          if (score > bestScore) {
            bestScore = score;
            best = { stand, landing, lay };
          }
        }
      }
    }
  }
  return best;
}
