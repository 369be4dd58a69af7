import { DREW_BLANK, foldTry, type EventCode, type Try, type TryEvent } from '../../core/log/index';
import { zoneOffsetMin } from '../../core/units/index';
import { changes } from '../../sync/client';
import { clientId } from '../../sync/client-id';
import { eventSource } from '../../sync/device';
import type { ActionContext } from '../action-context';
import { outingAt } from './outing-now';
import { snapshotNow } from './snapshot-now';

/** The log: a try opened with its snapshot, its events appended, the last one taken back. */
export function createTryActions({ store, beat, queue, now }: ActionContext) {
  const zone = beat.plan.timeZone;
  /** Appends one event to a try. */
  function record(tryId: string, code: EventCode, detail: Partial<TryEvent> = {}) {
    const t = store.getState().tries.find((x) => x.id === tryId);
    if (!t) return;
    const clientMs = now();
    const seq = t.events.reduce((most, e) => Math.max(most, e.seq), 0) + 1;
    const event: TryEvent = {
      id: clientId(),
      device: eventSource(),
      seq,
      code,
      clientMs,
      zoneOffsetMin: zoneOffsetMin(clientMs, zone),
      ...detail,
    };
    store.setState((s) => ({
      tries: s.tries.map((x) => (x.id === tryId ? { ...x, events: [...x.events, event] } : x)),
    }));
    const { id, ...body } = event;
    void queue.post(changes.putEvent(tryId, id, body));
  }

  const actions = {
    /** Opens a try with what the plan said at this moment. */
    beginTry(fly: string): string {
      const s = store.getState();
      const openedMs = now();
      const outing = outingAt({ store, beat, now }, openedMs);
      const opened: Try = {
        id: clientId(),
        outingId: outing.id,
        beatId: beat.id,
        markId: s.markId,
        fly,
        openedMs,
        zoneOffsetMin: zoneOffsetMin(openedMs, zone),
        snapshot: snapshotNow(beat, s),
        events: [],
      };
      store.setState((state) => ({ tries: [...state.tries, opened] }));
      const { id, events: _events, outingId: _outing, ...body } = opened;
      void queue.post(changes.putTry(id, { ...body, outing }));
      return id;
    },
    /** A lie that was fished or looked over without a fish: a try of its own, which counts as a blank. */
    drewBlank() {
      record(actions.beginTry(''), 'cast', { note: DREW_BLANK });
    },
    record,
    undoLast(tryId: string) {
      const t = store.getState().tries.find((x) => x.id === tryId);
      const last = t && foldTry(t.fly, t.events).last;
      if (last) record(tryId, 'undo', { undoes: last.id });
    },
  };
  return actions;
}
