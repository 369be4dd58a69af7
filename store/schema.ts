import type { Generated } from 'kysely';

/**
 * What a try says, derived from its snapshot and the fold of its events so that Learn can ask for
 * it: written with each event, and anew for all when `SUMMARY_VERSION` is raised. null: not known.
 */
interface TrySummaryColumns {
  summary_version: Generated<number>;
  /** When it was landed, lost or put down; null while open. */
  closed_ms: number | null;
  state: Generated<string>;
  casts: Generated<number>;
  last_fly: string | null;
  landed_cm: number | null;
  species: string | null;
  lie_kind: string | null;
  rating: number | null;
  depth_m: number | null;
  surface_speed_mps: number | null;
  mean_speed_mps: number | null;
  water_temp_c: number | null;
  lay_kind: string | null;
  fly_kind: string | null;
  chance: number | null;
}

/** Instants are UTC milliseconds. `json` columns hold versioned JSON text. `ord` counts rows up as they are made. */
export interface Database {
  settings: { key: string; value: string };
  streams: { id: string; name: string; deleted_ms: number | null };
  beats: {
    id: string;
    stream_id: string;
    name: string;
    plan_json: string;
    plan_hash: string;
    created_ms: number;
    put_away: Generated<number>;
    /** Deleted, not gone: it can be taken back. */
    deleted_ms: number | null;
    /** What it was made from beside its plan (`MadeFrom`). */
    made_from_json: string | null;
    ord: Generated<number>;
  };
  /** Plans that were replaced. */
  beat_versions: {
    beat_id: string;
    plan_hash: string;
    plan_json: string;
    made_from_json: string | null;
    replaced_ms: number;
  };
  /** Beats being made; `body_json` belongs to the interface. */
  drafts: {
    id: string;
    kind: string;
    stream_name: string;
    beat_id: string | null;
    body_json: string;
    updated_ms: number;
    dropped: Generated<number>;
  };
  /** Re-encoded JPEG without metadata. */
  photos: { id: string; bytes: Buffer; width: number; height: number; created_ms: number };
  /** Solved flows by the hash of everything that went into them. */
  flows: { input_hash: string; beat_id: string; blob: Buffer; created_ms: number };
  marks: {
    id: string;
    beat_id: string;
    x_m: number;
    y_m: number;
    depth_m: number;
    heading_rad: number;
    total_length_cm: number;
    surety: string;
    created_ms: number;
    struck: number;
    behaviour: Generated<string>;
    note: Generated<string>;
    photo_id: string | null;
    seen_ms: Generated<number>;
    ord: Generated<number>;
  };
  /** What marks were before they were changed. */
  sightings: {
    mark_id: string;
    seen_ms: number;
    x_m: number;
    y_m: number;
    depth_m: number;
    heading_rad: number;
    surety: string;
    behaviour: string;
    kept_ms: number;
  };
  /** Rings tapped where they showed. Order is by `seq`, never by clock. */
  rises: {
    id: string;
    beat_id: string;
    seq: number;
    at_ms: number;
    x_m: number;
    y_m: number;
    dropped: Generated<number>;
  };
  /** Quick reads: one place as told, on a beat or on none yet. */
  reads: {
    id: string;
    beat_id: string | null;
    x_m: number | null;
    y_m: number | null;
    taken_ms: number;
    zone_offset_min: number;
    answers_json: string;
    result_json: string;
    note: string;
    /** As a place along its stream. */
    place_json: string | null;
    dropped: Generated<number>;
  };
  /** A day or part of one, over any number of beats and places. The id is the device's. */
  outings: {
    id: string;
    start_ms: number;
    end_ms: number | null;
    time_zone: string;
    note: Generated<string>;
  };
  /** Readings of water and air. */
  readings: {
    id: string;
    outing_id: string;
    beat_id: string | null;
    taken_ms: number;
    zone_offset_min: number;
    water_temp_c: number | null;
    air_temp_c: number | null;
    turbidity_ntu: number | null;
    note: Generated<string>;
    dropped: Generated<number>;
    /** Height of the water on the angler's own gauge or mark, m. */
    level_m: number | null;
    sky: string | null;
    wind_mps: number | null;
    wind_from: string | null;
    source: Generated<string>;
  };
  /** What is told for planning a day, by kind (`FACT_KINDS`) and by what it is told of. */
  day_facts: { kind: string; id: string; json: string };
  /** Devices that were let in by a code. */
  phones: {
    id: string;
    name: string;
    paired_ms: number;
    seen_ms: number;
    thrown_out_ms: number | null;
  };
  /** Rows that could not be read, as they were. */
  laid_aside: {
    row: Generated<number>;
    of_table: string;
    id: string;
    at_ms: number;
    json: string;
  };
  /** Changes that were taken, by the names that devices gave them. */
  taken_changes: { id: string; at_ms: number; refusal_json: string | null };
  /** What was prepared for the bank, by the hash of everything that went into it. */
  packs: { input_hash: string; beat_id: string; json: string; created_ms: number };
  /** One row a change, written by triggers: what a device has missed is what has a higher number. */
  feed: { seq: Generated<number>; kind: string; id: string };
  tries: {
    id: string;
    outing_id: string;
    beat_id: string | null;
    mark_id: string | null;
    /** A place as told (`reads`), where no beat was drawn. */
    read_id: string | null;
    fly: string;
    opened_ms: number;
    zone_offset_min: number;
    snapshot_json: string;
    ord: Generated<number>;
  } & TrySummaryColumns;
  /** Levels to be solved, by the hash of what they are solved from; whichever process is free takes the next. */
  solves: {
    hash: string;
    beat_id: string;
    level: string;
    state: string;
    progress: number;
    message: string | null;
    ord: number;
    /** The process that solves it, and when it last said so. */
    worker: string | null;
    alive_ms: number;
    discharge_m3s: number;
  };
  /** Keys that whoever serves the book has in common; in no backup. */
  secrets: { name: string; value: string };
  /** Append-only: triggers refuse UPDATE and DELETE. */
  try_events: {
    row: Generated<number>;
    id: string;
    try_id: string;
    /** Made on the device that saw it; it counts `seq` up. '' before devices had names. */
    device: string;
    seq: number;
    code: string;
    client_ms: number;
    zone_offset_min: number;
    detail_json: string;
  };
}
