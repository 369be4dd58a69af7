import type { Remote } from 'comlink';
import {
  spawnDay,
  spawnFlow,
  spawnLive,
  spawnRead,
  spawnShots,
  spawnStalk,
  type WorkerHandle,
} from '../../workers/client';
import type {
  DayWorker,
  LiveWorker,
  ReadWorker,
  ShotsWorker,
  StalkWorker,
} from '../../workers/protocol';

/** Those that are asked about the water on screen. */
export interface Workers {
  read: Remote<ReadWorker>;
  live: Remote<LiveWorker>;
  stalk: Remote<StalkWorker>;
  shots: Remote<ShotsWorker>;
  day: Remote<DayWorker>;
}

/** What asks nothing of a thread: it is given its water, or told to stop. */
const TELLS = new Set(['take', 'cancel', 'cancelRoute']);

/**
 * A thread that begins with its first question, and is given the water of then: a page that only reads
 * starts two of seven, and what it shows first waits for no other.
 */
function onFirstQuestion<T>(begin: () => WorkerHandle<T>): WorkerHandle<T> {
  type Calls = Record<string, (...told: unknown[]) => Promise<unknown>>;
  let begun: WorkerHandle<T> | null = null;
  let water: unknown[] | null = null;
  const running = (): Calls => {
    if (!begun) {
      begun = begin();
      if (water) void (begun.call as Calls).take!(...water);
      water = null;
    }
    return begun.call as Calls;
  };
  const call = new Proxy({} as Calls, {
    get(_, name: string) {
      // A promise is waited for by what it is, and this is none.
      if (name === 'then') return undefined;
      return async (...told: unknown[]) => {
        if (begun || !TELLS.has(name)) return running()[name]!(...told);
        if (name === 'take') water = told;
        return undefined;
      };
    },
  });
  return { call: call as Remote<T>, terminate: () => begun?.terminate() };
}

/** Every thread of a workspace. `flow` solves what is on screen, `side` what is wanted beside it. */
export function spawnAll(onDeath: (message: string) => void) {
  const flow = onFirstQuestion(() => spawnFlow(onDeath));
  const side = onFirstQuestion(() => spawnFlow(onDeath));
  const read = onFirstQuestion(() => spawnRead(onDeath));
  const live = onFirstQuestion(() => spawnLive(onDeath));
  const stalk = onFirstQuestion(() => spawnStalk(onDeath));
  const shots = onFirstQuestion(() => spawnShots(onDeath));
  const day = onFirstQuestion(() => spawnDay(onDeath));
  return {
    flow,
    side,
    asked: {
      read: read.call,
      live: live.call,
      stalk: stalk.call,
      shots: shots.call,
      day: day.call,
    } as Workers,
    terminate() {
      for (const worker of [flow, side, read, live, stalk, shots, day]) worker.terminate();
    },
  };
}
export type Spawned = ReturnType<typeof spawnAll>;
