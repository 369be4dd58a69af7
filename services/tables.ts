import {
  READING_COLUMNS,
  readingLine,
  readReadingLine,
  readTryLine,
  TRY_COLUMNS,
  tryLine,
  type KeptRead,
  type Outing,
  type Reading,
  type Try,
} from '../core/log/index';
import type { PlaceOnEarth } from '../core/formats/index';
import {
  hasTry,
  listAllReadings,
  listAllTries,
  listBeats,
  listOutings,
  listOutingsOf,
  listReads,
  putHistory,
} from '../store/index';
import { book } from './book';
import { done, type Outcome } from './outcome';
import { settings } from './settings';

export const TABLES = ['tries', 'readings', 'outings', 'rigs', 'places'] as const;
export type TableName = (typeof TABLES)[number];
export interface Table {
  columns: readonly string[];
  rows: (readonly (string | number)[])[];
}

/** Outings of a life. */
const EVERY = 100_000;

/** What the book holds, as a table: SI units, instants as ISO, '' is not known. */
export function tableOf(name: TableName): Promise<Table> {
  return { tries, readings, outings, rigs, places }[name]();
}

async function byOuting(): Promise<Map<string, Outing>> {
  return new Map((await listOutings(await book(), EVERY)).map((o) => [o.id, o]));
}

async function tries(): Promise<Table> {
  const outing = await byOuting();
  const rows = (await listAllTries(await book())).map((t) => {
    const line = tryLine(t, outing.get(t.outingId)!);
    return TRY_COLUMNS.map((c) => line[c]);
  });
  return { columns: TRY_COLUMNS, rows };
}

async function readings(): Promise<Table> {
  const outing = await byOuting();
  const rows = (await listAllReadings(await book())).map((r) => {
    const line = readingLine(r, outing.get(r.outingId)!.timeZone);
    return READING_COLUMNS.map((c) => line[c]);
  });
  return { columns: READING_COLUMNS, rows };
}

async function outings(): Promise<Table> {
  const all = await listOutingsOf(await book(), EVERY);
  return {
    columns: ['outing', 'start', 'end', 'time_zone', 'tries', 'landed', 'readings', 'note'],
    rows: all.map((o) => [
      o.outing.id,
      new Date(o.outing.startMs).toISOString(),
      o.outing.endMs === null ? '' : new Date(o.outing.endMs).toISOString(),
      o.outing.timeZone,
      o.tries,
      o.landed,
      o.readings,
      o.outing.note,
    ]),
  };
}

/** A line for each part of each rig of the angler's own, from the line down. */
async function rigs(): Promise<Table> {
  const { tackle } = await settings();
  const fly = new Map(tackle.box.map((f) => [f.id, f.name]));
  const columns = [
    'rig',
    'name',
    'kind',
    'rod_m',
    'line_weight',
    'n',
    'part',
    'length_m',
    'diameter_mm',
    'end_diameter_mm',
    'stuff',
    'mass_mg',
    'fly',
  ];
  const rows = tackle.rigs.flatMap((rig) =>
    rig.parts.map((p, i) => [
      rig.id,
      rig.name,
      rig.kind,
      rig.rod.lengthM,
      rig.line?.weight ?? '',
      i + 1,
      p.part,
      p.part === 'section' ? p.lengthM : p.part === 'float' ? p.hungM : '',
      p.part === 'section' || p.part === 'float' ? p.diameterMm : '',
      p.part === 'section' ? (p.endDiameterMm ?? '') : '',
      p.part === 'section' ? p.stuff : '',
      'massMg' in p ? p.massMg : '',
      p.part === 'fly' ? (fly.get(p.flyId) ?? p.flyId) : '',
    ]),
  );
  return { columns, rows };
}

async function places(): Promise<Table> {
  const all = await toldPlaces();
  return {
    columns: [
      'place',
      'stream',
      'water',
      'lies',
      'rating',
      'lat',
      'lon',
      'accuracy_m',
      'after',
      'metres',
      'set_by',
      'taken',
      'note',
    ],
    rows: all.map(({ read: r, place: p }) => [
      r.id,
      p.streamName,
      p.water,
      p.count,
      Math.round(r.result.rating),
      p.at?.by === 'phone' ? p.at.lat : '',
      p.at?.by === 'phone' ? p.at.lon : '',
      p.at?.by === 'phone' ? p.at.accuracyM : '',
      p.at && p.at.by !== 'phone' ? p.at.afterId : '',
      p.at && p.at.by !== 'phone' ? p.at.metres : '',
      p.at?.by ?? '',
      new Date(r.takenMs).toISOString(),
      r.note,
    ]),
  };
}

