import { TOTAL_PER_FORK } from '../../../core/fish/index';
import type { Place } from '../../../core/grid/index';
import { foldTry, type EventCode, type TryEvent } from '../../../core/log/index';
import { probeFlow } from '../../../core/water/index';
import { toCivil, zoneOffsetMin } from '../../../core/units/civil-time';
import { clientId } from '../../../sync/client-id';
import type { Desk } from '../../state/desk';
import { lieOf, targetOf, tempOf, type Try, type WorkspaceState } from '../../state/state';

/** The note of a try that says only that nobody was home. */
export const DREW_BLANK = 'Drew blank.';

/** What the water is where the target lies: depth and depth-mean pace. */
const waterAt = (s: WorkspaceState, at: Place | null) => {
  const probe = s.flow && at ? probeFlow(s.flow, null, at.xM, at.yM) : null;
  return probe && { depthM: probe.depthM, paceMps: probe.meanMps };
};

/** The log: a try opened with its snapshot, its events appended, the last one taken back. */
export function createTryActions({ store, beat, outbox, now }: Desk) {
  const zone = beat.plan.timeZone;
  /** Appends one event to a try. */
  function record(tryId: string, code: EventCode, detail: Partial<TryEvent> = {}) {
    const t = store.get().tries.find((x) => x.id === tryId);
    if (!t) return;
    const clientMs = now();
    const seq = t.events.reduce((most, e) => Math.max(most, e.seq), 0) + 1;
    const event: TryEvent = {
      id: clientId(),
      seq,
      code,
      clientMs,
      zoneOffsetMin: zoneOffsetMin(clientMs, zone),
      ...detail,
    };
    store.set((s) => ({
      tries: s.tries.map((x) => (x.id === tryId ? { ...x, events: [...x.events, event] } : x)),
    }));
    const { id, ...body } = event;
    outbox.post({ method: 'PUT', path: `/api/v1/tries/${tryId}/events/${id}`, body });
  }

  function hourOf(s: WorkspaceState): number {
    const text = toCivil(s.atMs, zone);
    return Number(text.slice(11, 13)) + Number(text.slice(14, 16)) / 60;
  }

  const actions = {
    /** Opens a try with what the plan said at this moment. */
    beginTry(fly: string): string {
      const s = store.get();
      const openedMs = now();
      const target = targetOf(s);
      const level = beat.plan.levels.find((l) => l.name === s.level)!;
      const lie = lieOf(s);
      const opened: Try = {
        id: clientId(),
        markId: s.markId,
        fly,
        openedMs,
        zoneOffsetMin: zoneOffsetMin(openedMs, zone),
        events: [],
        snapshot: {
          level: level.name,
          dischargeM3s: level.dischargeM3s,
          hour: toCivil(s.atMs, zone),
          waterTempC: s.settings.waterTempC,
          ratedAtTempC: tempOf(s),
          target,
          lie: lie && { kind: lie.kind, rating: lie.rating, needs: lie.needs },
          water: waterAt(s, target),
          stand: s.stand,
          posture: s.posture,
          landing: s.landing,
          lay: s.lay,
          predictedCleanS: s.drift?.cleanS ?? null,
          exposure:
            s.hours?.reduce((a, b) =>
              Math.abs(b.hour - hourOf(s)) < Math.abs(a.hour - hourOf(s)) ? b : a,
            ).exposure ?? null,
          ratedLengthFlCm: Math.round(
            (target?.totalLengthCm ?? s.settings.fishLengthCm) / TOTAL_PER_FORK,
          ),
        },
      };
      store.set((state) => ({ tries: [...state.tries, opened] }));
      const { id, events: _events, ...body } = opened;
      outbox.post({
        method: 'PUT',
        path: `/api/v1/tries/${id}`,
        body: { ...body, beatId: beat.id, localDate: toCivil(openedMs, zone).slice(0, 10) },
      });
      return id;
    },
    /** A lie that was fished or looked over without a fish: a try of its own, which counts as a blank. */
    drewBlank() {
      record(actions.beginTry(''), 'cast', { note: DREW_BLANK });
    },
    record,
    takeBack(tryId: string) {
      const t = store.get().tries.find((x) => x.id === tryId);
      const last = t && foldTry(t.fly, t.events).last;
      if (last) record(tryId, 'undo', { undoes: last.id });
    },
  };
  return actions;
}
