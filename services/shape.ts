import { problemIn, type StoredShape } from '../store/index';
import { done, refused, type Outcome } from './outcome';

/** Whether something may be kept as JSON: a sentence where it is not of its shape. `what` begins it. */
export function checkShape(
  shape: StoredShape,
  value: unknown,
  what: string,
  field: string,
): Outcome<null> {
  const problem = problemIn(shape, value, { strict: true });
  if (!problem) return done(null);
  const part = problem.part === '' ? what : `${what}: "${problem.part}"`;
  return refused('invalid', `${part} ${problem.why}.`, field);
}
