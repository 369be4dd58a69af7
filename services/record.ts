import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { heatLimitC, hourOfDay, lightHours, workSite } from '../core/day/index';
import {
  priorsFrom,
  stopsTold,
  type BookRecord,
  type FeltWater,
  type StopDay,
  type StopsTold,
} from '../core/learn/index';
import type { PriorName, Try } from '../core/log/index';
import { BED_KNOWN_M, dayAsked, feltDrifts } from '../core/outing/index';
import { civilDay } from '../core/units/index';
import { decodeFlow, FINE_CELL_M, flowInputHash } from '../core/water/index';
import {
  findFlow,
  listAllTries,
  listBeats,
  readingsForDay,
  readSettings,
  writeSettings,
  type Db,
} from '../store/index';
import type { RefitDone, RefitOrder } from '../workers/refit.thread';
import { book } from './book';
import { nowMs } from './clock';
import { dayBookOf } from './day';
import { factsOfBook } from './facts';
import { done, refused, type Outcome } from './outcome';
import { settings } from './settings';

const THREAD = 'dist-workers/refit.cjs';
const KEY = 'record';
/** As many days with readings on both sides of noon are looked at: the newest. */
const MOST_DAYS = 60;
const NOON_H = 12;

export async function recordOf(): Promise<BookRecord | null> {
  return ((await readSettings(await book()))[KEY] as BookRecord | undefined) ?? null;
}

const RUNNING = Symbol.for('pebble-lane.refitting');
type Held = typeof globalThis & { [RUNNING]?: Promise<Outcome<BookRecord>> | null };

/**
 * Refits the constants from every try of the book, and puts what has moved into the reckoning of the
 * plans from now on. Who asks while it runs gets that run's answer.
 */
export function refitRecord(): Promise<Outcome<BookRecord>> {
  const held = globalThis as Held;
  return (held[RUNNING] ??= refit().finally(() => (held[RUNNING] = null)));
}

async function refit(): Promise<Outcome<BookRecord>> {
  const db = await book();
  const own = await settings();
  const tries = await listAllTries(db);
  const untilMs = nowMs();
  const facts = [...(await factsOfBook(db)).values()]
    .flatMap((t) => t.fact ?? [])
    .filter((f) => f.openedMs < untilMs);
  const told = await inThread({
    facts,
    waters: await feltWaters(db, tries, own.tackle),
    tackle: { box: own.tackle.box },
  });
  if (!told.ok) return told;
  const takenBack = (await recordOf())?.takenBack ?? [];
  const stops = await stopsOf(db);
  return done(await keep({ atMs: nowMs(), untilMs, takenBack, stops, ...told.value }));
}

/** Takes a correction out of the reckoning, or puts it back. Predictions that were made with it stay. */
export async function takeBack(
  names: readonly PriorName[],
  back: boolean,
): Promise<Outcome<BookRecord>> {
  const record = await recordOf();
  if (!record) return refused('not-found', 'The record has not been worked out yet.');
  const takenBack = back
    ? [...new Set([...record.takenBack, ...names])]
    : record.takenBack.filter((n) => !names.includes(n));
  return done(await keep({ ...record, takenBack }));
}

async function keep(told: Omit<BookRecord, 'priors'>): Promise<BookRecord> {
  const priors = priorsFrom(told.refits, told.takenBack, told);
  const record = { ...told, priors };
  await writeSettings(await book(), { [KEY]: record, priors });
  return record;
}

let lastDay = '';
/** Once a day, and once after the server has started, before the first plan of that day. */
export async function refitOnceADay(): Promise<void> {
  const today = civilDay(nowMs(), undefined);
  if (today === lastDay) return;
  lastDay = today;
  const record = await recordOf();
  if (record && civilDay(record.atMs, undefined) === today) return;
  const kept = await refitRecord();
  if (!kept.ok) console.error(`The record was not worked out: ${kept.message}`);
}

/** Drifts whose bed was felt, by beat and level, on those waters that are solved. */
async function feltWaters(
  db: Db,
  tries: readonly Try[],
  tackle: Parameters<typeof feltDrifts>[1],
): Promise<FeltWater[]> {
  const out: FeltWater[] = [];
  for (const { id, plan, deleted } of await listBeats(db)) {
    const own = deleted ? [] : tries.filter((t) => t.beatId === id);
    for (const level of plan.levels) {
      const felt = feltDrifts(own, tackle, level.name);
      if (felt.length === 0) continue;
      const blob = await findFlow(db, flowInputHash(plan, level.dischargeM3s, FINE_CELL_M));
      const flow = blob && decodeFlow(blob);
      if (!flow) continue;
      const sounded = plan.features.some((f) => f.kind === 'sounding');
      const bedSpreadM = sounded ? BED_KNOWN_M.sounded : BED_KNOWN_M.told;
      out.push({ beatId: id, level: level.name, flow, bedSpreadM, felt });
    }
  }
  return out;
}

/** Stop times as they would have been said at noon of each day that was read on both sides of it. */
async function stopsOf(db: Db): Promise<StopsTold | null> {
  const own = await settings();
  const zones = new Map((await listBeats(db)).map((b) => [b.id, b.plan.timeZone]));
  const days = new Map<string, { beatId: string; date: string; atMs: number }>();
  for (const t of (await readingsForDay(db, nowMs())).temps) {
    if (!zones.has(t.beatId)) continue;
    const date = civilDay(t.takenMs, zones.get(t.beatId));
    days.set(`${date} ${t.beatId}`, { beatId: t.beatId, date, atMs: t.takenMs });
  }
  const told: StopDay[] = [];
  for (const { beatId, date } of [...days.values()].slice(-MOST_DAYS)) {
    const day = await dayBookOf(date, zones.get(beatId) ?? null, { looks: false });
    const readings = day.readings
      .filter((r) => r.siteId === beatId)
      .map((r) => ({ h: hourOfDay(r.atMs, day.noonMs), tempC: r.tempC }))
      .filter((r) => r.h >= 0 && r.h < 24);
    if (!readings.some((r) => r.h < NOON_H) || !readings.some((r) => r.h >= NOON_H)) continue;
    const isBefore = (r: { atMs: number }) => hourOfDay(r.atMs, day.noonMs) < NOON_H;
    const asked = dayAsked({ ...day, readings: day.readings.filter(isBefore) }, own, beatId);
    const site = asked.sites.find((s) => s.id === beatId);
    if (!site) continue;
    const limitC = heatLimitC(asked.heat);
    const { stop } = workSite(asked, site, limitC, lightHours(asked.sun)).plan;
    told.push({ said: stop, readings, limitC });
  }
  return stopsTold(told);
}

function inThread(order: RefitOrder): Promise<Outcome<RefitDone>> {
  const script = join(process.cwd(), THREAD);
  if (!existsSync(script))
    return Promise.resolve(
      refused('conflict', `${THREAD} is missing: run "npm run threads".`) as Outcome<RefitDone>,
    );
  return new Promise((resolve) => {
    const thread = new Worker(script, { workerData: order });
    thread.on('message', (told: RefitDone) => resolve(done(told)));
    thread.on('error', (error) =>
      resolve(refused('conflict', `The record could not be worked out: ${error.message}`)),
    );
  });
}
