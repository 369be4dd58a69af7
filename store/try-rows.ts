import type { Selectable } from 'kysely';
import { instantIn, type Try, type TryEvent } from '../core/log/index';
import type { Database } from './schema';
import { detailIn, snapshotIn } from './unreadable';

export const eventOf = (e: Selectable<Database['try_events']>): TryEvent => ({
  id: e.id,
  device: e.device,
  seq: e.seq,
  code: e.code as TryEvent['code'],
  clientMs: instantIn(e.client_ms),
  zoneOffsetMin: e.zone_offset_min,
  ...(detailIn(e.detail_json) as Partial<TryEvent>),
});

export const tryOf = (t: Selectable<Database['tries']>, events: TryEvent[]): Try => ({
  id: t.id,
  outingId: t.outing_id,
  beatId: t.beat_id,
  markId: t.mark_id,
  readId: t.read_id,
  fly: t.fly,
  openedMs: instantIn(t.opened_ms),
  zoneOffsetMin: t.zone_offset_min,
  snapshot: snapshotIn(t.snapshot_json),
  events,
});

/** A try as its row; what is summed up of it comes beside. */
export const tryRow = (t: Omit<Try, 'events'>) => ({
  id: t.id,
  outing_id: t.outingId,
  beat_id: t.beatId,
  mark_id: t.markId,
  read_id: t.readId ?? null,
  fly: t.fly,
  opened_ms: t.openedMs,
  zone_offset_min: t.zoneOffsetMin,
  snapshot_json: JSON.stringify(t.snapshot),
});

/** An event as its row. */
export function eventRow(tryId: string, event: TryEvent) {
  const { id, device, seq, code, clientMs, zoneOffsetMin, ...detail } = event;
  return {
    id,
    try_id: tryId,
    device,
    seq,
    code,
    client_ms: clientMs,
    zone_offset_min: zoneOffsetMin,
    detail_json: JSON.stringify(detail),
  };
}
