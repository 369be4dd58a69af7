import { same, type Fields } from './changed-fields';

/** A field of a change that did not win: where it is, what the book holds, what was wanted. */
export interface Lost {
  path: string[];
  book: unknown;
  wanted: unknown;
}

/**
 * A change laid over what the book holds by now, field by field, and in lists of things with an id
 * item by item: a three-way merge, of which `was` is the state that the change was made from. A field that nobody changed meanwhile takes the new value; one that another changed
 * meanwhile keeps the book's, and is told in `lost`. Fields that `was` does not name stay as they
 * are. Repeating a change changes nothing.
 */
export function mergeChange<T extends object>(
  book: T,
  was: Readonly<Record<string, unknown>>,
  now: T,
): { value: T; lost: Lost[] } {
  const lost: Lost[] = [];
  const value = { ...book } as Fields;
  for (const key of Object.keys(was))
    if (key in now) value[key] = merged(value[key], was[key], now[key as keyof T], [key], lost);
  return { value: value as T, lost };
}

function merged(book: unknown, was: unknown, now: unknown, path: string[], lost: Lost[]): unknown {
  if (same(now, was) || same(book, now)) return book;
  if (same(book, was)) return now;
  if (isFields(book) && isFields(was) && isFields(now)) {
    const keys = new Set([...Object.keys(book), ...Object.keys(now)]);
    const of = [...keys].map(
      (k) => [k, merged(book[k], was[k], now[k], [...path, k], lost)] as const,
    );
    return Object.fromEntries(of.filter(([, v]) => v !== undefined));
  }
  if (isItems(book) && isItems(was) && isItems(now)) {
    const [inBook, before, wanted] = [byId(book), byId(was), byId(now)];
    return [...new Set([...book, ...now].map((item) => item.id))]
      .map((id) => merged(inBook.get(id), before.get(id), wanted.get(id), [...path, id], lost))
      .filter((item) => item !== undefined);
  }
  lost.push({ path, book, wanted: now });
  return book;
}

type Item = { id: string };
const isFields = (v: unknown): v is Fields =>
  typeof v === 'object' && v !== null && !Array.isArray(v);
const isItems = (v: unknown): v is Item[] =>
  Array.isArray(v) && v.every((i) => isFields(i) && typeof i.id === 'string');
const byId = (items: readonly Item[]) => new Map<string, unknown>(items.map((i) => [i.id, i]));
