import { feedEndOfBook, nowMs } from '@/services/index';
import { respondToAll } from '../../respond.server';

/** Whether the program answers and its book can be read. */
export async function GET() {
  return respondToAll(async () =>
    Response.json({ ok: true, nowMs: nowMs(), feedEnd: await feedEndOfBook() }),
  );
}
