import { tryFact, type TryFact } from '../core/learn/index';
import { feedEnd, listAllTries, triesChangedAfter, type Db } from '../store/index';

/** Every try as Learn counts it, in the order they were opened, with the feed's number that it is as of. */
interface Held {
  end: number;
  /** null: it was opened, and says nothing. */
  facts: Map<string, { fact: TryFact | null; beatId: string | null; year: number }>;
}
const HELD = new WeakMap<Db, Held>();

const entryOf = (t: Awaited<ReturnType<typeof listAllTries>>[number]) => ({
  fact: tryFact(t),
  beatId: t.beatId,
  year: new Date(t.openedMs + 60_000 * t.zoneOffsetMin).getUTCFullYear(),
});

/**
 * The facts of the whole book. Read once and kept; afterwards only tries of which the feed tells a
 * change are read again: so that a book of twenty thousand is counted at once.
 */
export async function factsOfBook(db: Db): Promise<Held['facts']> {
  const end = await feedEnd(db);
  const held = HELD.get(db);
  if (held?.end === end) return held.facts;
  if (!held || end < held.end) {
    const facts = new Map((await listAllTries(db)).map((t) => [t.id, entryOf(t)]));
    HELD.set(db, { end, facts });
    return facts;
  }
  for (const t of await triesChangedAfter(db, held.end)) held.facts.set(t.id, entryOf(t));
  held.end = end;
  return held.facts;
}
