import { standing, type Try } from '../log/index';
import type { Use } from '../rig/index';

const NEW: Use = { casts: 0, fish: 0, snags: 0, castsSinceLook: 0 };

/** Covers, fish and snags of the fly in use, since it, or its rig, was last tied; tries in the order they were made. */
export function flyUse(tries: readonly Try[]): Use {
  const use = { ...NEW };
  for (const { means } of tries.flatMap(standing)) {
    if (means.isCast) {
      use.casts++;
      use.castsSinceLook++;
    }
    if (means.tackle === 'tied anew') Object.assign(use, NEW);
    if (means.tackle === 'cleaned') use.castsSinceLook = 0;
    if (means.tackle === 'fish') use.fish++;
    if (means.tackle === 'snag') use.snags++;
  }
  return use;
}
