import type { Remote } from 'comlink';
import {
  spawnDay,
  spawnFlow,
  spawnLive,
  spawnRead,
  spawnShots,
  spawnStalk,
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

/** Every thread of a workspace. `flow` solves what is on screen, `side` what is wanted beside it. */
export function spawnAll(onDeath: (message: string) => void) {
  const flow = spawnFlow(onDeath);
  const side = spawnFlow(onDeath);
  const read = spawnRead(onDeath);
  const live = spawnLive(onDeath);
  const stalk = spawnStalk(onDeath);
  const shots = spawnShots(onDeath);
  const day = spawnDay(onDeath);
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
