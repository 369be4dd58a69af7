import {
  airOfSeason,
  hourOfDay,
  levelProposals,
  type ColourReading,
  type DayAsked,
  type DayReading,
  type DaySite,
  type DaySun,
  type LapsePair,
} from '../day/index';
import type { LevelName } from '../formats/index';
import { seasonAt } from '../lies/index';
import {
  HOME,
  NO_BEAT_FACTS,
  NO_DATE_FACTS,
  NO_STREAM_FACTS,
  wayId,
  type DateFacts,
  type DayFacts,
  type Settings,
  type StayOut,
} from '../log/index';
import { sunDay } from '../sight/index';
import { civilDay, fromCivil, zoneOffsetMin } from '../units/index';
import type { BookSite } from './day-site';
import { ASSUMED_LAT_DEG } from './light';

/** What the book knows for planning one date: asked once, and planned from again with every change. */
export interface DayBook {
  /** Civil date, by the clock of `timeZone`. */
  date: string;
  timeZone: string | null;
  /** Noon of the date by its clock. */
  noonMs: number;
  nowMs: number;
  sites: BookSite[];
  /** Of this date and two days before. */
  readings: DayReading[];
  /** Of earlier days, by stream. */
  pairs: Record<string, LapsePair[]>;
  colours: Record<string, ColourReading[]>;
  facts: DayFacts;
}

/** What a minute is worth elsewhere, looks: how long one cares to stay out (our guesses). */
export const MINUTE_PRICE: Record<StayOut, number> = {
  'all day': 0,
  'while good': 0.004,
  'best hours': 0.012,
};
/** Driving on lanes, and the way in on foot, where nobody has said. */
const DRIVE_MPS = 8;
const ROUND_ABOUT = 1.4;
const WALK_IN_MIN = 15;
const HOME_MIN = 30;
/** Where no level of a site has a depth, m. */
const PLAIN_DEPTH_M = 0.4;
/** Another stream of which nobody said how far it is, min. */
const FAR_MIN = 40;

/** Noon of a civil date; the date must be one. */
export const noonOf = (date: string, timeZone: string | null): number =>
  fromCivil(`${date}T12:00`, timeZone ?? undefined)!;

export const dateFacts = (book: DayBook): DateFacts => book.facts.dates[book.date] ?? NO_DATE_FACTS;

const placeOf = (book: DayBook, noonMs: number) =>
  book.sites.find((s) => s.place)?.place ?? {
    latDeg: ASSUMED_LAT_DEG,
    lonDeg: zoneOffsetMin(noonMs, book.timeZone ?? undefined) / 4,
  };

/** The sun's hours on the book's date. */
export function sunOf(book: DayBook): DaySun {
  const { noonMs } = book;
  const day = sunDay({ ...placeOf(book, noonMs), dayStartMs: noonMs - 43_200_000 });
  if (day.kind !== 'rises')
    return { riseH: null, setH: null, neverSets: day.kind === 'never sets' };
  return {
    riseH: hourOfDay(day.riseMs, noonMs),
    setH: hourOfDay(day.setMs, noonMs),
    neverSets: false,
  };
}

const siteLevel = (site: BookSite, level: LevelName | null): LevelName =>
  level !== null && site.depthM[level] !== undefined ? level : site.surveyedLevel;

/** Minutes from one site's water to another's, as told, else by the map, else guessed. */
export function wayMinutes(
  book: DayBook,
  a: string,
  b: string,
): { minutes: number; known: 'told' | 'map' | 'guessed' } {
  if (a === b) return { minutes: 0, known: 'told' };
  const told = book.facts.ways[wayId(a, b)];
  if (told) return { minutes: told.minutes, known: 'told' };
  if (a === HOME || b === HOME) return { minutes: HOME_MIN, known: 'guessed' };
  const [from, to] = [a, b].map((id) => book.sites.find((s) => s.id === id)?.place ?? null);
  if (from && to) {
    const m = metresApart(from, to);
    // Anchors in one place say that nobody has set them apart, not that the beats are one.
    if (m > 50)
      return {
        minutes: Math.round((ROUND_ABOUT * m) / DRIVE_MPS / 60) + WALK_IN_MIN,
        known: 'map',
      };
  }
  const same =
    book.sites.find((s) => s.id === a)?.streamId === book.sites.find((s) => s.id === b)?.streamId;
  return { minutes: same ? WALK_IN_MIN + 10 : FAR_MIN, known: 'guessed' };
}

const EARTH_M = 6_371_000;
function metresApart(
  a: { latDeg: number; lonDeg: number },
  b: { latDeg: number; lonDeg: number },
): number {
  const rad = Math.PI / 180;
  const x = (b.lonDeg - a.lonDeg) * rad * Math.cos(((a.latDeg + b.latDeg) / 2) * rad);
  return EARTH_M * Math.hypot(x, (b.latDeg - a.latDeg) * rad);
}

/** The water as the line at the top of the page has it, as a reading: of the beat it was typed at. */
export function withTyped(
  book: DayBook,
  { waterTempC, waterTempAt }: Pick<Settings, 'waterTempC' | 'waterTempAt'>,
  lookedAt: string,
): DayBook {
  const siteId = waterTempAt?.beatId ?? lookedAt;
  if (waterTempC === null || !book.sites.some((s) => s.id === siteId)) return book;
  const atMs = waterTempAt?.ms ?? book.nowMs;
  // Of two thermometers in one water at one hour the later is believed; it may be the same one.
  const beside = book.readings.filter(
    (r) => r.siteId === siteId && Math.abs(r.atMs - atMs) < SAME_READING_MS,
  );
  if (beside.some((r) => r.atMs > atMs || r.tempC === waterTempC)) return book;
  return {
    ...book,
    readings: [
      ...book.readings.filter((r) => !beside.includes(r)),
      { id: TYPED_READING, siteId, atMs, tempC: waterTempC },
    ],
  };
}
export const TYPED_READING = 'typed';
const SAME_READING_MS = 10 * 60_000;

