import type { BeatFeature, BeatPlan, FeatureOf } from './beat-plan';
import { outsideM, ON_LAND_M } from './check-plan';

export type FeltSounding = FeatureOf<'sounding'>;

/** Depths of a beat that a fly felt: nobody told them, so whoever tells the water anew keeps them. */
export const feltSoundings = (plan: BeatPlan): FeltSounding[] =>
  plan.features.filter(
    (f: BeatFeature): f is FeltSounding => f.kind === 'sounding' && f.by === 'fly',
  );

/** A beat told anew with what was felt in it before; `lost` lie on land as it is told now. */
export function withFelt(plan: BeatPlan, felt: readonly FeltSounding[]) {
  const wet = felt.filter(
    (f) => f.shape.type === 'Point' && outsideM(plan, f.shape.place) <= ON_LAND_M,
  );
  return {
    plan: wet.length === 0 ? plan : { ...plan, features: [...plan.features, ...wet] },
    lost: felt.length - wet.length,
  };
}
