import { sql, type Kysely, type Migration } from 'kysely';

/** Append-only: a migration that has been released is never edited. */
export const MIGRATIONS: Record<string, Migration> = {
  '2026-001-first-light': {
    async up(db: Kysely<unknown>) {
      for (const statement of FIRST_LIGHT) await sql.raw(statement).execute(db);
    },
  },
  '2026-002-water': {
    async up(db: Kysely<unknown>) {
      for (const statement of WATER) await sql.raw(statement).execute(db);
    },
  },
  '2026-003-lies': {
    async up(db: Kysely<unknown>) {
      for (const statement of LIES) await sql.raw(statement).execute(db);
    },
  },
  '2026-004-spot': {
    async up(db: Kysely<unknown>) {
      for (const statement of SPOT) await sql.raw(statement).execute(db);
    },
  },
};

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
