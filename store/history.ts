import type { Outing, Reading, Try } from '../core/log/index';
import type { Db } from './db';
import { nextOrd } from './dialect';
import { putOuting, putReading } from './outings';
import { eventRow, tryRow } from './try-rows';
import { summaryOf } from './try-summary';
import { writing } from './transact';

/** Keeps outings with all that was read and tried on them, at once or not at all; what is there already stays. */
export async function putHistory(
  db: Db,
  told: { outings: readonly Outing[]; readings: readonly Reading[]; tries: readonly Try[] },
): Promise<void> {
  await writing(db, async (trx) => {
    for (const outing of told.outings) await putOuting(trx, outing);
    for (const reading of told.readings) await putReading(trx, reading);
    for (const t of told.tries) {
      const made = await trx
        .insertInto('tries')
        .values({ ...tryRow(t), ...summaryOf(t.fly, t.snapshot, t.events), ord: nextOrd('tries') })
        .onConflict((c) => c.column('id').doNothing())
        .returning('id')
        .executeTakeFirst();
      if (!made) continue;
      for (const event of t.events)
        await trx.insertInto('try_events').values(eventRow(t.id, event)).execute();
    }
  });
}
