/**
 * A function that computes once for each object it is asked about, and keeps the answer as long as
 * the object lives. For objects that are never changed, such as a solved flow.
 */
export function memoizeByObject<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, { value: V }>();
  return (key) => {
    let held = known.get(key);
    if (!held) known.set(key, (held = { value: make(key) }));
    return held.value;
  };
}
