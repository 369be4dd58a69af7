import { CONSTANTS_HASH } from './constants';
import type { TrySnapshot } from './snapshot';

/** The one writer. What is not told is null. */
export function writeSnapshot(told: Omit<TrySnapshot, 'version' | 'constantsHash'>): TrySnapshot {
  return { ...told, version: 1, constantsHash: CONSTANTS_HASH };
}
