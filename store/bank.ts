import type { OutingLog } from '../core/log/index';
import type { Db } from './db';
import { feedEnd, type FeedPlace } from './feed';
import { grouped } from './grouped';
import { markRowsOf } from './marks';
import { outingOf, readingOf } from './outings';
import { readOf } from './reads';
import { eventOf, tryOf } from './try-rows';
import { reading } from './transact';
import { readable } from './unreadable';

/** The log of outings that began after `sinceMs` or go on, with the marks and reads of the whole book, at one moment. */
export async function readBank(
  db: Db,
  sinceMs: number,
): Promise<{ end: FeedPlace; log: OutingLog }> {
  return reading(db, async (trx) => {
    const end = await feedEnd(trx);
    const outings = await trx
      .selectFrom('outings')
      .selectAll()
      .where((w) => w.or([w('end_ms', 'is', null), w('start_ms', '>=', sinceMs)]))
      .orderBy('start_ms', 'desc')
      .execute();
    const ids = outings.map((o) => o.id);
    const ofThese = ids.length > 0 ? ids : [''];
    const tries = await trx
      .selectFrom('tries')
      .selectAll()
      .where('outing_id', 'in', ofThese)
      .orderBy('opened_ms')
      .execute();
    const events = await trx
      .selectFrom('try_events')
      .innerJoin('tries', 'tries.id', 'try_events.try_id')
      .selectAll('try_events')
      .where('tries.outing_id', 'in', ofThese)
      .execute();
    const readings = await trx
      .selectFrom('readings')
      .selectAll()
      .where('outing_id', 'in', ofThese)
      .where('dropped', '=', 0)
      .orderBy('taken_ms')
      .execute();
    const marks = await trx
      .selectFrom('marks')
      .selectAll()
      .where('struck', '=', 0)
      .orderBy('created_ms')
      .execute();
    const reads = await trx.selectFrom('reads').selectAll().where('dropped', '=', 0).execute();
    const byTry = grouped(events, (e) => e.try_id);
    return {
      end,
      log: {
        outings: outings.map(outingOf),
        readings: readings.map(readingOf),
        tries: tries.map((t) => tryOf(t, (byTry.get(t.id) ?? []).map(eventOf))),
        marks: markRowsOf(marks, []),
        reads: readable(reads, readOf),
      },
    };
  });
}
