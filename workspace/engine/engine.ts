import type { Shot, ShotsQuestion, ShotsResult } from '../../core/cast/index';
import type { CalibrationResult, FlowField } from '../../core/water/index';
import { across, whileIt } from '../../workers/client';
import type { AnswerValues } from '../state/answer';
import type { BeatInput } from '../state/document';
import type { WorkspaceStore } from '../state/store';
import { keepFlowInStep } from './flow';
import { createFlowSource, type FlowSource } from './flow-source';
import { runAnswers, type AnySpec } from './run-answers';
import { spawnAll, type Spawned } from './workers';

/** How the specs of the steps come to the engine: what they may need beside the state. */
export type SpecsOf = (needs: {
  source: FlowSource;
  findShots(workers: unknown, question: ShotsQuestion): Promise<ShotsResult | null>;
  /** How far the route is, 0-1. */
  onRoute(share: number): void;
}) => readonly AnySpec[];

/**
 * Keeps a beat's water in step with the level that is asked for, and every answer in step with the
 * state. Made with the workspace; `start` begins, once there is a page, and gives the way to stop.
 */
export function createEngine(store: WorkspaceStore, beat: BeatInput, specsOf: SpecsOf) {
  const source = createFlowSource(beat);
  let running: {
    threads: Spawned;
    water: ReturnType<typeof keepFlowInStep>;
    answers: ReturnType<typeof runAnswers>;
  } | null = null;

  const complain = (error: unknown) =>
    store.setState((s) => ({ notices: [...s.notices, `Not computed: ${String(error)}`] }));

  /** The newest search is the only one that tells. */
  let searching = 0;
  async function askShots(_: unknown, question: ShotsQuestion): Promise<ShotsResult | null> {
    const mine = searching;
    const found = await whileIt(
      {
        onProgress: (progress: number) => {
          if (mine === searching) store.setState({ search: { kind: 'looking', progress } });
        },
      },
      async ({ onProgress }) =>
        (await running?.threads.asked.shots.find(question, across(onProgress))) ?? null,
    );
    return mine === searching ? found : null;
  }

  function start(): () => void {
    const threads = spawnAll((message) =>
      store.setState({
        flowState: {
          kind: 'failed',
          message: `A part of the program stopped: ${message}. Load the page again.`,
        },
      }),
    );
    const specs = specsOf({
      source,
      findShots: askShots,
      onRoute: (workProgress) => store.setState({ workProgress }),
    });
    const answers = runAnswers(store, specs, threads.asked, complain);
    const { read, live, stalk, shots } = threads.asked;
    /** Everything after this speaks of this water. A coarse one is too rough to walk by. */
    const take = (flow: FlowField, coarse: boolean) => {
      void read.take(beat.plan, flow);
      void live.take(beat.plan, flow);
      if (!coarse) {
        void stalk.take(beat.plan, flow);
        void shots.take(beat.plan, flow);
      }
      store.setState((s) => ({ flow, flowStale: coarse, waterSerial: s.waterSerial + 1 }));
    };
    const water = keepFlowInStep(store, beat.plan, source, threads, take, complain);
    running = { threads, water, answers };
    const leave = store.subscribe(() => {
      water.refresh();
      answers.refresh();
    });
    water.refresh();
    return () => {
      leave();
      threads.terminate();
      running = null;
    };
  }

  /** Looks for stands and casts for the fish that is meant; null when stopped or overtaken. */
  async function findShots(): Promise<AnswerValues['shots'] | null> {
    if (!running) return null;
    const mine = ++searching;
    store.setState({ search: { kind: 'looking', progress: 0 } });
    const end = (kind: 'idle' | 'done' | 'stopped') => {
      if (mine === searching) store.setState({ search: { kind } });
    };
    try {
      const found = await running.answers.run('shots');
      end(found ? 'done' : 'idle');
      return mine === searching ? found : null;
    } catch (error) {
      end('stopped');
      complain(error);
      return null;
    }
  }

  return {
    start,
    findShots,
    cancelSearch() {
      searching++;
      void running?.threads.asked.shots.cancel();
      store.setState({ search: { kind: 'stopped' } });
    },
    /** One cast to begin from; null when there is none, or no water yet. */
    quickShot: async (question: ShotsQuestion): Promise<Shot | null> =>
      (await running?.threads.asked.stalk.quickShot(question)) ?? null,
    /** The best shot of a whole search that leaves the one on screen alone. */
    async bestShot(question: ShotsQuestion): Promise<Shot | null> {
      const found = await running?.threads.asked.shots.find(
        question,
        across(() => {}),
      );
      return found?.kind === 'shots' ? found.shots[0]! : null;
    },
    sharpen: () => running?.water.sharpen(),
    stopSharpening: () => running?.water.stopSharpening(),
    cancelRoute: () => void running?.threads.asked.stalk.cancelRoute(),
    cancelSolve: () => running?.water.cancelSolve(),
    solveAgain: () => running?.water.solveAgain(),
    /** Fits roughness and discharge to what was measured. Throws before the page stands. */
    calibrate(onProgress: (fraction: number) => void): Promise<CalibrationResult> {
      if (!running) throw new Error('calibrate: the engine has not started');
      const { side } = running.threads;
      return whileIt({ onProgress }, async (guarded) =>
        side.call.calibrate(beat.plan, across(guarded.onProgress)),
      );
    },
  };
}

export type Engine = ReturnType<typeof createEngine>;
