import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { LevelName } from '../core/formats/index';
import { FINE_CELL_M, flowInputHash } from '../core/water/index';
import {
  findBeat,
  hasFlow,
  listBeats,
  listSolves,
  queueSolve,
  saveFlow,
  saySolve,
  stopQueuedSolve,
  takeSolve,
  type QueuedSolve,
  type SolveState,
} from '../store/index';
import type { SolveNews, SolveOrder } from '../workers/solve-flow.thread';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** One level of one beat being solved on a server, for devices that have no business computing. */
export interface SolveJob {
  hash: string;
  beatId: string;
  level: LevelName;
  state: SolveState;
  progress: number;
  message?: string;
}

/** What this process solves; the queue itself is in the book, for all that serve it. */
interface Solving {
  /** By this name the queue knows this process. */
  name: string;
  running: { hash: string; thread: Worker; progress: number } | null;
  /** While it looks into the queue. */
  taking: Promise<void> | null;
  watch: ReturnType<typeof setInterval> | null;
}

const KEY = Symbol.for('pebble-lane.solver');
type Held = typeof globalThis & { [KEY]?: Solving };
const THREAD = 'dist-workers/solve-flow.cjs';
/** How far a solve is, is said to the others so often, ms. */
const SAY_MS = 1_000;
/** What was asked of another process is looked for so often, ms. */
const LOOK_MS = 2_000;

const own = (): Solving =>
  ((globalThis as Held)[KEY] ??= {
    name: randomUUID(),
    running: null,
    taking: null,
    watch: null,
  });

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
  const { dischargeM3s } = asked;
  const hash = flowInputHash(beat.plan, dischargeM3s);
  if (await hasFlow(db, hash))
    return done({ hash, beatId, level: asked.name, state: 'done', progress: 1 });
  const job = await queueSolve(db, { hash, beatId, level: asked.name, dischargeM3s });
  void startNext();
  return done(jobOf(job));
}

/** Every beat at its surveyed level first, then the other levels: the whole book made ready. */
export async function requestWholeBook(): Promise<void> {
  const beats = (await listBeats(await book())).filter((b) => !b.deleted && !b.putAway);
  for (const b of beats) await requestSolve(b.id, b.plan.surveyedLevel);
  for (const b of beats)
    for (const level of b.plan.levels)
      if (level.name !== b.plan.surveyedLevel) await requestSolve(b.id, level.name);
}

/** What was asked of whoever serves this book, in the order of asking, and how far it is. */
export async function solveJobs(): Promise<SolveJob[]> {
  return (await listSolves(await book())).map(jobOf);
}

function jobOf(q: QueuedSolve): SolveJob {
  const { running } = own();
  return {
    hash: q.hash,
    beatId: q.beatId,
    level: q.level as LevelName,
    state: q.state,
    progress: running?.hash === q.hash && q.state === 'solving' ? running.progress : q.progress,
    ...(q.message !== null && { message: q.message }),
  };
}

/** Stops one solve, or takes it off the list of waiting ones. */
export async function stopSolve(hash: string): Promise<Outcome<null>> {
  if (!(await stopQueuedSolve(await book(), hash)))
    return refused('not-found', 'Nothing of that kind is being solved.');
  // It may be on its way from the queue to the thread.
  await own().taking;
  if (own().running?.hash === hash) await letGo();
  return done(null);
}

/** From now on this process takes what waits, also what was asked of another, or was left by one that ended. */
export function watchSolves(): void {
  const o = own();
  o.watch ??= setInterval(() => void startNext(), LOOK_MS).unref();
  void startNext();
}

function startNext(): Promise<void> {
  const o = own();
  if (o.running) return Promise.resolve();
  return (o.taking ??= takeNext().finally(() => (o.taking = null)));
}

async function takeNext(): Promise<void> {
  const o = own();
  try {
    const db = await book();
    const job = await takeSolve(db, o.name, Date.now());
    if (!job) return;
    const plan = (await findBeat(db, job.beatId))?.plan;
    // By path from the working directory: the bundler of the application must not see it.
    const script = join(process.cwd(), THREAD);
    // A browser may have solved it meanwhile.
    if (await hasFlow(db, job.hash))
      await saySolve(db, job.hash, o.name, Date.now(), { state: 'done', progress: 1 });
    else if (!plan || flowInputHash(plan, job.dischargeM3s) !== job.hash)
      await end(job.hash, 'failed', 'The beat has been changed since.');
    else if (!existsSync(script))
      await end(job.hash, 'failed', `${THREAD} is missing: run "npm run threads".`);
    else solve(job, { plan, dischargeM3s: job.dischargeM3s, cellM: FINE_CELL_M }, script);
  } catch (error) {
    console.error('The queue of waters to be solved could not be read:', error);
  }
}

function solve(job: QueuedSolve, order: SolveOrder, script: string): void {
  const o = own();
  const thread = new Worker(script, { workerData: order });
  const running = { hash: job.hash, thread, progress: 0 };
  o.running = running;
  const isOurs = () => o.running === running;
  const say = setInterval(() => {
    void book()
      .then((db) => saySolve(db, job.hash, o.name, Date.now(), { progress: running.progress }))
      .then((still) => (still || !isOurs() ? null : letGo()))
      .catch((error: unknown) => console.error('How far a solve is could not be said:', error));
  }, SAY_MS).unref();
  let ended: Promise<void> = Promise.resolve();
  thread.on('message', (news: SolveNews) => {
    if (!isOurs()) return;
    if (news.kind === 'progress') running.progress = news.progress;
    else if (news.status === 'diverged')
      ended = end(job.hash, 'failed', 'The water did not settle.');
    else ended = keep(job, news.blob);
  });
  thread.on('error', (error) => (ended = end(job.hash, 'failed', error.message)));
  thread.on('exit', () => {
    clearInterval(say);
    void ended.finally(() => {
      if (isOurs()) o.running = null;
      void startNext();
    });
  });
}

/** Ends what this process solves, unfinished, and goes on with the next. */
async function letGo(): Promise<void> {
  const o = own();
  const { running } = o;
  o.running = null;
  await running?.thread.terminate();
}

async function keep(job: QueuedSolve, blob: Uint8Array): Promise<void> {
  try {
    const db = await book();
    const { hash, beatId } = job;
    await saveFlow(db, { inputHash: hash, beatId, blob, createdMs: nowMs() });
    await saySolve(db, hash, own().name, Date.now(), { state: 'done', progress: 1 });
  } catch (error) {
    await end(job.hash, 'failed', error instanceof Error ? error.message : String(error));
  }
}

async function end(hash: string, state: SolveState, message: string): Promise<void> {
  await saySolve(await book(), hash, own().name, Date.now(), { state, message });
}
