import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { fitHome } from '../core/lies/index';
import { fnv1a64 } from '../core/grid/index';
import { constantsHashOf, homeAsked, priorsOf } from '../core/log/index';
import { PACK_SHAPE, type BeatPack, type PackJob, type PackOrder } from '../core/outing/index';
import { decodeFlow, FINE_CELL_M, flowInputHash } from '../core/water/index';
import { findBeat, findFlow, findPack, listMarks, listTries, putPack } from '../store/index';
import type { PackNews } from '../workers/pack-beat.thread';
import { book } from './book';
import { nowMs } from './clock';
import { waterAt } from './day';
import { done, refused, type Outcome } from './outcome';
import { settings } from './settings';
import { requestSolve, solveJobs } from './solver';

const THREAD = 'dist-workers/pack-beat.cjs';
/** Raised when a pack gets another field: what was kept before is worked out anew. */
/** What was worked out in the same quarter of an hour, from the same book, is the same. */
const SAME_MS = 15 * 60_000;

interface Running {
  progress: number;
  failed: string | null;
}
const KEY = Symbol.for('pebble-lane.packing');
type Held = typeof globalThis & { [KEY]?: Map<string, Running> };
const running = () => ((globalThis as Held)[KEY] ??= new Map());

/**
 * A beat at a level, worked out for the bank: asked again until it is done. Its water is solved first
 * if nobody has; then lies, casts and what goes into the record, in a thread of its own. Kept by the
 * hash of all that went in.
 */
export async function takeAlong(beatId: string, levelName?: string): Promise<Outcome<PackJob>> {
  const db = await book();
  const beat = await findBeat(db, beatId);
  if (!beat) return refused('not-found', `There is no beat "${beatId}" in this book.`, 'beatId');
  const { plan } = beat;
  const level = plan.levels.find((l) => l.name === (levelName ?? plan.surveyedLevel));
  if (!level) {
    const names = plan.levels.map((l) => l.name).join(', ');
    return refused('invalid', `Level is "${levelName}"; this beat has ${names}.`, 'level');
  }
  const flowHash = flowInputHash(plan, level.dischargeM3s, FINE_CELL_M);
  const blob = await findFlow(db, flowHash);
  const flow = blob && decodeFlow(blob);
  if (!flow) {
    await requestSolve(beatId, level.name);
    const job = (await solveJobs()).find((j) => j.hash === flowHash);
    if (job?.state === 'failed' || job?.state === 'stopped')
      return refused('conflict', `The water was not solved: ${job.message ?? 'it was stopped'}.`);
    return done({ state: 'solving', progress: job?.progress ?? 0 });
  }
  const now = Math.floor(nowMs() / SAME_MS) * SAME_MS;
  const marks = await listMarks(db, beatId);
  const told = await settings();
  const asked = homeAsked(await listTries(db, beatId), priorsOf(told));
  const order: PackOrder = {
    beatId,
    streamName: beat.streamName,
    planHash: beat.planHash,
    plan,
    flow,
    level: level.name,
    marks,
    settings: told,
    homeOffset: fitHome(asked.trials, asked.prior, asked.slope).offset,
    water: await waterAt(beatId, now),
    nowMs: now,
  };
  const { flow: _flow, plan: _plan, ...rest } = order;
  const hash = fnv1a64(
    JSON.stringify([PACK_SHAPE, constantsHashOf(priorsOf(told)), flowHash, rest]),
  );
  const kept = await findPack(db, hash);
  if (kept) return done({ state: 'done', pack: JSON.parse(kept) as BeatPack });
  const jobs = running();
  const job = jobs.get(hash);
  if (job?.failed) {
    jobs.delete(hash);
    return refused('conflict', `"${plan.name}" could not be worked out: ${job.failed}`);
  }
  if (!job) begin(hash, order);
  return done({ state: 'packing', progress: jobs.get(hash)?.progress ?? 0 });
}

function begin(hash: string, order: PackOrder): void {
  const jobs = running();
  const job: Running = { progress: 0, failed: null };
  jobs.set(hash, job);
  const script = join(process.cwd(), THREAD);
  if (!existsSync(script)) {
    job.failed = `${THREAD} is missing: run "npm run threads".`;
    return;
  }
  const thread = new Worker(script, { workerData: order });
  thread.on('message', (news: PackNews) => {
    if (news.kind === 'progress') job.progress = news.progress;
    else
      void book()
        .then((db) =>
          putPack(db, {
            inputHash: hash,
            beatId: order.beatId,
            json: JSON.stringify(news.pack),
            createdMs: nowMs(),
          }),
        )
        .then(() => jobs.delete(hash))
        .catch((error: unknown) => (job.failed = String(error)));
  });
  thread.on('error', (error) => (job.failed = error.message));
}
