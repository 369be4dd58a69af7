import type { Species } from '../fish/index';
import type { FlyKind } from '../rig/index';
import { CHANCE } from './constants';
import { logistic, logit, normalCdf } from './normal';

/** How long a fish keeps what it takes, and how the take is seen. */
export interface StrikeKind {
  keepsS: number;
  reactS: number;
  /** Added to the logit of the chance: what this angler's record says of it. */
  shift?: number | undefined;
}

/** Small char let go sooner (common practice); a nymph is kept less than a dry. */
export function strikeKind(
  fly: FlyKind,
  species: Species,
  lengthCm: number,
  shift = 0,
): StrikeKind {
  const sunk = fly === 'sunk' || fly === 'indicator';
  const smallChar = species === 'brook' && lengthCm < CHANCE.smallCharCm;
  return {
    keepsS: sunk ? CHANCE.keepsS.nymph : smallChar ? CHANCE.keepsS.smallChar : CHANCE.keepsS.dry,
    reactS: fly === 'indicator' ? CHANCE.reactIndicatorS : CHANCE.reactS,
    ...(shift !== 0 && { shift }),
  };
}

/** Chance that a fish which takes is hooked, from the seconds that the line needs to tighten; Infinity: never. */
export function hookedIfTaken(tightS: number, kind: StrikeKind): number {
  if (!Number.isFinite(tightS)) return 0;
  const lag = Math.log((kind.reactS + Math.max(0, tightS)) / kind.keepsS);
  const hooked = CHANCE.holds * (1 - normalCdf(lag / CHANCE.keepsSpread));
  return kind.shift && hooked > 0 ? logistic(logit(hooked) + kind.shift) : hooked;
}

/** Seconds to tighten, roughly, from the slack laid in, m: for ranking alone (r = .82 on simulated strikes). */
export const tightFromSlackS = (slackM: number): number => Math.max(0.02, -0.02 + 0.28 * slackM);
