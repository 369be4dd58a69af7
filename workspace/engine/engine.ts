import {
  canSharpen,
  SHARP_CELL_M,
  type CalibrationResult,
  type FlowField,
} from '../../core/water/index';
import { across, hireFlow, hireLive, hireRead, hireShots, hireStalk } from '../../workers/client';
import { createAnswers } from './answers';
import { createFlowSource, isPhone } from './flow-source';
import type { BeatInput, WorkspaceState } from '../state/state';
import type { Store } from '../state/store';

/**
 * Keeps the water on screen in step with the level that is asked for (looked up, else solved coarse
 * then fine), and hands each flow to `answers.ts`, which keeps everything computed from it. Returns
 * the way to stop and to act on it.
 */
export function startEngine(store: Store<WorkspaceState>, beat: BeatInput) {
  const { plan } = beat;
  const died = (message: string) =>
    store.set({
      flowState: {
        kind: 'failed',
        message: `A part of the program stopped: ${message}. Load the page again.`,
      },
    });
  const flowWorker = hireFlow(died);
  /** For what is wanted beside the water on screen: another level, a sharper picture, a calibration. */
  const sideWorker = hireFlow(died);
  const readWorker = hireRead(died);
  const liveWorker = hireLive(died);
  const stalkWorker = hireStalk(died);
  const shotsWorker = hireShots(died);
  const source = createFlowSource(beat);
  const sharpens = canSharpen(plan);
  let wanted = '';
  /** The flow that the angler stopped: nothing more is taken of it until asked for again. */
  let stopped = '';
  let comparing = '';
  let taken: FlowField | null = null;
  const complain = (error: unknown) =>
    store.set((s) => ({ notices: [...s.notices, `Not computed: ${String(error)}`] }));
  const answers = createAnswers(
    store,
    plan,
    {
      read: readWorker.call,
      live: liveWorker.call,
      stalk: stalkWorker.call,
      shots: shotsWorker.call,
    },
    source,
    complain,
  );
  const sentence = (error: unknown) => (error instanceof Error ? error.message : String(error));

  async function openFlow(): Promise<void> {
    const at = source.at(store.get().level);
    const hash = source.hashOf(at);
    if (hash === wanted) return;
    wanted = hash;
    stopped = '';
    void flowWorker.call.cancel();
    stopSharpening();
    store.set((s) => ({ flowState: { kind: 'opening' }, flowStale: s.flow !== null, sharp: 'no' }));
    const sharp = sharpens ? await source.find(source.at(at.level, SHARP_CELL_M)) : null;
    const kept = sharp ?? (await source.find(at));
    if (wanted !== hash) return;
    const flow = kept ?? (await solve(hash));
    if (!flow || wanted !== hash) return;
    take(flow, false);
    store.set({
      flowState: { kind: 'ready' },
      sharp: sharp ? 'done' : sharpens ? 'possible' : 'no',
    });
    if (!sharp && store.get().settings.sharpen === 'by-itself' && !isPhone()) void sharpen();
  }

  async function solve(hash: string): Promise<FlowField | null> {
    const s = store.get();
    const still = () => wanted === hash && stopped !== hash;
    const onProgress = (progress: number) => {
      if (still()) store.set({ flowState: { kind: 'solving', progress } });
    };
    const onCoarse = (coarse: FlowField) => {
      if (still()) take(coarse, true);
    };
    store.set({ flowState: { kind: 'solving', progress: 0 } });
    const { solveOn } = s.settings;
    const there = solveOn === 'server' || (solveOn === 'best' && isPhone());
    try {
      return there
        ? await source.solveThere(source.at(s.level), { onProgress }, still)
        : await source.solveHere(flowWorker, source.at(s.level), { onProgress, onCoarse });
    } catch (error) {
      if (wanted === hash) store.set({ flowState: { kind: 'failed', message: sentence(error) } });
      return null;
    }
  }

  let sharpening = '';
  /** The same water at 10 cm, in the background; what is on screen stays until it is there. */
  async function sharpen(): Promise<void> {
    const hash = wanted;
    const from = taken;
    if (!sharpens || !from || sharpening === hash) return;
    sharpening = hash;
    store.set({ sharp: 'running', sharpProgress: 0 });
    const at = source.at(store.get().level, SHARP_CELL_M);
    try {
      const events = {
        onProgress: (sharpProgress: number) => {
          if (sharpening === hash) store.set({ sharpProgress });
        },
        onCoarse: () => {},
      };
      const flow = await source.solveHere(sideWorker, at, events, from);
      if (sharpening !== hash) return;
      sharpening = '';
      if (!flow || wanted !== hash) return;
      take(flow, false);
      store.set({ sharp: 'done' });
    } catch (error) {
      sharpening = '';
      store.set({ sharp: 'possible' });
      complain(sentence(error));
    }
  }

  function stopSharpening(): void {
    if (sharpening === '') return;
    sharpening = '';
    void sideWorker.call.cancel();
    store.set({ sharp: 'possible' });
  }

  /** The level that is laid beside the one on screen. */
  async function openOther(): Promise<void> {
    const level = store.get().compareLevel;
    const hash = level === null ? '' : source.hashOf(source.at(level));
    if (hash === comparing) return;
    comparing = hash;
    if (level === null) {
      store.set({ other: null, otherReading: null, otherState: { kind: 'ready' } });
      return;
    }
    store.set({ otherState: { kind: 'opening' } });
    try {
      let flow = await source.find(source.at(level));
      if (!flow) {
        stopSharpening();
        const onProgress = (progress: number) => {
          if (comparing === hash) store.set({ otherState: { kind: 'solving', progress } });
        };
        const onCoarse = (coarse: FlowField) => {
          if (comparing === hash) store.set({ other: coarse });
        };
        flow = await source.solveHere(sideWorker, source.at(level), { onProgress, onCoarse });
      }
      if (!flow || comparing !== hash) return;
      store.set({ other: flow, otherState: { kind: 'ready' } });
      const otherReading = await readWorker.call.read(flow);
      if (comparing === hash) store.set({ otherReading });
    } catch (error) {
      if (comparing === hash)
        store.set({ otherState: { kind: 'failed', message: sentence(error) } });
    }
  }

  function take(flow: FlowField, coarse: boolean): void {
    taken = flow;
    answers.take(flow, coarse);
  }

  const unsubscribe = store.subscribe(() => {
    void openFlow();
    void openOther();
    answers.refresh();
  });
  void openFlow();

  return {
    stop() {
      unsubscribe();
      for (const worker of [
        flowWorker,
        sideWorker,
        readWorker,
        liveWorker,
        stalkWorker,
        shotsWorker,
      ])
        worker.dismiss();
    },
    cancelSolve() {
      stopped = wanted;
      void flowWorker.call.cancel();
      store.set({ flowState: { kind: 'cancelled' } });
    },
    firstCast: answers.firstCast,
    findShots: answers.findShots,
    cancelSearch: answers.cancelSearch,
    bestShotAt: answers.bestShotAt,
    sharpen: () => void sharpen(),
    stopSharpening,
    /** Fits roughness and discharge to what was measured. */
    calibrate: (onProgress: (fraction: number) => void): Promise<CalibrationResult> =>
      sideWorker.call.calibrate(plan, across(onProgress)),
    solveAgain() {
      wanted = '';
      stopped = '';
      void openFlow();
    },
  };
}

export type Engine = ReturnType<typeof startEngine>;
