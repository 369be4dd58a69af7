import { encodeFlow, type FlowField } from '../../core/water/index';
import { flowOf } from '../../core/water/fixtures/flows';
import { readBeat, type BeatPlan } from '../../core/formats/index';
import { TANSY_GLIDE_FILE } from '../../demo/data/tansy-glide';
import { startEngine } from './engine';
import { freshState, type BeatInput, type WorkspaceState } from '../state/state';
import { createStore } from '../state/store';
import { TEST_SETTINGS } from '../fixtures/settings';

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
  const { latestWins } = jest.requireActual('../../workers/client');
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
      dismiss: () => {},
    };
  };
  const quiet = () => ({
    call: {
      take: async () => {},
      read: async () => ({ pieces: { pieces: [], ofCell: new Int16Array() } }),
      rate: async () => ({ field: new Float64Array(), lies: [] }),
    },
    dismiss: () => {},
  });
  return {
    across: <T>(x: T) => x,
    latestWins,
    hireFlow: flowWorker,
    hireRead: quiet,
    hireLive: quiet,
    hireStalk: quiet,
    hireShots: quiet,
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
  const store = createStore({
    ...freshState(),
    level: 'Fair',
    step: 'read',
    atMs: 0,
    markId: null,
    lieId: null,
    stand: null,
    landing: null,
    posture: 'kneel',
    from: null,
    via: [],
    out: [],
    marks: [],
    tries: [],
    reads: [],
    rises: [],
    settings: { ...TEST_SETTINGS, waterTempC: 11, ...more },
  } as unknown as WorkspaceState);
  const engine = startEngine(store, beat);
  return { store, engine };
}
const settle = async () => {
  for (let n = 0; n < 20; n++) await Promise.resolve();
};

beforeEach(() => (inBook = false));

it('what the book has is on screen at once; nothing is solved', async () => {
  inBook = true;
  const { store, engine } = start();
  await settle();
  expect(store.get().flowState).toEqual({ kind: 'ready' });
  expect(store.get().flow!.depthM[0]).toBe(0.33);
  expect(mockCalls).toEqual([]);
  engine.stop();
});

it('else it is solved: a rough picture marked stale, then the answer, which can be sharpened', async () => {
  const { store, engine } = start();
  await settle();
  expect(mockCalls.map((c) => [c.dischargeM3s, c.cellM])).toEqual([[1.52, 0.2]]);
  mockCalls[0]!.events.onProgress(0.4);
  expect(store.get().flowState).toEqual({ kind: 'solving', progress: 0.4 });
  mockCalls[0]!.events.onCoarse(made(0.2));
  expect([store.get().flow!.depthM[0], store.get().flowStale]).toEqual([0.2, true]);
  mockCalls[0]!.answer(made(0.5));
  await settle();
  expect(store.get()).toMatchObject({
    flowState: { kind: 'ready' },
    flowStale: false,
    sharp: 'possible',
  });
  engine.sharpen();
  await settle();
  expect(mockCalls[1]).toMatchObject({ dischargeM3s: 1.52, cellM: 0.1 });
  mockCalls[1]!.events.onProgress(0.2);
  expect(store.get()).toMatchObject({ sharp: 'running', sharpProgress: 0.2 });
  expect(store.get().flow!.depthM[0]).toBe(0.5);
  mockCalls[1]!.answer(made(0.6));
  await settle();
  expect([store.get().sharp, store.get().flow!.depthM[0]]).toEqual(['done', 0.6]);
  engine.stop();
});

it('by itself it sharpens once the water is ready; stopped, what comes late is not taken', async () => {
  const { store, engine } = start({ sharpen: 'by-itself' });
  await settle();
  mockCalls[0]!.answer(made(0.5));
  await settle();
  expect(store.get().sharp).toBe('running');
  engine.stopSharpening();
  expect(store.get().sharp).toBe('possible');
  mockCalls[1]!.answer(made(0.9));
  await settle();
  expect(store.get().flow!.depthM[0]).toBe(0.5);
  engine.stop();
});

it('a solve that fails says why, and can be asked again', async () => {
  const { store, engine } = start();
  await settle();
  mockCalls[0]!.answer({ ...made(0.5), status: 'diverged' });
  await settle();
  expect(store.get().flowState).toMatchObject({
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
  store.set({ compareLevel: 'Thin' });
  await settle();
  expect(mockCalls[1]!.dischargeM3s).toBe(0.6);
  mockCalls[1]!.events.onProgress(0.3);
  expect(store.get().otherState).toEqual({ kind: 'solving', progress: 0.3 });
  mockCalls[1]!.answer(made(0.25));
  await settle();
  expect(store.get().other!.depthM[0]).toBe(0.25);
  expect(store.get().otherReading).not.toBeNull();
  expect(store.get().flow!.depthM[0]).toBe(0.5);
  store.set({ compareLevel: null });
  await settle();
  expect(store.get().other).toBeNull();
  // Solved once, it is there at once.
  store.set({ compareLevel: 'Thin' });
  await settle();
  expect(mockCalls).toHaveLength(2);
  engine.stop();
});

it('a level chosen while another is being solved: the late answer is kept, not shown', async () => {
  const { store, engine } = start();
  await settle();
  store.set({ level: 'Thin' });
  await settle();
  mockCalls[0]!.answer(made(0.5));
  await settle();
  expect(store.get().flow).toBeNull();
  mockCalls[1]!.answer(made(0.25));
  await settle();
  expect(store.get().flow!.depthM[0]).toBe(0.25);
  store.set({ level: 'Fair' });
  await settle();
  expect(store.get().flow!.depthM[0]).toBe(0.5);
  expect(mockCalls).toHaveLength(2);
  engine.stop();
});
