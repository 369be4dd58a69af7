import { encodeFlow, type FlowField } from '../../core/water/index';
import { flowOf } from '../../core/water/fixtures/flows';
import { readBeat, type BeatPlan } from '../../core/formats/index';
import { TANSY_GLIDE_FILE } from '../../demo/data/tansy-glide';
import { createEngine } from './engine';
import type { WorkspaceState } from '../state/state';
import { createWorkspaceStore } from '../state/store';
import { stateWith } from '../fixtures/state';
import { TEST_SETTINGS } from '../fixtures/settings';
import type { BeatInput } from '../state/document';

/** Workers that answer when the test says so. */
interface Call {
  dischargeM3s: number;
  cellM: number;
  events: { onProgress(f: number): void; onCoarse(f: FlowField): void };
  answer(flow: FlowField | null): void;
}
const mockCalls: Call[] = [];
const mockCancels: number[] = [];
let mockCount = 0;
jest.mock('../../workers/client', () => {
  const { latestWins, whileIt } = jest.requireActual('../../workers/client');
  const flowWorker = () => {
    const me = mockCount++;
    return {
      call: {
        cancel: async () => void mockCancels.push(me),
        solve: (
          _plan: unknown,
          dischargeM3s: number,
          events: Call['events'],
          o: { cellM: number },
        ) =>
          new Promise<FlowField | null>((answer) =>
            mockCalls.push({ dischargeM3s, cellM: o.cellM, events, answer }),
          ),
      },
      terminate: () => {},
    };
  };
  const quiet = () => ({
    call: {
      take: async () => {},
      read: async () => ({ pieces: { pieces: [], ofCell: new Int16Array() } }),
      rate: async () => ({ field: new Float64Array(), lies: [] }),
    },
    terminate: () => {},
  });
  return {
    across: <T>(x: T) => x,
    latestWins,
    whileIt,
    spawnFlow: flowWorker,
    spawnRead: quiet,
    spawnLive: quiet,
    spawnStalk: quiet,
    spawnShots: quiet,
    spawnDay: quiet,
  };
});

const plan = (readBeat(TANSY_GLIDE_FILE) as { plan: BeatPlan }).plan;
const beat = { id: 'b1', plan } as BeatInput;
const made = (depth: number) => flowOf(() => ({ depth }), { nx: 6, ny: 4 });
let inBook: boolean;

function start(more: Partial<WorkspaceState['settings']> = {}) {
  mockCalls.length = 0;
  mockCancels.length = 0;
  mockCount = 0;
  global.fetch = jest.fn(async (url: string, init?: RequestInit) => {
    const asksBook = url.startsWith('/api/v1/flows/') && init?.method !== 'PUT';
    return {
      ok: !asksBook || inBook,
      arrayBuffer: async () => encodeFlow(made(0.33)).slice().buffer,
      json: async () => [],
    } as Response;
  }) as unknown as typeof fetch;
  window.matchMedia = (() => ({ matches: false })) as unknown as typeof window.matchMedia;
  const store = createWorkspaceStore(
    stateWith({ atMs: 0, settings: { ...TEST_SETTINGS, waterTempC: 11, ...more } }),
  );
  const engine = createEngine(store, beat, () => []);
  const stop = engine.start();
  return { store, engine: { ...engine, stop } };
}
const settle = async () => {
  for (let n = 0; n < 20; n++) await Promise.resolve();
};

beforeEach(() => (inBook = false));

it('what the book has is on screen at once; nothing is solved', async () => {
  inBook = true;
  const { store, engine } = start();
  await settle();
  expect(store.getState().flowState).toEqual({ kind: 'ready' });
  expect(store.getState().flow!.depthM[0]).toBe(0.33);
  expect(mockCalls).toEqual([]);
  engine.stop();
});

