import { sql, type Kysely, type Migration } from 'kysely';
import type { Db } from './db';
import { isPostgres } from './dialect';
import { inPostgres } from './in-postgres';

/** What other devices hear of. A try's own row changes with each event: its opening is news, its summary is not. */
const FED = [
  { kind: 'mark', table: 'marks', on: ['insert', 'update'] },
  { kind: 'read', table: 'reads', on: ['insert', 'update'] },
  { kind: 'outing', table: 'outings', on: ['insert', 'update'] },
  { kind: 'reading', table: 'readings', on: ['insert', 'update'] },
  { kind: 'try', table: 'tries', on: ['insert'] },
  { kind: 'event', table: 'try_events', on: ['insert'] },
] as const;

/**
 * A statement in SQLite's words, from which PostgreSQL's are made; `carried` moves rows of an older
 * book, which a book on PostgreSQL, begun later, never had.
 */
type Step = string | { carried: string };

const migration = (steps: readonly Step[]): Migration => ({
  async up(db: Kysely<unknown>) {
    const postgres = isPostgres(db as unknown as Db);
    for (const step of steps) {
      if (typeof step === 'string') await sql.raw(postgres ? inPostgres(step) : step).execute(db);
      else if (!postgres) await sql.raw(step.carried).execute(db);
    }
  },
});

const FIRST_LIGHT = [
  `create table settings (key text primary key, value text not null) strict`,
  `create table streams (id text primary key, name text not null) strict`,
  `create table beats (
    id text primary key, stream_id text not null references streams(id), name text not null,
    plan_json text not null, plan_hash text not null, created_ms integer not null) strict`,
  `create table flows (
    input_hash text primary key, beat_id text not null references beats(id) on delete cascade,
    blob blob not null, created_ms integer not null) strict`,
  `create table marks (
    id text primary key, beat_id text not null references beats(id), x_m real not null, y_m real not null,
    depth_m real not null, heading_rad real not null, total_length_cm real not null,
    surety text not null check (surety in ('sure', 'likely', 'maybe')),
    created_ms integer not null, struck integer not null default 0) strict`,
  `create index marks_of_beat on marks(beat_id)`,
  `create table outings (
    id text primary key, beat_id text not null references beats(id), local_date text not null,
    unique (beat_id, local_date)) strict`,
  `create table tries (
    id text primary key, outing_id text not null references outings(id), beat_id text not null references beats(id),
    mark_id text references marks(id), fly text not null, opened_ms integer not null,
    zone_offset_min integer not null, snapshot_json text not null) strict`,
  `create index tries_of_beat on tries(beat_id)`,
  `create table try_events (
    row integer primary key, id text not null unique, try_id text not null references tries(id),
    seq integer not null, code text not null, client_ms integer not null,
    zone_offset_min integer not null, detail_json text not null, unique (try_id, seq)) strict`,
  `create trigger try_events_keep before update on try_events begin select raise(abort, 'events are append-only'); end`,
  `create trigger try_events_stay before delete on try_events begin select raise(abort, 'events are append-only'); end`,
];

const WATER = [
  `alter table beats add column put_away integer not null default 0`,
  `alter table beats add column deleted_ms integer`,
  `alter table beats add column made_from_json text`,
  `alter table streams add column deleted_ms integer`,
  `create table beat_versions (
    beat_id text not null references beats(id), plan_hash text not null, plan_json text not null,
    made_from_json text, replaced_ms integer not null, primary key (beat_id, replaced_ms, plan_hash)) strict`,
  `create table drafts (
    id text primary key, kind text not null check (kind in ('sketch', 'survey')), stream_name text not null,
    beat_id text references beats(id), body_json text not null, updated_ms integer not null,
    dropped integer not null default 0) strict`,
  `create table photos (
    id text primary key, bytes blob not null, width integer not null, height integer not null,
    created_ms integer not null) strict`,
];

const LIES = [
  `create table reads (
    id text primary key, beat_id text references beats(id), x_m real, y_m real,
    taken_ms integer not null, zone_offset_min integer not null, answers_json text not null,
    result_json text not null, note text not null, dropped integer not null default 0) strict`,
  `create index reads_of_beat on reads(beat_id)`,
];

