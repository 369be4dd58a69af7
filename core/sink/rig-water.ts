import { featuresOf, type BeatPlan } from '../formats/index';
import type { RigWater } from '../rig/index';
import { surfaceFactor, type FlowField } from '../water/index';

const FLAT_MPS = 0.3;
const FLAT_DEPTH_M = 0.35;
const USUAL_CROWN_M = 3;
const DEEPEST_SHARE = 0.95;

/** What of a beat and its water speaks for one rig or another. `pockets`: share of its best lies that are pockets. */
export function rigWaterOf(
  plan: BeatPlan,
  flow: FlowField,
  day: Pick<
    RigWater,
    'pockets' | 'turbidityNtu' | 'tempC' | 'windMps' | 'flowShare' | 'smallChar' | 'rising'
  >,
): RigWater {
  const depths: number[] = [];
  const speeds: number[] = [];
  let flat = 0;
  for (let k = 0; k < flow.depthM.length; k++) {
    const h = flow.depthM[k]!;
    if (h < 0.05) continue;
    const us = Math.hypot(flow.u[k]!, flow.v[k]!) * surfaceFactor(h, flow.d84M[k]!);
    depths.push(h);
    speeds.push(us);
    if (us < FLAT_MPS && h > FLAT_DEPTH_M) flat++;
  }
  const wet = Math.max(1, depths.length);
  const at = (list: number[], share: number) =>
    [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(share * list.length))] ??
    0;
  const trees = featuresOf(plan, 'tree').reduce((m, t) => m + (t.crownM ?? USUAL_CROWN_M), 0);
  return {
    ...day,
    widthM: (wet * flow.cellM * flow.cellM) / plan.lengthM,
    overgrown: Math.min(1, trees / (2 * plan.lengthM)),
    mostDepthM: at(depths, DEEPEST_SHARE),
    surfaceMps: at(speeds, 0.5),
    flats: flat / wet,
  };
}

/** The level's water over that of the usual one. */
export function flowShareOf(plan: BeatPlan, level: string): number {
  const now = plan.levels.find((l) => l.name === level)?.dischargeM3s;
  const usual = plan.levels.find((l) => l.name === 'Fair')?.dischargeM3s;
  return now && usual ? now / usual : 1;
}
