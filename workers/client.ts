import * as Comlink from 'comlink';
import type {
  DayWorker,
  FlowWorker,
  LiveWorker,
  PaintWorker,
  ReadWorker,
  ShotsWorker,
  StalkWorker,
} from './protocol';

/** A worker as its interface, with its end. Rejects pending calls by dying loudly: `onerror` reports. */
export interface WorkerHandle<T> {
  call: Comlink.Remote<T>;
  terminate(): void;
}

function spawn<T>(worker: Worker, onDeath: (message: string) => void): WorkerHandle<T> {
  worker.onerror = (event) => onDeath(event.message || 'a worker could not be started');
  worker.onmessageerror = () => onDeath('a worker sent what cannot be read');
  return { call: Comlink.wrap<T>(worker), terminate: () => worker.terminate() };
}

type OnDeath = (message: string) => void;
export const spawnFlow = (onDeath: OnDeath) =>
  spawn<FlowWorker>(
    new Worker(new URL('./flow.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );
export const spawnRead = (onDeath: OnDeath) =>
  spawn<ReadWorker>(
    new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );
export const spawnLive = (onDeath: OnDeath) =>
  spawn<LiveWorker>(
    new Worker(new URL('./live.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );
export const spawnStalk = (onDeath: OnDeath) =>
  spawn<StalkWorker>(
    new Worker(new URL('./stalk.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );
export const spawnShots = (onDeath: OnDeath) =>
  spawn<ShotsWorker>(
    new Worker(new URL('./shots.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );
export const spawnDay = (onDeath: OnDeath) =>
  spawn<DayWorker>(
    new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );
export const spawnPaint = (onDeath: OnDeath) =>
  spawn<PaintWorker>(
    new Worker(new URL('./paint.worker.ts', import.meta.url), { type: 'module' }),
    onDeath,
  );

/**
 * Latest wins: while a call runs, only the newest waiting one is kept; older ones are dropped.
 * Results come in order, and never after a newer one.
 */
export function latestWins<A, R>(
  run: (argument: A) => Promise<R>,
  onResult: (result: R, argument: A) => void,
  onError: (error: unknown, argument: A) => void,
): (argument: A) => void {
  let busy = false;
  let waiting: { argument: A } | null = null;
  const next = async (argument: A): Promise<void> => {
    busy = true;
    try {
      const result = await run(argument);
      onResult(result, argument);
    } catch (error) {
      onError(error, argument);
    }
    busy = false;
    const held = waiting;
    waiting = null;
    if (held) void next(held.argument);
  };
  return (argument) => {
    if (busy) waiting = { argument };
    else void next(argument);
  };
}

/**
 * Callbacks that say nothing more once the call they belong to has ended: they come by a way of their own,
 * and may come after its answer.
 */
export async function whileIt<C extends Record<string, (value: never) => void>, R>(
  callbacks: C,
  run: (callbacks: C) => Promise<R>,
): Promise<R> {
  let runs = true;
  const guarded = Object.fromEntries(
    Object.entries(callbacks).map(([name, call]) => [
      name,
      (value: never) => {
        if (runs) call(value);
      },
    ]),
  ) as C;
  try {
    return await run(guarded);
  } finally {
    runs = false;
  }
}

/** Marks callbacks to be called across the worker's border. */
export const across = <T extends object>(callbacks: T) => Comlink.proxy(callbacks);
