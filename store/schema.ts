import type { Generated } from 'kysely';

/** Instants are UTC milliseconds. `json` columns hold versioned JSON text. */
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
    dropped: Generated<number>;
  };
  outings: { id: string; beat_id: string; local_date: string };
  tries: {
    id: string;
    outing_id: string;
    beat_id: string;
    mark_id: string | null;
    fly: string;
    opened_ms: number;
    zone_offset_min: number;
    snapshot_json: string;
  };
  /** Append-only: triggers refuse UPDATE and DELETE. */
  try_events: {
    row: Generated<number>;
    id: string;
    try_id: string;
    seq: number;
    code: string;
    client_ms: number;
    zone_offset_min: number;
    detail_json: string;
  };
}
