import type { BeatPlan } from '../../core/formats/index';
import { canSharpen, SHARP_CELL_M, type FlowField } from '../../core/water/index';
import type { WorkspaceStore } from '../state/store';
import { isPhone, type FlowSource } from './flow-source';
import type { Spawned } from './workers';

const sentence = (error: unknown) => (error instanceof Error ? error.message : String(error));

/**
 * The water on screen: looked up, else solved coarse then fine, sharpened when small; and the level
 * laid beside it. `refresh` after any change of the state; `take` gets each flow.
 */
export function keepFlowInStep(
  store: WorkspaceStore,
  plan: BeatPlan,
  source: FlowSource,
  { flow: solver, side }: Pick<Spawned, 'flow' | 'side'>,
  take: (flow: FlowField, coarse: boolean) => void,
  complain: (error: unknown) => void,
) {
  const sharpens = canSharpen(plan);
  let wanted = '';
  /** The flow that the angler stopped: nothing more is taken of it until asked for again. */
  let stopped = '';
  let comparing = '';
  let taken: FlowField | null = null;
  const show = (flow: FlowField, coarse: boolean) => {
    taken = flow;
    take(flow, coarse);
  };

  async function openFlow(): Promise<void> {
    const at = source.at(store.getState().level);
    const hash = source.hashOf(at);
    if (hash === wanted) return;
    wanted = hash;
    stopped = '';
    void solver.call.cancel();
    stopSharpening();
    store.setState((s) => ({
      flowState: { kind: 'opening' },
      flowStale: s.flow !== null,
      sharp: 'no',
    }));
    const sharp = sharpens ? await source.find(source.at(at.level, SHARP_CELL_M)) : null;
    const kept = sharp ?? (await source.find(at));
    if (wanted !== hash) return;
    const flow = kept ?? (await solve(hash));
    if (!flow || wanted !== hash) return;
    show(flow, false);
    store.setState({
      flowState: { kind: 'ready' },
      sharp: sharp ? 'done' : sharpens ? 'possible' : 'no',
    });
    if (!sharp && store.getState().settings.sharpen === 'by-itself' && !isPhone()) {
      // A sharper picture is no use before there is one: painting has the machine first.
      await painted(flow);
      if (wanted === hash) void sharpen();
    }
  }

  async function solve(hash: string): Promise<FlowField | null> {
    const s = store.getState();
    const still = () => wanted === hash && stopped !== hash;
    const onProgress = (progress: number) => {
      if (still()) store.setState({ flowState: { kind: 'solving', progress } });
    };
    const onCoarse = (coarse: FlowField) => {
      if (still()) show(coarse, true);
    };
    store.setState({ flowState: { kind: 'solving', progress: 0 } });
    const { solveOn } = s.settings;
    const there = solveOn === 'server' || (solveOn === 'best' && isPhone());
    try {
      return there
        ? await source.solveThere(source.at(s.level), { onProgress }, still)
        : await source.solveHere(solver, source.at(s.level), { onProgress, onCoarse });
    } catch (error) {
      if (wanted === hash)
        store.setState({ flowState: { kind: 'failed', message: sentence(error) } });
      return null;
    }
  }

  /** Resolves once this flow is on the plan. */
  const painted = (flow: FlowField) =>
    new Promise<void>((resolve) => {
      const look = (s: { paintedFlow: FlowField | null }) => {
        if (s.paintedFlow !== flow) return;
        leave();
        resolve();
      };
      const leave = store.subscribe(look);
      look(store.getState());
    });

  let sharpening = '';
  /** The same water at 10 cm, in the background; what is on screen stays until it is there. */
  async function sharpen(): Promise<void> {
    const hash = wanted;
    const from = taken;
    if (!sharpens || !from || sharpening === hash) return;
    sharpening = hash;
    store.setState({ sharp: 'running', sharpProgress: 0 });
    const at = source.at(store.getState().level, SHARP_CELL_M);
    try {
      const events = {
        onProgress: (sharpProgress: number) => {
          if (sharpening === hash) store.setState({ sharpProgress });
        },
        onCoarse: () => {},
      };
      const flow = await source.solveHere(side, at, events, from);
      if (sharpening !== hash) return;
      sharpening = '';
      if (!flow || wanted !== hash) return;
      show(flow, false);
      store.setState({ sharp: 'done' });
    } catch (error) {
      sharpening = '';
      store.setState({ sharp: 'possible' });
      complain(sentence(error));
    }
  }

  function stopSharpening(): void {
    if (sharpening === '') return;
    sharpening = '';
    void side.call.cancel();
    store.setState({ sharp: 'possible' });
  }

  /** The level that is laid beside the one on screen. */
  async function openOther(): Promise<void> {
    const level = store.getState().compareLevel;
    const hash = level === null ? '' : source.hashOf(source.at(level));
    if (hash === comparing) return;
    comparing = hash;
    if (level === null) {
      store.setState({ other: null, otherState: { kind: 'ready' } });
      return;
    }
    store.setState({ other: null, otherState: { kind: 'opening' } });
    try {
      let flow = await source.find(source.at(level));
      if (!flow) {
        stopSharpening();
        const onProgress = (progress: number) => {
          if (comparing === hash) store.setState({ otherState: { kind: 'solving', progress } });
        };
        const onCoarse = (coarse: FlowField) => {
          if (comparing === hash) store.setState({ other: coarse });
        };
        flow = await source.solveHere(side, source.at(level), { onProgress, onCoarse });
      }
      if (!flow || comparing !== hash) return;
      store.setState({ other: flow, otherState: { kind: 'ready' } });
    } catch (error) {
      if (comparing === hash)
        store.setState({ otherState: { kind: 'failed', message: sentence(error) } });
    }
  }

  return {
    refresh() {
      void openFlow();
      void openOther();
    },
    sharpen: () => void sharpen(),
    stopSharpening,
    cancelSolve() {
      stopped = wanted;
      void solver.call.cancel();
      store.setState({ flowState: { kind: 'cancelled' } });
    },
    solveAgain() {
      wanted = '';
      stopped = '';
      void openFlow();
    },
  };
}