const SPOT = [
  `alter table marks add column behaviour text not null default 'holding'`,
  `alter table marks add column note text not null default ''`,
  `alter table marks add column photo_id text references photos(id)`,
  `alter table marks add column seen_ms integer not null default 0`,
  // What a mark was before it was changed: a fish that moved keeps where it had been.
  `create table sightings (
    mark_id text not null references marks(id), seen_ms integer not null, x_m real not null, y_m real not null,
    depth_m real not null, heading_rad real not null, surety text not null, behaviour text not null,
    kept_ms integer not null, primary key (mark_id, kept_ms, seen_ms)) strict`,
  `create table rises (
    id text primary key, beat_id text not null references beats(id), seq integer not null,
    at_ms integer not null, x_m real not null, y_m real not null, dropped integer not null default 0) strict`,
  `create index rises_of_beat on rises(beat_id)`,
];

/**
 * An outing is a day, no longer one beat on one date: those of one date become one. A try may have
 * no beat; events say which device saw them. Tables are made anew beside the old ones, parents first,
 * filled, and the old ones dropped children first, so that no reference ever dangles; renaming then
 * carries the references along.
 */
const OUTINGS: Step[] = [
  // Two streams of one name become the older one.
  {
    carried: `update beats set stream_id = (
    select s.id from streams s join streams own on own.name = s.name
    where own.id = beats.stream_id order by s.rowid limit 1)`,
  },
  {
    carried: `delete from streams where rowid not in (select min(rowid) from streams group by name)`,
  },
  `create unique index streams_by_name on streams(name)`,
  `create table outings_now (
    id text primary key, start_ms integer not null, end_ms integer, time_zone text not null,
    note text not null default '') strict`,
  {
    carried: `insert into outings_now (id, start_ms, end_ms, time_zone)
    select 'outing-' || o.local_date,
      coalesce(min(t.opened_ms), 1000 * cast(strftime('%s', o.local_date) as integer)),
      coalesce(max(t.opened_ms), 1000 * cast(strftime('%s', o.local_date) as integer)),
      coalesce(max(json_extract(b.plan_json, '$.timeZone')), 'UTC')
    from outings o join beats b on b.id = o.beat_id left join tries t on t.outing_id = o.id
    group by o.local_date`,
  },
  `create table tries_now (
    id text primary key, outing_id text not null references outings_now(id),
    beat_id text references beats(id), mark_id text references marks(id), fly text not null,
    opened_ms integer not null, zone_offset_min integer not null, snapshot_json text not null,
    summary_version integer not null default 0, closed_ms integer, state text not null default 'open',
    casts integer not null default 0, last_fly text, landed_cm real, species text, lie_kind text,
    rating real, depth_m real, surface_speed_mps real, mean_speed_mps real, water_temp_c real,
    lay_kind text, fly_kind text, chance real) strict`,
  {
    carried: `insert into tries_now (id, outing_id, beat_id, mark_id, fly, opened_ms, zone_offset_min, snapshot_json)
    select t.id, 'outing-' || o.local_date, t.beat_id, t.mark_id, t.fly, t.opened_ms,
      t.zone_offset_min, t.snapshot_json
    from tries t join outings o on o.id = t.outing_id order by t.rowid`,
  },
  `create table try_events_now (
    row integer primary key, id text not null unique, try_id text not null references tries_now(id),
    device text not null, seq integer not null, code text not null, client_ms integer not null,
    zone_offset_min integer not null, detail_json text not null, unique (try_id, device, seq)) strict`,
  {
    carried: `insert into try_events_now (row, id, try_id, device, seq, code, client_ms, zone_offset_min, detail_json)
    select row, id, try_id, '', seq, code, client_ms, zone_offset_min, detail_json from try_events`,
  },
  `drop trigger try_events_keep`,
  `drop trigger try_events_stay`,
  `drop table try_events`,
  `drop table tries`,
  `drop table outings`,
  `alter table outings_now rename to outings`,
  `alter table tries_now rename to tries`,
  `alter table try_events_now rename to try_events`,
  `create index tries_of_beat on tries(beat_id)`,
  `create index tries_of_outing on tries(outing_id)`,
  `create trigger try_events_keep before update on try_events begin select raise(abort, 'events are append-only'); end`,
  `create trigger try_events_stay before delete on try_events begin select raise(abort, 'events are append-only'); end`,
  `create table readings (
    id text primary key, outing_id text not null references outings(id),
    beat_id text references beats(id), taken_ms integer not null, zone_offset_min integer not null,
    water_temp_c real, air_temp_c real, turbidity_ntu real, note text not null default '',
    dropped integer not null default 0) strict`,
  `create index readings_of_outing on readings(outing_id)`,
];

