import type { LevelName } from '../../core/formats/index';
import {
  decodeFlow,
  encodeFlow,
  FINE_CELL_M,
  flowInputHash,
  kernelHere,
  type FlowField,
} from '../../core/water/index';
import { api } from '../../sync/api';
import { across, whileIt, type WorkerHandle } from '../../workers/client';
import type { FlowWorker } from '../../workers/protocol';
import type { BeatInput } from '../state/document';

export type SolveEvents = {
  onProgress: (fraction: number) => void;
  onCoarse: (flow: FlowField) => void;
};

interface Wanted {
  level: LevelName;
  dischargeM3s: number;
  cellM: number;
}

/** Between two looks at the server's progress, ms. */
const LOOK_MS = 700;

/**
 * Where flows come from: memory, else the book's cache, else solved, on this device or by the
 * server for a device that should be spared. What is solved here is kept in the book.
 */
export function createFlowSource(beat: BeatInput) {
  const { plan } = beat;
  const solved = new Map<string, FlowField>();
  const hashes = new Map<string, string>();
  const here = kernelHere();

  function hashOf({ level, dischargeM3s, cellM }: Wanted, kernel = here): string {
    const key = `${level} ${cellM} ${kernel}`;
    const hash = hashes.get(key) ?? flowInputHash(plan, dischargeM3s, cellM, kernel);
    hashes.set(key, hash);
    return hash;
  }
  /** The server's step is always the fast one: a device without it takes what the server solved. */
  const hashThere = (wanted: Wanted) => hashOf(wanted, 'wasm');

  /** From memory or the book; null when it has not been solved yet. */
  async function find(wanted: Wanted): Promise<FlowField | null> {
    const hash = hashOf(wanted);
    const known = solved.get(hash);
    if (known) return known;
    const reply = await api.flow(hash);
    const other = !reply.ok && here !== 'wasm' ? await api.flow(hashThere(wanted)) : reply;
    const kept = other.ok ? decodeFlow(other.value) : null;
    if (kept) solved.set(hash, kept);
    return kept;
  }

  /** null when it was cancelled. Throws a sentence when the water does not settle. */
  async function solveHere(
    worker: WorkerHandle<FlowWorker>,
    wanted: Wanted,
    events: SolveEvents,
    from?: FlowField,
  ): Promise<FlowField | null> {
    const flow = await whileIt({ ...events }, (guarded) =>
      worker.call.solve(plan, wanted.dischargeM3s, across(guarded), {
        cellM: wanted.cellM,
        ...(from && { from }),
      }),
    );
    if (!flow) return null;
    if (flow.status === 'diverged') throw new Error(DID_NOT_SETTLE);
    const hash = hashOf(wanted);
    solved.set(hash, flow);
    void api.saveFlow(hash, beat.id, encodeFlow(flow).slice().buffer);
    return flow;
  }

  /** The server solves; `stillWanted` false stops it. Throws a sentence when that fails. */
  async function solveThere(
    wanted: Wanted,
    events: Pick<SolveEvents, 'onProgress'>,
    stillWanted: () => boolean,
  ): Promise<FlowField | null> {
    const hash = hashThere(wanted);
    const asked = await api.requestSolve(beat.id, wanted.level);
    if (!asked.ok) throw new Error(asked.message);
    for (;;) {
      if (!stillWanted()) {
        void api.stopSolve(hash);
        return null;
      }
      const found = await find(wanted);
      if (found) return found;
      const reply = await api.solves();
      const jobs = reply.ok ? reply.value : [];
      const job = jobs.find((j) => j.hash === hash);
      if (job?.state === 'failed') throw new Error(job.message ?? DID_NOT_SETTLE);
      if (job?.state === 'stopped') return null;
      if (job) events.onProgress(job.progress);
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }

  return {
    find,
    solveHere,
    solveThere,
    at: (level: LevelName, cellM = FINE_CELL_M): Wanted => ({
      level,
      dischargeM3s: plan.levels.find((l) => l.name === level)!.dischargeM3s,
      cellM,
    }),
    hashOf,
  };
}

const DID_NOT_SETTLE =
  'the water did not settle: depths or discharge of this beat contradict each other';

/** A device whose battery and one hand should be spared. */
export function isPhone(): boolean {
  return window.matchMedia('(pointer: coarse)').matches && window.innerWidth < 900;
}

export type FlowSource = ReturnType<typeof createFlowSource>;
