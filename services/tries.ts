import type { Outing, Try, TryEvent } from '../core/log/index';
import { appendEvent, findBeat, openTry, type AppendOutcome } from '../store/index';
import { once, TOLD_WHOLE, type Change } from './change';
import { done, refused, type Outcome } from './outcome';
import { checkShape } from './shape';

/** Opens a try with its snapshot, and its outing if that is new. */
export async function beginTry(
  t: Omit<Try, 'events' | 'outingId'>,
  outing: Outing,
  { id: name }: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  const sound = checkShape('snapshot', t.snapshot, 'What the plan said', 'snapshot');
  if (!sound.ok) return sound;
  return once(name, async (trx) => {
    if (t.beatId !== null && !(await findBeat(trx, t.beatId)))
      return refused('not-found', `There is no beat "${t.beatId}" in this book.`, 'beatId');
    const outcome = await openTry(trx, { ...t, outingId: outing.id }, outing);
    return outcome === 'kept'
      ? done(null)
      : refused('conflict', `Another try of this book is called "${t.id}" already.`, 'id');
  });
}

/** Appends one event. The same event twice is kept once; nothing is ever overwritten. */
export function recordEvent(
  tryId: string,
  event: TryEvent,
  { id: name }: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  return once(name, async (trx) => appended(tryId, event, await appendEvent(trx, tryId, event)));
}

function appended(tryId: string, event: TryEvent, outcome: AppendOutcome): Outcome<null> {
  if (outcome === 'no such try')
    return refused('not-found', `There is no try "${tryId}" in this book.`);
  if (outcome === 'sequence taken')
    return refused(
      'conflict',
      `Another event of this try from the same device already has number ${event.seq}.`,
      'seq',
    );
  if (outcome === 'id taken')
    return refused(
      'conflict',
      `Another event of this book is called "${event.id}" already; this one was not kept.`,
      'id',
    );
  return done(null);
}