/**
 * Phones that were paired; more of a reading; a try at a place that nobody drew; what was prepared
 * for the bank; and the feed: one row a change, in order, so that a device can ask for what it has missed.
 */
const BANK = [
  `create table phones (
    id text primary key, name text not null, paired_ms integer not null, seen_ms integer not null,
    thrown_out_ms integer) strict`,
  `alter table readings add column level_m real`,
  `alter table readings add column sky text`,
  `alter table readings add column wind_mps real`,
  `alter table readings add column wind_from text`,
  `alter table readings add column source text not null default 'typed'`,
  `alter table tries add column read_id text references reads(id)`,
  `create table packs (
    input_hash text primary key, beat_id text not null references beats(id) on delete cascade,
    json text not null, created_ms integer not null) strict`,
  `create index tries_by_time on tries(opened_ms)`,
  `create table feed (seq integer primary key autoincrement, kind text not null, id text not null) strict`,
  ...FED.flatMap(({ kind, table, on }) =>
    on.map(
      (event) =>
        `create trigger feed_${table}_${event} after ${event} on ${table}
          begin insert into feed (kind, id) values ('${kind}', new.id); end`,
    ),
  ),
];

/** A quick read as a place along its stream. */
const PLACES = [`alter table reads add column place_json text`];

/** What is told for planning a day, of a stream, a beat, a way or a date; and readings by their hour. */
const DAY = [
  `create table day_facts (
    kind text not null, id text not null, json text not null, primary key (kind, id)) strict`,
  `create index readings_by_time on readings(taken_ms)`,
];

/**
 * The order in which things were made, which the clock alone may not tell, in a column of its own: a
 * row's place in SQLite's file is not kept when the file is packed. And the solver's queue, so that
 * whichever process is free takes what was asked of another.
 */
const ORDERS: Step[] = [
  ...['beats', 'marks', 'tries'].map(
    (table) => `alter table ${table} add column ord integer not null default 0`,
  ),
  // That a mark has a number is no news of it.
  `drop trigger feed_marks_update`,
  ...['beats', 'marks', 'tries'].map((table): Step => ({
    carried: `update ${table} set ord = rowid`,
  })),
  `create trigger feed_marks_update after update on marks
    begin insert into feed (kind, id) values ('mark', new.id); end`,
  ...['beats', 'marks', 'tries'].map((table) => `create index ${table}_by_ord on ${table}(ord)`),
  `create table solves (
    hash text primary key, beat_id text not null, level text not null, state text not null,
    progress real not null, message text, ord integer not null, worker text, alive_ms integer not null,
    discharge_m3s real not null) strict`,
  // Keys that whoever serves this book has in common.
  `create table secrets (name text primary key, value text not null) strict`,
];

/** Names of changes that were taken, with what was answered where one did not win: each is taken once. */
const CHANGES: Step[] = [
  `create table taken_changes (
    id text primary key, at_ms integer not null, refusal_json text) strict`,
  `create index taken_changes_by_age on taken_changes(at_ms)`,
  // What could not be read, as it was, for a hand that can mend it.
  `create table laid_aside (
    row integer primary key, of_table text not null, id text not null, at_ms integer not null,
    json text not null) strict`,
];

/** Append-only: a migration that has been released is never edited. */
export const MIGRATIONS: Record<string, Migration> = {
  '2026-001-first-light': migration(FIRST_LIGHT),
  '2026-002-water': migration(WATER),
  '2026-003-lies': migration(LIES),
  '2026-004-spot': migration(SPOT),
  '2026-005-outings': migration(OUTINGS),
  '2026-006-bank': migration(BANK),
  '2026-007-places': migration(PLACES),
  '2026-008-day': migration(DAY),
  '2026-009-orders': migration(ORDERS),
  '2026-010-changes': migration(CHANGES),
};
