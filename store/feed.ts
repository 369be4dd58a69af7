import type { LogChange } from '../core/log/index';
import type { Db } from './db';
import { markRowsOf } from './marks';
import { outingOf, readingOf } from './outings';
import { readOf } from './reads';
import { eventOf, tryOf } from './try-rows';

/** One change with its number in the feed. */
export interface FeedItem {
  seq: number;
  change: LogChange;
}

/** The number of the newest change; 0 before the first. */
export async function feedEnd(db: Db): Promise<number> {
  const row = await db
    .selectFrom('feed')
    .select((b) => b.fn.max('seq').as('end'))
    .executeTakeFirst();
  return Number(row?.end ?? 0);
}

/**
 * What has changed since number `after`, oldest first, at most `most`: each thing as it is now. What
 * has gone altogether is left out.
 */
export async function feedAfter(db: Db, after: number, most: number): Promise<FeedItem[]> {
  const rows = await db
    .selectFrom('feed')
    .selectAll()
    .where('seq', '>', after)
    .orderBy('seq')
    .limit(most)
    .execute();
  const out: FeedItem[] = [];
  for (const { seq, kind, id } of rows) {
    const change = await changeOf(db, kind, id);
    if (change) out.push({ seq, change });
  }
  return out;
}

async function changeOf(db: Db, kind: string, id: string): Promise<LogChange | null> {
  switch (kind) {
    case 'outing': {
      const r = await db.selectFrom('outings').selectAll().where('id', '=', id).executeTakeFirst();
      return r ? { kind, outing: outingOf(r) } : null;
    }
    case 'reading': {
      const r = await db.selectFrom('readings').selectAll().where('id', '=', id).executeTakeFirst();
      if (!r) return null;
      return r.dropped ? { kind: 'reading-dropped', id } : { kind, reading: readingOf(r) };
    }
    case 'try': {
      const r = await db.selectFrom('tries').selectAll().where('id', '=', id).executeTakeFirst();
      if (!r) return null;
      const { events: _events, ...attempt } = tryOf(r, []);
      return { kind, attempt };
    }
    case 'event': {
      const r = await db
        .selectFrom('try_events')
        .selectAll()
        .where('id', '=', id)
        .executeTakeFirst();
      return r ? { kind, tryId: r.try_id, event: eventOf(r) } : null;
    }
    case 'mark': {
      const r = await db.selectFrom('marks').selectAll().where('id', '=', id).executeTakeFirst();
      if (!r) return null;
      if (r.struck) return { kind: 'mark-struck', id };
      return { kind, beatId: r.beat_id, mark: markRowsOf([r], [])[0]! };
    }
    case 'read': {
      const r = await db.selectFrom('reads').selectAll().where('id', '=', id).executeTakeFirst();
      return r && !r.dropped ? { kind, read: readOf(r) } : null;
    }
    default:
      return null;
  }
}
