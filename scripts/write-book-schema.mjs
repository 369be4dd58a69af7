// Writes public/book.schema.json, the published shape of a backup, from the one table below.
// book-1.schema.json beside it is the shape that earlier backups have; it does not change any more.
import { writeFileSync } from 'node:fs';

const text = { type: 'string' };
const id = { type: 'string', minLength: 1, maxLength: 120 };
const ms = { type: 'integer' };
const real = { type: 'number' };
const flag = { enum: [0, 1] };
const maybe = (schema) => ({ anyOf: [schema, { type: 'null' }] });
const json = { type: 'string', description: 'JSON text' };

const tables = {
  settings: { key: id, value: json },
  streams: { id, name: text, deleted_ms: maybe(ms) },
  beats: {
    id,
    stream_id: id,
    name: text,
    plan_json: json,
    plan_hash: id,
    created_ms: ms,
    put_away: flag,
    deleted_ms: maybe(ms),
    made_from_json: maybe(json),
  },
  beat_versions: {
    beat_id: id,
    plan_hash: id,
    plan_json: json,
    made_from_json: maybe(json),
    replaced_ms: ms,
  },
  drafts: {
    id,
    kind: { enum: ['sketch', 'survey'] },
    stream_name: text,
    beat_id: maybe(id),
    body_json: json,
    updated_ms: ms,
    dropped: flag,
  },
  photos: {
    id,
    bytes: { type: 'string', contentEncoding: 'base64', contentMediaType: 'image/jpeg' },
    width: ms,
    height: ms,
    created_ms: ms,
  },
  marks: {
    id,
    beat_id: id,
    x_m: real,
    y_m: real,
    depth_m: real,
    heading_rad: real,
    total_length_cm: real,
    surety: { enum: ['sure', 'likely', 'maybe'] },
    created_ms: ms,
    struck: flag,
    behaviour: { enum: ['holding', 'rising', 'nymphing', 'cruising', 'glued', 'gone'] },
    note: text,
    photo_id: maybe(id),
    seen_ms: ms,
  },
  sightings: {
    mark_id: id,
    seen_ms: ms,
    x_m: real,
    y_m: real,
    depth_m: real,
    heading_rad: real,
    surety: { enum: ['sure', 'likely', 'maybe'] },
    behaviour: text,
    kept_ms: ms,
  },
  rises: { id, beat_id: id, seq: ms, at_ms: ms, x_m: real, y_m: real, dropped: flag },
  reads: {
    id,
    beat_id: maybe(id),
    x_m: maybe(real),
    y_m: maybe(real),
    taken_ms: ms,
    zone_offset_min: ms,
    answers_json: json,
    result_json: json,
    note: text,
    place_json: maybe(json),
    dropped: flag,
  },
  outings: { id, start_ms: ms, end_ms: maybe(ms), time_zone: text, note: text },
  readings: {
    id,
    outing_id: id,
    beat_id: maybe(id),
    taken_ms: ms,
    zone_offset_min: ms,
    water_temp_c: maybe(real),
    air_temp_c: maybe(real),
    turbidity_ntu: maybe(real),
    note: text,
    dropped: flag,
    level_m: maybe(real),
    sky: maybe(text),
    wind_mps: maybe(real),
    wind_from: maybe(text),
    source: text,
  },
  day_facts: { kind: { enum: ['streams', 'beats', 'ways', 'dates'] }, id, json },
  tries: {
    id,
    outing_id: id,
    beat_id: maybe(id),
    mark_id: maybe(id),
    read_id: maybe(id),
    fly: text,
    opened_ms: ms,
    zone_offset_min: ms,
    snapshot_json: json,
  },
  try_events: {
    id,
    try_id: id,
    device: { type: 'string', maxLength: 64 },
    seq: ms,
    code: text,
    client_ms: ms,
    zone_offset_min: ms,
    detail_json: json,
  },
  taken_changes: { id, at_ms: ms, refusal_json: maybe(json) },
};

// Columns that came later: backups from before them are taken too.
const LATER = {
  readings: ['level_m', 'sky', 'wind_mps', 'wind_from', 'source'],
  tries: ['read_id'],
  reads: ['place_json'],
};

// So did tables.
const LATER_TABLES = ['day_facts', 'taken_changes'];

const rows = (name, columns) => ({
  type: 'array',
  items: {
    type: 'object',
    required: Object.keys(columns).filter((c) => !(LATER[name] ?? []).includes(c)),
    properties: columns,
    additionalProperties: false,
  },
});

const schema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'A book of Pebble Lane',
  description:
    'Everything that was entered: metres, radians, UTC milliseconds. Solved flows are left out. An archive (book.json, pebbleLaneBook 3) holds the same rows, a line each, in tables/NAME.ndjson, and the bytes of photographs in photos/ID.jpg.',
  type: 'object',
  required: ['pebbleLaneBook', 'writtenMs', 'tables'],
  properties: {
    pebbleLaneBook: { const: 2 },
    writtenMs: ms,
    tables: {
      type: 'object',
      required: Object.keys(tables).filter((t) => !LATER_TABLES.includes(t)),
      properties: Object.fromEntries(Object.entries(tables).map(([n, c]) => [n, rows(n, c)])),
      additionalProperties: false,
    },
  },
};
writeFileSync('public/book.schema.json', `${JSON.stringify(schema, null, 2)}\n`);
