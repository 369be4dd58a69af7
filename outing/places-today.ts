import type { KeptRead, ReadPlace } from '../core/log/index';
import { seasonsPattern } from './seasons-pattern';
import {
  isPlace,
  placePlan,
  waterOfRead,
  type PlacePlan,
  type PlaceRead,
} from '../core/outing/index';
import { civilDay } from '../core/units/index';
import type { OutingShared } from './shared';

/** Without an outing a read of the last half day is today's. */
const TODAY_MS = 12 * 3_600_000;

export interface PlacesToday {
  /** Every read, newest first. */
  reads: KeptRead[];
  /** Where one stands; null: nothing was read today. */
  newest: KeptRead | null;
  stream: string;
  plan: PlacePlan;
}

/** Today's places along their stream, and what they are worth; a read that nobody told more of is a place of one lie. */
export function placesToday(
  { view, outing, tries, now }: Pick<OutingShared, 'view' | 'outing' | 'tries' | 'now'>,
  waterTempC: number | null,
  waterLeftM: number | null,
  untilMs: number | null,
): PlacesToday {
  const reads = [...view.log.reads].sort((a, b) => b.takenMs - a.takenMs);
  const since = outing?.startMs ?? now - TODAY_MS;
  const fresh = reads.filter((r) => r.takenMs >= since);
  const stream =
    fresh.find(isPlace)?.place.streamName ?? view.bank?.beats[0]?.streamName ?? 'this water';
  const asPlace = (r: KeptRead): PlaceRead => ({ ...r, place: r.place ?? plainPlace(r, stream) });
  const today = fresh.map(asPlace).filter((r) => r.place.streamName === stream);
  const before = reads
    .filter(isPlace)
    .filter((r) => r.takenMs < since && r.place.streamName === stream);
  const earlier = view.log.tries.filter((t) => t.outingId !== outing?.id);
  const pattern = seasonsPattern(view.bank?.settings, now, view.bank?.day);
  const moment = { nowMs: now, waterTempC, waterLeftM, untilMs, pattern };
  return {
    reads,
    newest: fresh[0] ?? null,
    stream,
    plan: placePlan(today, tries, view.log.reads, byDay(before), earlier, moment),
  };
}

const plainPlace = (r: KeptRead, streamName: string): ReadPlace => ({
  streamName,
  water: waterOfRead(r),
  count: 1,
  at: null,
  photoId: null,
});

/** Places by the day they were read, newest day first. */
function byDay(places: readonly PlaceRead[]): PlaceRead[][] {
  const days = new Map<string, PlaceRead[]>();
  for (const p of places) {
    const day = civilDay(p.takenMs + p.zoneOffsetMin * 60_000, 'UTC');
    days.set(day, [...(days.get(day) ?? []), p]);
  }
  return [...days].sort(([a], [b]) => (a < b ? 1 : -1)).map(([, list]) => list);
}
