import {
  DEFAULT_SETTINGS,
  EMPTY_SNAPSHOT,
  foldTry,
  openOutingAt,
  readingSaying,
  type KeptRead,
  type Mark,
  type Outing,
  type Reading,
  type TempSource,
  type Try,
  type TryEvent,
} from '../core/log/index';
import { meanSpeedOfRead, type BeatPack, type PackTarget } from '../core/outing/index';
import { NO_CAST, snapshotOf, snapshotWith } from '../core/planning/index';
import type { Place } from '../core/grid/index';
import { zoneOffsetMin } from '../core/units/index';
import type { BankKeeper } from '../sync/bank';
import { logged } from '../sync/bank-client';
import { changes, type QueuedRequest } from '../sync/client';
import { clientId } from '../sync/client-id';
import { eventSource } from '../sync/device';
import { waterNow } from './water-now';

/** What a try may be opened on. */
export type Opened =
  | { kind: 'target'; pack: BeatPack; target: PackTarget }
  | { kind: 'place'; readId: string; beatId: string | null }
  | { kind: 'here'; beatId: string | null };

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

  /** A place as what is worked: what its read said. Off any beat it has no place on a plan. */
  function placeTarget(readId: string): Try['snapshot']['target'] {
    const read = bank.get().log.reads.find((r) => r.id === readId);
    if (!read || (read.beatId !== null && read.xM === null)) return null;
    return {
      id: null,
      kind: read.result.kind,
      xM: read.xM ?? 0,
      yM: read.yM ?? 0,
      rating: read.result.rating,
      needs: read.result.needs,
      depthM: read.answers.depthM,
      surfaceSpeedMps: read.answers.surfacePaceMps,
      meanSpeedMps: meanSpeedOfRead(read),
      behaviour: null,
    };
  }

  /** The water at this moment: as read while that is fresh, else by the day's curve; null: neither. */
  function waterHere(): { tempC: number; source: TempSource } | null {
    const read = [...bank.get().log.readings]
      .filter((r) => r.waterTempC !== null && now() - r.takenMs < READING_HOLDS_MS)
      .sort((a, b) => b.takenMs - a.takenMs)[0];
    if (read) return { tempC: read.waterTempC!, source: 'read' };
    return waterNow.tempC === null ? null : { tempC: waterNow.tempC, source: 'curve' };
  }

  /** What the plan says now: of what was taken along, under the constants that it was made with. */
  function snapshotNow(opened: Opened, zone: string | undefined): Try['snapshot'] {
    const { bank: book } = bank.get();
    const water = waterHere();
    const at = { atMs: now(), timeZone: zone };
    const target = opened.kind === 'place' ? placeTarget(opened.readId) : null;
    if (opened.kind === 'target' || !book)
      return snapshotWith(
        opened.kind === 'target' ? opened.target.snapshot : { ...EMPTY_SNAPSHOT, target },
        book?.settings ?? DEFAULT_SETTINGS,
        { ...at, ...(water && { water }) },
      );
    const { settings } = book;
    return snapshotOf({
      ...at,
      beat: null,
      water: water ?? { tempC: null, source: null },
      settings,
      // A read's rating has no constant of a water in it.
      homeOffset: null,
      fishLengthCm: settings.fishLengthCm,
      target,
      cast: null,
      predicted: NO_CAST,
      constants: book.constants ?? { constantsHash: null },
    });
  }

  return {
    /** Opens a try; gives its id. */
    openTry(opened: Opened, fly: string): string {
      const zone = opened.kind === 'target' ? (opened.pack.timeZone ?? undefined) : undefined;
      const { outing, begins } = outingNow(zone);
      const openedMs = now();
      const attempt: Omit<Try, 'events'> = {
        id: clientId(),
        outingId: outing.id,
        beatId: opened.kind === 'target' ? opened.pack.beatId : opened.beatId,
        markId: opened.kind === 'target' ? opened.target.markId : null,
        readId: opened.kind === 'place' ? opened.readId : null,
        fly,
        openedMs,
        zoneOffsetMin: zoneOffsetMin(openedMs, zone ?? zoneHere()),
        snapshot: snapshotNow(opened, zone),
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

/** A reading older than this is not the water's temperature any more, ms. */
export const READING_HOLDS_MS = 90 * 60_000;
