import { createHash } from 'node:crypto';
import type { LogChange } from '../core/log/index';
import type { Db } from './db';
import { markRowsOf } from './marks';
import { outingOf, readingOf } from './outings';
import { readOf } from './reads';
import { eventOf, tryOf } from './try-rows';
import { readable } from './unreadable';

const MARK_LENGTH = 12;

/** A place in the feed: a number, and a mark of the change that has it. */
export interface FeedPlace {
  seq: number;
  mark: string;
}

/** One change with its place in the feed. */
export interface FeedItem extends FeedPlace {
  change: LogChange;
}

/** The mark of a change: what it is of. A book that was put back gives its number to another. */
const markOf = ({ kind, id }: { kind: string; id: string }): string =>
  createHash('sha256').update(`${kind} ${id}`).digest('hex').slice(0, MARK_LENGTH);

/** The place of the newest change; 0 before the first. */
export async function feedEnd(db: Db): Promise<FeedPlace> {
  const row = await db
    .selectFrom('feed')
    .selectAll()
    .orderBy('seq', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row ? { seq: row.seq, mark: markOf(row) } : { seq: 0, mark: '' };
}

/** Whether this book has ever been at a place of its feed. Without a mark the number alone is looked at. */
export async function feedKnows(db: Db, { seq, mark }: FeedPlace): Promise<boolean> {
  if (seq === 0) return true;
  const row = await db.selectFrom('feed').selectAll().where('seq', '=', seq).executeTakeFirst();
  return row !== undefined && (mark === '' || markOf(row) === mark);
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
  for (const row of rows) {
    const change = await changeOf(db, row.kind, row.id);
    if (change) out.push({ seq: row.seq, mark: markOf(row), change });
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
      const [read] = r && !r.dropped ? readable([r], readOf) : [];
      return read ? { kind, read } : null;
    }
    default:
      return null;
  }
}