it('else it is solved: a rough picture marked stale, then the answer, which can be sharpened', async () => {
  const { store, engine } = start();
  await settle();
  expect(mockCalls.map((c) => [c.dischargeM3s, c.cellM])).toEqual([[1.52, 0.2]]);
  mockCalls[0]!.events.onProgress(0.4);
  expect(store.getState().flowState).toEqual({ kind: 'solving', progress: 0.4 });
  mockCalls[0]!.events.onCoarse(made(0.2));
  expect([store.getState().flow!.depthM[0], store.getState().flowStale]).toEqual([0.2, true]);
  mockCalls[0]!.answer(made(0.5));
  await settle();
  expect(store.getState()).toMatchObject({
    flowState: { kind: 'ready' },
    flowStale: false,
    sharp: 'possible',
  });
  engine.sharpen();
  await settle();
  expect(mockCalls[1]).toMatchObject({ dischargeM3s: 1.52, cellM: 0.1 });
  mockCalls[1]!.events.onProgress(0.2);
  expect(store.getState()).toMatchObject({ sharp: 'running', sharpProgress: 0.2 });
  expect(store.getState().flow!.depthM[0]).toBe(0.5);
  mockCalls[1]!.answer(made(0.6));
  await settle();
  expect([store.getState().sharp, store.getState().flow!.depthM[0]]).toEqual(['done', 0.6]);
  engine.stop();
});

it('by itself it sharpens once the water is ready; stopped, what comes late is not taken', async () => {
  const { store, engine } = start({ sharpen: 'by-itself' });
  await settle();
  mockCalls[0]!.answer(made(0.5));
  await settle();
  // Painting has the machine first.
  expect(store.getState().sharp).toBe('possible');
  store.setState({ paintedFlow: store.getState().flow });
  await settle();
  expect(store.getState().sharp).toBe('running');
  engine.stopSharpening();
  expect(store.getState().sharp).toBe('possible');
  mockCalls[1]!.answer(made(0.9));
  await settle();
  expect(store.getState().flow!.depthM[0]).toBe(0.5);
  engine.stop();
});

it('a solve that fails says why, and can be asked again', async () => {
  const { store, engine } = start();
  await settle();
  mockCalls[0]!.answer({ ...made(0.5), status: 'diverged' });
  await settle();
  expect(store.getState().flowState).toMatchObject({
    kind: 'failed',
    message: expect.stringMatching(/did not settle/),
  });
  engine.solveAgain();
  await settle();
  expect(mockCalls).toHaveLength(2);
  engine.stop();
});

it('another level is laid beside it without touching the one on screen, and taken away', async () => {
  const { store, engine } = start();
  await settle();
  mockCalls[0]!.answer(made(0.5));
  await settle();
  store.setState({ compareLevel: 'Thin' });
  await settle();
  expect(mockCalls[1]!.dischargeM3s).toBe(0.6);
  mockCalls[1]!.events.onProgress(0.3);
  expect(store.getState().otherState).toEqual({ kind: 'solving', progress: 0.3 });
  mockCalls[1]!.answer(made(0.25));
  await settle();
  expect(store.getState().other!.depthM[0]).toBe(0.25);
  expect(store.getState().flow!.depthM[0]).toBe(0.5);
  store.setState({ compareLevel: null });
  await settle();
  expect(store.getState().other).toBeNull();
  // Solved once, it is there at once.
  store.setState({ compareLevel: 'Thin' });
  await settle();
  expect(mockCalls).toHaveLength(2);
  engine.stop();
});

it('a level chosen while another is being solved: the late answer is kept, not shown', async () => {
  const { store, engine } = start();
  await settle();
  store.setState({ level: 'Thin' });
  await settle();
  mockCalls[0]!.answer(made(0.5));
  await settle();
  expect(store.getState().flow).toBeNull();
  mockCalls[1]!.answer(made(0.25));
  await settle();
  expect(store.getState().flow!.depthM[0]).toBe(0.25);
  store.setState({ level: 'Fair' });
  await settle();
  expect(store.getState().flow!.depthM[0]).toBe(0.5);
  expect(mockCalls).toHaveLength(2);
  engine.stop();
});
