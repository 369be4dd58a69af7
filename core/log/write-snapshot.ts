import { CONSTANTS_HASH, constantsHashOf } from './constants';
import { appliedOf, NO_PRIORS, type Priors } from './priors';
import type { TrySnapshot } from './snapshot';

/** The one writer. What is not told is null; `priors`: what the record had changed by then. */
export function writeSnapshot(
  told: Omit<TrySnapshot, 'version' | 'constantsHash'>,
  priors: Priors = NO_PRIORS,
): TrySnapshot {
  const constantsHash = constantsHashOf(priors);
  return {
    ...told,
    version: 1,
    constantsHash,
    ...(constantsHash !== CONSTANTS_HASH && { applied: appliedOf(priors) }),
  };
}
