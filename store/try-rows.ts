import type { Selectable } from 'kysely';
import { readSnapshot, type Try, type TryEvent } from '../core/log/index';
import type { Database } from './schema';

export const eventOf = (e: Selectable<Database['try_events']>): TryEvent => ({
  id: e.id,
  device: e.device,
  seq: e.seq,
  code: e.code as TryEvent['code'],
  clientMs: e.client_ms,
  zoneOffsetMin: e.zone_offset_min,
  ...(JSON.parse(e.detail_json) as Partial<TryEvent>),
});

export const tryOf = (t: Selectable<Database['tries']>, events: TryEvent[]): Try => ({
  id: t.id,
  outingId: t.outing_id,
  beatId: t.beat_id,
  markId: t.mark_id,
  readId: t.read_id,
  fly: t.fly,
  openedMs: t.opened_ms,
  zoneOffsetMin: t.zone_offset_min,
  snapshot: readSnapshot(JSON.parse(t.snapshot_json)),
  events,
});
