import { tryFact, type TryFact } from '../core/learn/index';
import type { Try } from '../core/log/index';
import { feedEnd, listAllTries, listBeats, triesChangedAfter, type Db } from '../store/index';

/** Every try as Learn counts it, in the order they were opened, with the feed's number that it is as of. */
interface Held {
  end: number;
  /** Nobody signs in: an angler is the device that logged, numbered by when it first did. */
  anglers: Map<string, string>;
  /** null: it was opened, and says nothing. */
  facts: Map<string, { fact: TryFact | null; beatId: string | null; year: number }>;
}
const HELD = new WeakMap<Db, Held>();

function entryOf(t: Try, anglers: Held['anglers'], south: ReadonlySet<string | null>) {
  const fact = tryFact(t, south.has(t.beatId));
  if (fact && fact.device !== '') {
    if (!anglers.has(fact.device)) anglers.set(fact.device, String(anglers.size + 1));
    fact.device = anglers.get(fact.device)!;
  }
  const year = new Date(t.openedMs + 60_000 * t.zoneOffsetMin).getUTCFullYear();
  return { fact, beatId: t.beatId, year };
}

/**
 * The facts of the whole book. Read once and kept; afterwards only tries of which the feed tells a
 * change are read again: so that a book of twenty thousand is counted at once.
 */
export async function factsOfBook(db: Db): Promise<Held['facts']> {
  const { seq: end } = await feedEnd(db);
  const held = HELD.get(db);
  if (held?.end === end) return held.facts;
  const south = await southOf(db);
  if (!held || end < held.end) {
    const anglers: Held['anglers'] = new Map();
    const facts = new Map((await listAllTries(db)).map((t) => [t.id, entryOf(t, anglers, south)]));
    HELD.set(db, { end, anglers, facts });
    return facts;
  }
  for (const t of await triesChangedAfter(db, held.end))
    held.facts.set(t.id, entryOf(t, held.anglers, south));
  held.end = end;
  return held.facts;
}

/** Beats south of the equator, by their anchors; null, a place without a beat, is where the first anchored one is. */
async function southOf(db: Db): Promise<ReadonlySet<string | null>> {
  const placed = (await listBeats(db)).flatMap(({ id, plan }) =>
    plan.anchor ? [{ id, isSouth: plan.anchor.lat < 0 }] : [],
  );
  const south = placed.filter((b) => b.isSouth).map((b): string | null => b.id);
  return new Set(placed[0]?.isSouth ? [...south, null] : south);
}
