import { backupState, feedEndOfBook, nowMs, troubleNow } from '@/services/index';
import { inTrouble, respondToAll } from '../../respond.server';

/**
 * Whether the program answers and its book can be read and written. `backup`: how the backups go that are
 * made by themselves; null: none are asked for, "failed": the last one was not made.
 */
export async function GET() {
  return respondToAll(async () => {
    const feedEnd = await feedEndOfBook();
    const trouble = await troubleNow();
    if (trouble) return inTrouble(trouble);
    const backups = backupState();
    const backup = backups && (backups.problem === null ? 'well' : 'failed');
    return Response.json({ ok: true, nowMs: nowMs(), feedEnd, backup });
  });
}
