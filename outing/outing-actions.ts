import {
  foldTry,
  openOutingAt,
  readingSaying,
  type KeptRead,
  type Mark,
  type Outing,
  type Reading,
  type Try,
  type TryEvent,
} from '../core/log/index';
import type { Place } from '../core/grid/index';
import { zoneOffsetMin } from '../core/units/index';
import type { BankKeeper } from '../sync/bank';
import { logged } from '../sync/bank-client';
import { changes, type QueuedRequest } from '../sync/client';
import { clientId } from '../sync/client-id';
import { eventSource } from '../sync/device';

/** What can be done on the bank: each shows at once, is kept on the device, and is sent when it can be. */
export function createOutingActions(bank: BankKeeper, now: () => number) {
  const zoneHere = () => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

  /** The outing that goes on today; else a new one, with the request that begins it. */
  function outingNow(zone: string | undefined): { outing: Outing; begins: QueuedRequest[] } {
    const open = openOutingAt(bank.get().log.outings, now());
    if (open) return { outing: open, begins: [] };
    const outing: Outing = {
      id: clientId(),
      startMs: now(),
      endMs: null,
      timeZone: zone ?? zoneHere(),
      note: '',
    };
    return { outing, begins: [logged.outing(outing)] };
  }

  function eventNow(t: Try, code: TryEvent['code'], detail: Partial<TryEvent>): TryEvent {
    const clientMs = now();
    return {
      id: clientId(),
      device: eventSource(),
      seq: t.events.reduce((most, e) => Math.max(most, e.seq), 0) + 1,
      code,
      clientMs,
      zoneOffsetMin: t.zoneOffsetMin,
      ...detail,
    };
  }

  const tryOf = (id: string) => bank.get().log.tries.find((t) => t.id === id);

  return {
    /** What this device knows now. */
    seen: () => ({ view: bank.get(), nowMs: now() }),
    /** Opens a try with what the plan says of it; gives its id. Who opens one asks `beginTry`. */
    openTry(
      at: Pick<Try, 'beatId' | 'markId' | 'readId'> & { timeZone: string | undefined },
      fly: string,
      snapshot: Try['snapshot'],
    ): string {
      const { timeZone, ...where } = at;
      const { outing, begins } = outingNow(timeZone);
      const openedMs = now();
      const attempt: Omit<Try, 'events'> = {
        id: clientId(),
        outingId: outing.id,
        ...where,
        fly,
        openedMs,
        zoneOffsetMin: zoneOffsetMin(openedMs, timeZone ?? zoneHere()),
        snapshot,
      };
      void bank.record(...begins, logged.attempt(attempt, outing));
      return attempt.id;
    },
    /** One press. Resolves to whether the device has it. */
    press(tryId: string, code: TryEvent['code'], detail: Partial<TryEvent> = {}): Promise<boolean> {
      const t = tryOf(tryId);
      if (!t) return Promise.resolve(false);
      return bank.record(logged.event(tryId, eventNow(t, code, detail)));
    },
    /** Takes the last press back; false when there is none. */
    takeBack(tryId: string): boolean {
      const t = tryOf(tryId);
      const last = t && foldTry(t.fly, t.events).last;
      if (!t || !last) return false;
      void bank.record(logged.event(tryId, eventNow(t, 'undo', { undoes: last.id })));
      return true;
    },
    /** A fish that was seen, marked where it lay. */
    markFish(beatId: string, at: Place, headingRad: number, behaviour: Mark['behaviour']): Mark {
      const mark: Mark = {
        id: clientId(),
        xM: Math.round(100 * at.xM) / 100,
        yM: Math.round(100 * at.yM) / 100,
        fishDepthM: 0.3,
        headingRad,
        totalLengthCm: bank.get().bank?.settings.fishLengthCm ?? 25,
        surety: 'likely',
        behaviour,
        note: '',
        photoId: null,
        seenMs: now(),
        history: [],
      };
      void bank.record(logged.mark(beatId, mark));
      return mark;
    },
    /** Readings; resolves to whether the device has them. */
    read(told: readonly Partial<Reading>[], beatId: string | null): Promise<boolean> {
      const { outing, begins } = outingNow(undefined);
      const all = told.map((t) => {
        const takenMs = t.takenMs ?? now();
        return logged.reading(
          readingSaying({
            id: clientId(),
            outingId: outing.id,
            beatId,
            zoneOffsetMin: zoneOffsetMin(takenMs, outing.timeZone),
            ...t,
            takenMs,
          }),
        );
      });
      return bank.record(...begins, ...all);
    },
    /** A photograph, in the line before what speaks of it; its id, and whether the device has it. */
    async photograph(file: Blob): Promise<{ id: string; kept: boolean }> {
      const id = clientId();
      return { id, kept: await bank.record(logged.photo(id, file)) };
    },
    /** A read, told as a place or anew. */
    tellRead: (read: KeptRead) => bank.record(changes.putRead(read)),
    dropReading: (id: string) => bank.record(logged.dropReading(id)),
    endOuting(outing: Outing): Promise<boolean> {
      return bank.record(logged.outing({ ...outing, endMs: Math.max(now(), outing.startMs) }));
    },
    switchUnits(to: 'metric' | 'us'): Promise<boolean> {
      return bank.record(
        changes.putSettings({ units: to }, { units: to === 'us' ? 'metric' : 'us' }),
      );
    },
  };
}
export type OutingActions = ReturnType<typeof createOutingActions>;
