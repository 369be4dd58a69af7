import { SEQUENCE } from '../cast/index';
import { CHANCE } from '../chance/index';
import { fnv1a64 } from '../grid/index';
import { GUESS } from '../lies/index';
import { EXPOSURE, NOTICE, POSTURE } from '../sight/index';
import { ALARM } from '../stalk/index';
import { NO_PRIORS, type Priors } from './priors';

/**
 * Hash of the guesses that predictions rest on. It goes into each snapshot: a prediction made with
 * older constants stays what it was, and Learn can tell them apart.
 */
export const CONSTANTS_HASH = fnv1a64(
  JSON.stringify({ GUESS, NOTICE, EXPOSURE, POSTURE, ALARM, CHANCE, SEQUENCE }),
);

/** The same with what the record has changed of them; as long as it has changed nothing, the same hash. */
export function constantsHashOf(priors: Priors): string {
  const valuesOf = ({ untilMs: _, ...values }: Priors) => JSON.stringify(values);
  const text = valuesOf(priors);
  return text === valuesOf(NO_PRIORS) ? CONSTANTS_HASH : fnv1a64(CONSTANTS_HASH + text);
}
