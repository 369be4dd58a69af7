import type { TryEvent } from './events';
import type { Mark } from './marks';
import type { Outing, Reading } from './outings';
import type { KeptRead } from './reads';
import type { Try } from './tries';

/**
 * One change of the log, as it travels: kept on the device that made it, sent to the book, told to
 * other devices. Applying one twice, or in another order, gives the same log.
 */
export type LogChange =
  | { kind: 'outing'; outing: Outing }
  | { kind: 'reading'; reading: Reading }
  | { kind: 'reading-dropped'; id: string }
  | { kind: 'try'; attempt: Omit<Try, 'events'> }
  | { kind: 'event'; tryId: string; event: TryEvent }
  | { kind: 'mark'; beatId: string; mark: Mark }
  | { kind: 'mark-struck'; id: string }
  | { kind: 'read'; read: KeptRead };

/** What a device knows of what happened. */
export interface OutingLog {
  outings: Outing[];
  readings: Reading[];
  tries: Try[];
  marks: (Mark & { beatId: string })[];
  reads: KeptRead[];
}

export const EMPTY_LOG: OutingLog = { outings: [], readings: [], tries: [], marks: [], reads: [] };

/** Events whose try is not known yet wait under this, so that order of arrival does not matter. */
interface Waiting {
  [tryId: string]: TryEvent[];
}

const upsert = <T extends { id: string }>(list: readonly T[], item: T): T[] =>
  list.some((x) => x.id === item.id)
    ? list.map((x) => (x.id === item.id ? item : x))
    : [...list, item];

const withEvent = (events: readonly TryEvent[], event: TryEvent): TryEvent[] =>
  events.some((e) => e.id === event.id) ? (events as TryEvent[]) : [...events, event];

/**
 * A log with changes applied, oldest first. Of an outing, a reading or a mark the newest state
 * stands; tries and events are only ever added, each once by its id.
 */
export function applyChanges(log: OutingLog, changes: readonly LogChange[]): OutingLog {
  let { outings, readings, marks, reads } = log;
  const tries = new Map(log.tries.map((t) => [t.id, t]));
  const waiting: Waiting = {};
  for (const c of changes) {
    if (c.kind === 'outing') outings = upsert(outings, c.outing);
    else if (c.kind === 'reading') readings = upsert(readings, c.reading);
    else if (c.kind === 'reading-dropped') readings = readings.filter((r) => r.id !== c.id);
    else if (c.kind === 'mark') marks = upsert(marks, { ...c.mark, beatId: c.beatId });
    else if (c.kind === 'mark-struck') marks = marks.filter((m) => m.id !== c.id);
    else if (c.kind === 'read') reads = upsert(reads, c.read);
    else if (c.kind === 'try') {
      const known = tries.get(c.attempt.id);
      if (!known) {
        const early = waiting[c.attempt.id] ?? [];
        tries.set(c.attempt.id, {
          ...c.attempt,
          events: early.reduce(withEvent, [] as TryEvent[]),
        });
      }
    } else {
      const known = tries.get(c.tryId);
      if (known) tries.set(c.tryId, { ...known, events: withEvent(known.events, c.event) });
      else (waiting[c.tryId] ??= []).push(c.event);
    }
  }
  return { outings, readings, marks, reads, tries: [...tries.values()] };
}