async function toldPlaces() {
  const reads = await listReads(await book());
  return reads.flatMap((read) => (read.place ? [{ read, place: read.place }] : []));
}

/** Places that a phone has set on the earth; those that were paced from another are in the table alone. */
export async function placesOnEarth(): Promise<PlaceOnEarth[]> {
  return (await toldPlaces()).flatMap(({ read, place }) =>
    place.at?.by === 'phone'
      ? [
          {
            lon: place.at.lon,
            lat: place.at.lat,
            name: `${place.streamName}: ${place.water}`,
            kind: place.water,
            comment: commentOf(read),
            atMs: read.takenMs,
          },
        ]
      : [],
  );
}
const commentOf = (r: KeptRead) =>
  [`home ${Math.round(r.result.rating)} in 100`, r.note].filter(Boolean).join('. ');

/** What came of a table: `problems` has a sentence for every line that is left. */
export interface Taken {
  dry: boolean;
  taken: number;
  known: number;
  problems: string[];
}
type Lines = readonly { line: number; cells: Record<string, string> }[];
type LineSays<T> = { what?: T | undefined; outing?: Outing; problem?: string };

/** Tries from a table. */
export async function takeTries(lines: Lines, dry: boolean): Promise<Outcome<Taken>> {
  const db = await book();
  const read = (cells: Record<string, string>, line: number): LineSays<Try> => {
    const { attempt, ...said } = readTryLine(cells, line);
    return { what: attempt, ...said };
  };
  return takeLines(lines, dry, read, (id) => hasTry(db, id), 'tries');
}

/** Readings from a table. */
export async function takeReadings(lines: Lines, dry: boolean): Promise<Outcome<Taken>> {
  const here = new Set((await listAllReadings(await book(), { dropped: true })).map((r) => r.id));
  const read = (cells: Record<string, string>, line: number): LineSays<Reading> => {
    const { reading, ...said } = readReadingLine(cells, line);
    return { what: reading, ...said };
  };
  return takeLines(lines, dry, read, (id) => here.has(id), 'readings');
}

/**
 * A dry run says what would be taken, and takes nothing. What is in the book already stays as it is,
 * outings too; all that is taken is taken at once, or nothing.
 */
async function takeLines<T extends { id: string; beatId: string | null }>(
  lines: Lines,
  dry: boolean,
  read: (cells: Record<string, string>, line: number) => LineSays<T>,
  isHere: (id: string) => boolean | Promise<boolean>,
  as: 'tries' | 'readings',
): Promise<Outcome<Taken>> {
  const db = await book();
  const beats = new Set((await listBeats(db)).filter((b) => !b.deleted).map((b) => b.id));
  const known = new Set((await listOutings(db, EVERY)).map((o) => o.id));
  const out: Taken = { dry, taken: 0, known: 0, problems: [] };
  const outings = new Map<string, Outing>();
  const taken = new Map<string, T>();
  for (const { line, cells } of lines) {
    const { what, outing, problem } = read(cells, line);
    if (!what || !outing) out.problems.push(problem ?? `Line ${line} cannot be read.`);
    else if (what.beatId !== null && !beats.has(what.beatId))
      out.problems.push(`Line ${line}: there is no beat "${what.beatId}" in this book.`);
    else if (taken.has(what.id) || (await isHere(what.id))) out.known++;
    else {
      taken.set(what.id, what);
      if (known.has(outing.id)) continue;
      const was = outings.get(outing.id) ?? outing;
      outings.set(outing.id, {
        ...was,
        startMs: Math.min(was.startMs, outing.startMs),
        endMs: Math.max(was.endMs!, outing.endMs!),
      });
    }
  }
  out.taken = taken.size;
  if (!dry)
    await putHistory(db, {
      outings: [...outings.values()],
      tries: [],
      readings: [],
      [as]: [...taken.values()],
    });
  return done(out);
}
