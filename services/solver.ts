import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { LevelName } from '../core/formats/index';
import { FINE_CELL_M, flowInputHash } from '../core/water/index';
import { findBeat, hasFlow, listBeats, saveFlow } from '../store/index';
import type { SolveNews, SolveOrder } from '../workers/solve-flow.thread';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** One level of one beat being solved on this machine, for devices that have no business computing. */
export interface SolveJob {
  hash: string;
  beatId: string;
  level: LevelName;
  state: 'waiting' | 'solving' | 'done' | 'failed' | 'stopped';
  progress: number;
  message?: string;
}

interface Queue {
  jobs: Map<string, SolveJob>;
  orders: Map<string, SolveOrder>;
  thread: Worker | null;
  running: string | null;
}

const KEY = Symbol.for('pebble-lane.solver');
type Held = typeof globalThis & { [KEY]?: Queue };
const THREAD = 'dist-workers/solve-flow.cjs';
/** Finished jobs are forgotten beyond this many. */
const KEPT_JOBS = 200;

function queue(): Queue {
  const held = globalThis as Held;
  held[KEY] ??= { jobs: new Map(), orders: new Map(), thread: null, running: null };
  return held[KEY];
}

/** Asks for a level to be solved and cached; one at a time, in order of asking. Repeating is harmless. */
export async function requestSolve(beatId: string, level: string): Promise<Outcome<SolveJob>> {
  const db = await book();
  const beat = await findBeat(db, beatId);
  if (!beat) return refused('not-found', `There is no beat "${beatId}" in this book.`, 'beatId');
  const asked = beat.plan.levels.find((l) => l.name === level);
  if (!asked) {
    const names = beat.plan.levels.map((l) => l.name).join(', ');
    return refused('invalid', `Level is "${level}"; this beat has ${names}.`, 'level');
  }
  const hash = flowInputHash(beat.plan, asked.dischargeM3s);
  const q = queue();
  const known = q.jobs.get(hash);
  if (known && (known.state === 'waiting' || known.state === 'solving')) return done(known);
  const job: SolveJob = { hash, beatId, level: asked.name, state: 'waiting', progress: 0 };
  if (await hasFlow(db, hash)) return done({ ...job, state: 'done', progress: 1 });
  q.jobs.set(hash, job);
  q.orders.set(hash, {
    plan: beat.plan,
    dischargeM3s: asked.dischargeM3s,
    cellM: FINE_CELL_M,
  });
  forgetOld(q);
  startNext(q);
  return done(job);
}

/** Every beat at its surveyed level first, then the other levels: the whole book made ready. */
export async function requestWholeBook(): Promise<void> {
  const beats = (await listBeats(await book())).filter((b) => !b.deleted && !b.putAway);
  for (const b of beats) await requestSolve(b.id, b.plan.surveyedLevel);
  for (const b of beats)
    for (const level of b.plan.levels)
      if (level.name !== b.plan.surveyedLevel) await requestSolve(b.id, level.name);
}

export function solveJobs(): SolveJob[] {
  return [...queue().jobs.values()];
}

/** Stops one solve, or takes it off the list of waiting ones. */
export async function stopSolve(hash: string): Promise<Outcome<null>> {
  const q = queue();
  const job = q.jobs.get(hash);
  if (!job) return refused('not-found', 'Nothing of that kind is being solved.');
  if (job.state !== 'waiting' && job.state !== 'solving') return done(null);
  job.state = 'stopped';
  if (q.running === hash) {
    const thread = q.thread;
    q.thread = null;
    q.running = null;
    await thread?.terminate();
    startNext(q);
  }
  return done(null);
}

function forgetOld(q: Queue): void {
  for (const [hash, job] of q.jobs) {
    if (q.jobs.size <= KEPT_JOBS) return;
    if (job.state !== 'waiting' && job.state !== 'solving') q.jobs.delete(hash);
  }
}

function startNext(q: Queue): void {
  if (q.running !== null) return;
  const job = [...q.jobs.values()].find((j) => j.state === 'waiting');
  if (!job) return;
  const order = q.orders.get(job.hash)!;
  q.orders.delete(job.hash);
  // By path from the working directory: the bundler of the application must not see it.
  const script = join(process.cwd(), THREAD);
  if (!existsSync(script)) {
    fail(job, `${THREAD} is missing: run "npm run threads".`);
    return;
  }
  q.running = job.hash;
  job.state = 'solving';
  const thread = new Worker(script, { workerData: order });
  q.thread = thread;
  const end = () => {
    if (q.thread !== thread) return;
    q.thread = null;
    q.running = null;
    startNext(q);
  };
  thread.on('message', (news: SolveNews) => {
    if (q.thread !== thread) return;
    if (news.kind === 'progress') job.progress = news.progress;
    else if (news.status === 'diverged') fail(job, 'The water did not settle.');
    else void keep(job, news.blob);
  });
  thread.on('error', (error) => fail(job, error.message));
  thread.on('exit', end);
}

async function keep(job: SolveJob, blob: Uint8Array): Promise<void> {
  try {
    const db = await book();
    await saveFlow(db, { inputHash: job.hash, beatId: job.beatId, blob, createdMs: nowMs() });
    job.state = 'done';
    job.progress = 1;
  } catch (error) {
    fail(job, error instanceof Error ? error.message : String(error));
  }
}

function fail(job: SolveJob, message: string): void {
  job.state = 'failed';
  job.message = message;
}
