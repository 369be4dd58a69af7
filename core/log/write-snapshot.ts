import { CONSTANTS_HASH, constantsHashOf } from './constants';
import { appliedOf, NO_PRIORS, type Priors } from './priors';
import type { ConstantsMark, TrySnapshot } from './snapshot';

/** What a prediction is marked with that is made now, with what the record has changed. */
export function constantsMark(priors: Priors): ConstantsMark {
  const constantsHash = constantsHashOf(priors);
  return constantsHash === CONSTANTS_HASH
    ? { constantsHash }
    : { constantsHash, applied: appliedOf(priors) };
}

/** A snapshot of somebody else's telling: a table that comes in, an invented season. */
export const writeSnapshot = (
  told: Omit<TrySnapshot, 'version' | 'constantsHash'>,
  priors: Priors = NO_PRIORS,
): TrySnapshot => ({ ...told, version: 1, ...constantsMark(priors) });
