import { constantsHashOf } from './constants';
import { NO_PRIORS, type Priors } from './priors';
import type { TrySnapshot } from './snapshot';

/** The one writer. What is not told is null; `priors`: what the record had changed by then. */
export function writeSnapshot(
  told: Omit<TrySnapshot, 'version' | 'constantsHash'>,
  priors: Priors = NO_PRIORS,
): TrySnapshot {
  return { ...told, version: 1, constantsHash: constantsHashOf(priors) };
}
