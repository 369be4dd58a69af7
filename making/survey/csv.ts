import Papa from 'papaparse';
import type { BeatPlan, FeatureOf, Station } from '../../core/formats/index';
import { featuresOf } from '../../core/formats/index';
import { csvRows, type CsvRow as Row } from '../../words/csv-rows';

/** CSV (RFC 4180) of soundings and sections, metres and m/s, in and out. */

export interface CsvResult<T> {
  good: T[];
  /** One sentence for each line that was left, with its number. */
  problems: string[];
}

type Sounding = FeatureOf<'sounding'>;
type Section = FeatureOf<'section'>;

const SOUNDING_COLUMNS = ['x', 'y', 'depth'] as const;
const SECTION_COLUMNS = ['section', 'x', 'y', 'offset', 'depth'] as const;
const STATION_COLUMNS = ['offset', 'depth'] as const;

interface Limits {
  min: number;
  max: number;
  unit: string;
}
const LIMITS: Record<string, Limits> = {
  x: { min: -1000, max: 1000, unit: 'm' },
  y: { min: -1000, max: 1000, unit: 'm' },
  depth: { min: 0, max: 6, unit: 'm' },
  offset: { min: 0, max: 100, unit: 'm' },
  speed: { min: -5, max: 5, unit: 'm/s' },
};

/** A number of a row, or the sentence that says what is wrong with it. Decimal comma is understood. */
function figure(row: Row, column: string): number | string {
  const text = row.cells[column] ?? '';
  const { min, max, unit } = LIMITS[column]!;
  const value = Number(text.replace(',', '.'));
  if (text === '' || !Number.isFinite(value))
    return `Line ${row.line}: ${column} is "${text}"; it must be a number from ${min} to ${max} ${unit}.`;
  if (value < min || value > max)
    return `Line ${row.line}: ${column} is ${text}; ${min} to ${max} ${unit} is possible.`;
  return value;
}

/** Several figures at once: all of them, or the first sentence. */
function figures(row: Row, columns: readonly string[]): Record<string, number> | string {
  const out: Record<string, number> = {};
  for (const column of columns) {
    const value = figure(row, column);
    if (typeof value === 'string') return value;
    out[column] = value;
  }
  if ((row.cells.speed ?? '') !== '') {
    const speed = figure(row, 'speed');
    if (typeof speed === 'string') return speed;
    out.speed = speed;
  }
  return out;
}

export function soundingsFromCsv(text: string): CsvResult<Sounding> {
  const read = csvRows(text, SOUNDING_COLUMNS);
  if ('whole' in read) return { good: [], problems: [read.whole] };
  const out: CsvResult<Sounding> = { good: [], problems: read.problems };
  for (const row of read.rows) {
    const f = figures(row, SOUNDING_COLUMNS);
    if (typeof f === 'string') {
      out.problems.push(f);
      continue;
    }
    out.good.push({
      kind: 'sounding',
      depthM: f.depth!,
      ...(f.speed !== undefined && { speedMps: f.speed, at: 'six-tenths' }),
      shape: { type: 'Point', place: { xM: f.x!, yM: f.y! } },
    });
  }
  return out;
}

/** Stations of one tape: offset, depth and, if taken, speed. Offsets must grow. */
export function stationsFromCsv(text: string): CsvResult<Station> {
  const read = csvRows(text, STATION_COLUMNS);
  if ('whole' in read) return { good: [], problems: [read.whole] };
  const out: CsvResult<Station> = { good: [], problems: read.problems };
  for (const row of read.rows) takeStation(row, out);
  return out;
}

function takeStation(row: Row, out: CsvResult<Station>): void {
  const f = figures(row, STATION_COLUMNS);
  if (typeof f === 'string') {
    out.problems.push(f);
    return;
  }
  const last = out.good[out.good.length - 1];
  if (last && f.offset! <= last.offsetM) {
    out.problems.push(
      `Line ${row.line}: offset is ${f.offset}; it must be more than ${last.offsetM}, the one before.`,
    );
    return;
  }
  out.good.push({
    offsetM: f.offset!,
    depthM: f.depth!,
    ...(f.speed !== undefined && { speedMps: f.speed }),
  });
}

/**
 * Whole sections: each line a station with its place (x, y) on the tape; lines with the same name
 * belong together, in order along the tape.
 */
export function sectionsFromCsv(text: string): CsvResult<Section> {
  const read = csvRows(text, SECTION_COLUMNS);
  if ('whole' in read) return { good: [], problems: [read.whole] };
  const out: CsvResult<Section> = { good: [], problems: read.problems };
  const tapes = new Map<string, Row[]>();
  for (const row of read.rows) {
    const name = row.cells.section!;
    tapes.set(name, [...(tapes.get(name) ?? []), row]);
  }
  for (const [name, rows] of tapes) {
    const stations: CsvResult<Station> = { good: [], problems: [] };
    const ends: { xM: number; yM: number }[] = [];
    for (const row of rows) {
      const place = figures(row, ['x', 'y']);
      if (typeof place === 'string') {
        stations.problems.push(place);
        continue;
      }
      const before = stations.good.length;
      takeStation(row, stations);
      if (stations.good.length > before) ends.push({ xM: place.x!, yM: place.y! });
    }
    out.problems.push(...stations.problems);
    if (stations.good.length < 2) {
      out.problems.push(
        `Section "${name}" has ${stations.good.length} good lines; at least 2 are needed.`,
      );
      continue;
    }
    const first = stations.good[0]!.offsetM;
    out.good.push({
      kind: 'section',
      at: 'six-tenths',
      // The line starts at the first station: offsets run from there.
      stations: stations.good.map((s) => ({ ...s, offsetM: round(s.offsetM - first) })),
      shape: { type: 'LineString', line: [ends[0]!, ends[ends.length - 1]!] },
    });
  }
  return out;
}

const round = (m: number) => Math.round(1000 * m) / 1000;

export function soundingsToCsv(plan: BeatPlan): string {
  const rows = featuresOf(plan, 'sounding').flatMap((s) =>
    s.shape.type === 'Point'
      ? [[s.shape.place.xM, s.shape.place.yM, s.depthM, s.speedMps ?? '']]
      : [],
  );
  return Papa.unparse({ fields: ['x', 'y', 'depth', 'speed'], data: rows });
}

export function sectionsToCsv(plan: BeatPlan): string {
  const rows = featuresOf(plan, 'section').flatMap((s, i) => {
    if (s.shape.type !== 'LineString') return [];
    const [a, b] = [s.shape.line[0]!, s.shape.line[s.shape.line.length - 1]!];
    const length = Math.hypot(b.xM - a.xM, b.yM - a.yM) || 1;
    return s.stations.map((t) => [
      i + 1,
      round(a.xM + (t.offsetM / length) * (b.xM - a.xM)),
      round(a.yM + (t.offsetM / length) * (b.yM - a.yM)),
      t.offsetM,
      t.depthM,
      t.speedMps ?? '',
    ]);
  });
  return Papa.unparse({ fields: [...SECTION_COLUMNS, 'speed'], data: rows });
}
