import type { BookRows } from '../store/index';

type Row = Record<string, unknown>;

/** A backup as it was written before outings spanned beats and events named their device. */
export interface FirstBackup {
  pebbleLaneBook: 1;
  writtenMs: number;
  tables: Partial<Record<keyof BookRows, Row[]>>;
}

const dayMs = (date: string) => Date.parse(`${date}T00:00:00Z`);

/**
 * The rows of a first backup in today's shape, as the migration does it: outings of one date become
 * one, tries point to it, and events come from a device without a name. What came later is empty.
 */
export function upgradeFirstBackup({ tables }: FirstBackup): BookRows {
  const rows = (name: keyof BookRows) => tables[name] ?? [];
  const dateOf = new Map(rows('outings').map((o) => [o.id, String(o.local_date)]));
  const zoneOf = new Map(
    rows('beats').map((b) => [
      b.id,
      (JSON.parse(String(b.plan_json)) as { timeZone?: string }).timeZone ?? 'UTC',
    ]),
  );
  const tries = rows('tries').map((t): Row => {
    const date = dateOf.get(t.outing_id) ?? '1970-01-01';
    return { ...t, outing_id: `outing-${date}` };
  });
  const outings = [...new Set(dateOf.values())].map((date): Row => {
    const id = `outing-${date}`;
    const opened = tries.filter((t) => t.outing_id === id).map((t) => Number(t.opened_ms));
    const beat = rows('outings').find((o) => o.local_date === date)!.beat_id;
    return {
      id,
      start_ms: opened.length > 0 ? Math.min(...opened) : dayMs(date),
      end_ms: opened.length > 0 ? Math.max(...opened) : dayMs(date),
      time_zone: zoneOf.get(beat) ?? 'UTC',
      note: '',
    };
  });
  return {
    settings: rows('settings'),
    streams: rows('streams'),
    beats: rows('beats'),
    beat_versions: rows('beat_versions'),
    drafts: rows('drafts'),
    photos: rows('photos'),
    marks: rows('marks'),
    reads: rows('reads'),
    sightings: rows('sightings'),
    rises: rows('rises'),
    outings,
    readings: [],
    day_facts: [],
    tries,
    taken_changes: [],
    try_events: rows('try_events').map((e) => ({ device: '', ...e })),
  };
}