/** Where nobody chose: every beat of the stream that is looked at. */
export const usualSites = (book: DayBook, lookedAt: string | null): string[] => {
  const here = book.sites.find((s) => s.id === lookedAt) ?? book.sites[0];
  return book.sites
    .filter((s) => s.streamId === here?.streamId && s.kind === 'beat')
    .map((s) => s.id);
};

/** Everything that a day is planned from: what the book knows, what was told, and whose day it is. */
export function dayAsked(
  book: DayBook,
  settings: Pick<Settings, 'methods' | 'species' | 'legalLimitC'>,
  lookedAt: string | null,
): DayAsked {
  const { noonMs } = book;
  const zone = book.timeZone ?? undefined;
  const told = dateFacts(book);
  const place = placeOf(book, noonMs);
  const season = seasonAt(noonMs, zone, place.latDeg);
  const sites = book.sites.map((s) => siteOf(book, s, told.level));
  const heights = book.sites.flatMap((s) => s.altitudeM ?? []);
  const lowestM = heights.length > 0 ? Math.min(...heights) : null;
  const airTold = told.airLowC !== null && told.airHighC !== null;
  const air = airTold
    ? { lowC: told.airLowC!, highC: told.airHighC!, sdC: 1 }
    : airOfSeason(place.latDeg, lowestM ?? 0, dayOfYear(book.date));
  const stream = book.sites.find((s) => s.id === lookedAt)?.streamId ?? book.sites[0]?.streamId;
  const level = told.level ?? book.sites.find((s) => s.id === lookedAt)?.surveyedLevel ?? 'Fair';
  const ids = [...book.sites.map((s) => s.id), HOME];
  return {
    noonMs,
    timeZone: book.timeZone,
    sites,
    readings: book.readings,
    pairs: book.pairs,
    sun: sunOf(book),
    season,
    air,
    airKnown: airTold ? 'told' : 'season',
    airAtM: (airTold ? told.airAtM : null) ?? lowestM,
    cloud: told.cloud,
    windMps: told.windMps,
    thunder: told.thunder && { fromH: told.thunder.fromMin / 60, toH: told.thunder.toMin / 60 },
    fireBan: told.fireBan,
    rising: told.rising,
    level,
    levelC:
      levelProposals(book.colours[stream ?? ''] ?? []).find((l) => l.level === level)?.meanC ?? 0,
    warmAfterCold: isWarmAfterCold(book, (air.lowC + air.highC) / 2),
    heat: {
      school: settings.methods.heat,
      species: settings.species,
      legalC: settings.legalLimitC,
    },
    seen: told.seen,
    travelMin: ids.map((a) => ids.map((b) => wayMinutes(book, a, b).minutes)),
    chosen: told.sites ?? usualSites(book, lookedAt),
    nowH: civilDay(book.nowMs, zone) === book.date ? hourOfDay(book.nowMs, noonMs) : null,
    minutePrice: MINUTE_PRICE[told.stayOut],
    byHand: told.byHand,
  };
}

/** Air of the days before that makes a day stand out, C (our guesses). */
const COLD_SPELL_C = 6;
const WARMER_BY_C = 4;

/** Whether both days before were told as cold, and this one is warmer by some degrees. */
function isWarmAfterCold(book: DayBook, meanC: number): boolean {
  const before = [1, 2].map((days) => {
    const told =
      book.facts.dates[civilDay(book.noonMs - days * DAY_MS, book.timeZone ?? undefined)];
    return told?.airLowC == null || told.airHighC == null
      ? null
      : (told.airLowC + told.airHighC) / 2;
  });
  return before.every((c) => c !== null && c < COLD_SPELL_C && meanC - c >= WARMER_BY_C);
}
const DAY_MS = 86_400_000;

function siteOf(book: DayBook, s: BookSite, level: LevelName | null): DaySite {
  const beat = book.facts.beats[s.id] ?? NO_BEAT_FACTS;
  const { regime } = book.facts.streams[s.streamId] ?? NO_STREAM_FACTS;
  const at = siteLevel(s, level);
  return {
    id: s.id,
    name: s.name,
    kind: s.kind,
    streamId: s.streamId,
    streamName: s.streamName,
    altitudeM: s.altitudeM,
    depthM: s.depthM[at] ?? PLAIN_DEPTH_M,
    regime,
    shadeByHour: beat.shade === null ? s.shadeByHour : s.shadeByHour.map(() => beat.shade!),
    closed: beat.closed,
    opensH: beat.opensMin === null ? null : beat.opensMin / 60,
    shutsH: beat.shutsMin === null ? null : beat.shutsMin / 60,
    note: beat.note,
    looks: s.looks,
    looksKnown: s.looksKnown,
  };
}

const dayOfYear = (date: string): number =>
  Math.round(
    (Date.parse(`${date}T00:00:00Z`) - Date.parse(`${date.slice(0, 4)}-01-01T00:00:00Z`)) /
      86_400_000,
  ) + 1;
