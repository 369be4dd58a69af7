import { constantsMark, priorsOf } from '../core/log/index';
import type { Bank } from '../core/outing/index';
import { listBeats, readBank } from '../store/index';
import { book } from './book';
import { clockFixed, nowMs } from './clock';
import { dayBookOf } from './day';
import { settings } from './settings';

const DAYS = 3;

/** The book as the bank needs it: outings of the last days, settings, and which beats there are. */
export async function bankOf(): Promise<Bank> {
  const db = await book();
  const now = nowMs();
  const told = await settings();
  const { end, log } = await readBank(db, now - DAYS * 86_400_000);
  const beats = (await listBeats(db)).filter((b) => !b.deleted && !b.putAway);
  return {
    end: end.seq,
    endMark: end.mark,
    log,
    settings: told,
    constants: constantsMark(priorsOf(told)),
    beats: beats.map((b) => ({
      id: b.id,
      name: b.name,
      streamName: b.streamName,
      levels: b.plan.levels.map((l) => l.name),
      level: b.plan.surveyedLevel,
    })),
    nowMs: now,
    day: await dayBookOf(),
    clockFixed: clockFixed(),
  };
}
