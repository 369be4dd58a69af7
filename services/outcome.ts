/** What a use case gives: a value, or a sentence for a person with the field it speaks of. */
export type Outcome<T> =
  | { ok: true; value: T }
  | {
      ok: false;
      code: 'invalid' | 'not-found' | 'conflict' | 'too-many';
      message: string;
      field?: string;
    };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refused = <T>(
  code: 'invalid' | 'not-found' | 'conflict' | 'too-many',
  message: string,
  field?: string,
): Outcome<T> => ({
  ok: false,
  code,
  message,
  ...(field !== undefined && { field }),
});
