export type Fields = Record<string, unknown>;

/** Of the fields that `now` tells, those that it changes, with what they held before: null where nothing. */
export function changedFields(before: object, now: object): Fields {
  const old = before as Fields;
  return Object.fromEntries(
    Object.entries(now)
      .filter(([key, value]) => value !== undefined && !same(old[key], value))
      .map(([key]) => [key, old[key] ?? null]),
  );
}

/** Equal as JSON: the order of keys does not matter, and what is absent is null. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (a === undefined || a === null || b === undefined || b === null)
    return (a ?? null) === (b ?? null);
  if (typeof a !== 'object' || typeof b !== 'object') return false;
  if (Array.isArray(a) || Array.isArray(b))
    return (
      Array.isArray(a) &&
      Array.isArray(b) &&
      a.length === b.length &&
      a.every((item, i) => same(item, b[i]))
    );
  const [x, y] = [a as Fields, b as Fields];
  return [...new Set([...Object.keys(x), ...Object.keys(y)])].every((k) => same(x[k], y[k]));
}
