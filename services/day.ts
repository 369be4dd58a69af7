import {
  heatLimitC,
  hourOfDay,
  lapsePairs,
  lightHours,
  tempAtHour,
  workSite,
} from '../core/day/index';
import { LEVEL_NAMES, type LevelName } from '../core/formats/index';
import { ASSUMED_TEMP_C, type DayFacts, type FactKind, type TempSource } from '../core/log/index';
import {
  beatSite,
  dayAsked,
  noonOf,
  placesSite,
  withTyped,
  type BookSite,
  type DayBook,
} from '../core/outing/index';
import { civilDay } from '../core/units/index';
import { listBeats, listFacts, listReads, putFact, readingsForDay } from '../store/index';
import { book } from './book';
import { keepChange, TOLD_WHOLE, type Change } from './change';
import { nowMs } from './clock';
import type { Outcome } from './outcome';
import { settings } from './settings';
import { packsInBook } from './packs';

const DAY_MS = 86_400_000;
/** Readings of the days before still speak of a morning. */
const DAYS_BACK = 2;

/**
 * What a date is planned from: every beat of the book that is not put away, the places of its streams,
 * readings, and what was told. `timeZone`: whose date it is; absent: the first beat's. `looks` false: how
 * many a beat has in it is not asked, which spares the reading of all that was prepared.
 */
export async function dayBookOf(
  date?: string,
  timeZone?: string | null,
  { looks = true } = {},
): Promise<DayBook> {
  const db = await book();
  const beats = (await listBeats(db)).filter((b) => !b.deleted && !b.putAway);
  const zone = timeZone ?? beats[0]?.plan.timeZone ?? null;
  const now = nowMs();
  const day = date ?? civilDay(now, zone ?? undefined);
  const noonMs = noonOf(day, zone);
  const packs = looks ? await packsInBook() : [];
  const { species } = await settings();
  const streams = new Map(beats.map((b) => [b.streamId, b.streamName]));
  const reads = await listReads(db);
  const sites: BookSite[] = [
    ...beats.map((b) => beatSite(b, noonMs, packs.find((p) => p.beatId === b.id) ?? null, species)),
    ...[...streams].flatMap(([id, name]) => placesSite({ id, name }, reads) ?? []),
  ];
  const siteOf = (id: string) => sites.find((s) => s.id === id);
  const from = noonMs - (DAYS_BACK + 0.5) * DAY_MS;
  const { temps, colours } = await readingsForDay(db, noonMs + DAY_MS / 2);
  const byStream = <T>(list: readonly (T & { beatId: string })[]) =>
    Object.fromEntries(
      [...streams.keys()].map((id) => [id, list.filter((x) => siteOf(x.beatId)?.streamId === id)]),
    );
  const earlier = byStream(temps.filter((t) => t.takenMs < from));
  return {
    date: day,
    timeZone: zone,
    noonMs,
    nowMs: now,
    sites,
    readings: temps
      .filter((t) => t.takenMs >= from && siteOf(t.beatId))
      .map((t) => ({ id: t.id, siteId: t.beatId, atMs: t.takenMs, tempC: t.waterTempC })),
    pairs: Object.fromEntries(
      Object.entries(earlier).map(([id, list]) => [
        id,
        lapsePairs(
          list.map((t) => ({
            atMs: t.takenMs,
            tempC: t.waterTempC,
            altitudeM: siteOf(t.beatId)?.altitudeM ?? null,
          })),
        ),
      ]),
    ),
    colours: Object.fromEntries(
      Object.entries(byStream(colours)).map(([id, list]) => [
        id,
        list.flatMap(({ level, turbidityNtu }) =>
          isLevel(level) ? [{ level, turbidityNtu }] : [],
        ),
      ]),
    ),
    facts: await listFacts(db),
  };
}

const isLevel = (name: string): name is LevelName =>
  (LEVEL_NAMES as readonly string[]).includes(name);

/** Keeps what was told of a stream, a beat, a way or a date. */
export function keepFact<K extends FactKind>(
  kind: K,
  id: string,
  fact: DayFacts[K][string],
  change: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  return keepChange<object>(change, {
    what: 'what was told of the day',
    now: fact,
    current: async (trx) => {
      const value = (await listFacts(trx))[kind][id];
      return value ? { value, gone: false } : null;
    },
    keep: (trx, value) => putFact(trx, kind, id, value),
  });
}

/** The water at a beat at a moment: by the day's curve where its stream was read, else as typed, else not known. */
export async function waterAt(
  beatId: string,
  ms: number,
): Promise<{ tempC: number; source: TempSource }> {
  const own = await settings();
  const zone = (await listBeats(await book())).find((b) => b.id === beatId)?.plan.timeZone ?? null;
  const day = await dayBookOf(civilDay(ms, zone ?? undefined), zone, { looks: false });
  const asked = dayAsked(withTyped(day, own, beatId), own, beatId);
  const site = asked.sites.find((s) => s.id === beatId);
  const limitC = heatLimitC(asked.heat);
  const plan = site && workSite(asked, site, limitC, lightHours(asked.sun)).plan;
  if (plan?.isRead) return { tempC: tempAtHour(plan, hourOfDay(ms, day.noonMs)), source: 'curve' };
  return own.waterTempC === null
    ? { tempC: ASSUMED_TEMP_C, source: 'assumed' }
    : { tempC: own.waterTempC, source: 'read' };
}
