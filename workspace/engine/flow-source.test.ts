import { encodeFlow, SHARP_CELL_M, type FlowField } from '../../core/water/index';
import { flowOf } from '../../core/water/fixtures/flows';
import { TANSY_GLIDE_FILE } from '../../demo/data/tansy-glide';
import { readBeat, type BeatPlan } from '../../core/formats/index';
import type { WorkerHandle } from '../../workers/client';
import type { FlowWorker } from '../../workers/protocol';
import { createFlowSource } from './flow-source';
import type { BeatInput } from '../state/document';

jest.mock('../../workers/client', () => ({
  ...jest.requireActual('../../workers/client'),
  across: <T>(x: T) => x,
}));

const plan = (readBeat(TANSY_GLIDE_FILE) as { plan: BeatPlan }).plan;
const beat = { id: 'b1', plan } as BeatInput;
const flow = flowOf(() => ({ depth: 0.4 }), { nx: 6, ny: 4 });
const HEARD = { onProgress: expect.any(Function), onCoarse: expect.any(Function) };
const events = { onProgress: () => {}, onCoarse: () => {} };

interface Answer {
  ok?: boolean;
  json?: unknown;
  bytes?: Uint8Array;
}
let asked: string[];
/** Answers by method and path; what is not listed is a 404. */
function serve(answers: Record<string, () => Answer>): void {
  asked = [];
  global.fetch = jest.fn(async (url: string, init?: RequestInit) => {
    const key = `${init?.method ?? 'GET'} ${url.replace(/\?.*/, '')}`;
    asked.push(key);
    const answer = answers[key.replace(/[0-9a-f]{16}/, 'HASH')]?.();
    return {
      ok: answer !== undefined && answer.ok !== false,
      json: async () => answer?.json,
      arrayBuffer: async () => answer?.bytes?.slice().buffer ?? new ArrayBuffer(0),
    } as Response;
  }) as unknown as typeof fetch;
}
const worker = (result: FlowField | null) => {
  const solve = jest.fn(async () => result);
  return { hired: { call: { solve } } as unknown as WorkerHandle<FlowWorker>, solve };
};

it('a level and a sharpness have their own hash, always the same', () => {
  const source = createFlowSource(beat);
  const hashes = [
    source.hashOf(source.at('Fair')),
    source.hashOf(source.at('Thin')),
    source.hashOf(source.at('Fair', SHARP_CELL_M)),
  ];
  expect(new Set(hashes).size).toBe(3);
  expect(createFlowSource(beat).hashOf(source.at('Fair'))).toBe(hashes[0]);
});

it('the book is asked once, memory after that; bytes that are no flow are none', async () => {
  serve({ 'GET /api/v1/flows/HASH': () => ({ bytes: encodeFlow(flow) }) });
  const source = createFlowSource(beat);
  expect((await source.find(source.at('Fair')))!.depthM).toEqual(flow.depthM);
  await source.find(source.at('Fair'));
  expect(asked).toHaveLength(1);
  serve({ 'GET /api/v1/flows/HASH': () => ({ bytes: new Uint8Array(40) }) });
  expect(await createFlowSource(beat).find(source.at('Fair'))).toBeNull();
  serve({});
  expect(await createFlowSource(beat).find(source.at('Fair'))).toBeNull();
});

it('solved here, it is kept in the book and in memory; cancelled, it is nothing', async () => {
  serve({});
  const source = createFlowSource(beat);
  const { hired, solve } = worker(flow);
  const sharp = source.at('Fair', SHARP_CELL_M);
  expect(await source.solveHere(hired, sharp, events, flow)).toBe(flow);
  expect(solve).toHaveBeenCalledWith(plan, 1.52, HEARD, { cellM: SHARP_CELL_M, from: flow });
  expect(asked).toEqual([`PUT /api/v1/flows/${source.hashOf(sharp)}`]);
  expect(await source.find(sharp)).toBe(flow);
  expect(await source.solveHere(worker(null).hired, source.at('Thin'), events)).toBeNull();
  await expect(
    source.solveHere(worker({ ...flow, status: 'diverged' }).hired, source.at('Full'), events),
  ).rejects.toThrow('the water did not settle');
});

describe('solved by the server', () => {
  const hash = createFlowSource(beat).hashOf(createFlowSource(beat).at('Fair'));
  const job = (state: string, progress: number, message?: string) => () => ({
    json: [{ hash, state, progress, message }],
  });
  beforeEach(() => jest.useFakeTimers({ doNotFake: ['performance'] }));
  afterEach(() => jest.useRealTimers());

  it('progress is told until the flow is there', async () => {
    const seen: number[] = [];
    let rounds = 0;
    serve({
      'POST /api/v1/solves': () => ({}),
      'GET /api/v1/solves': () => job('solving', 0.1 * ++rounds)(),
      'GET /api/v1/flows/HASH': () => (rounds < 2 ? { ok: false } : { bytes: encodeFlow(flow) }),
    });
    const source = createFlowSource(beat);
    const answer = source.solveThere(
      source.at('Fair'),
      { onProgress: (p) => seen.push(p) },
      () => true,
    );
    await jest.advanceTimersByTimeAsync(3000);
    expect((await answer)!.nx).toBe(6);
    expect(seen).toEqual([0.1, 0.2]);
  });

  it('no longer wanted, it is stopped there; failed, its sentence is passed on', async () => {
    serve({ 'POST /api/v1/solves': () => ({}) });
    const source = createFlowSource(beat);
    const quiet = { onProgress: () => {} };
    expect(await source.solveThere(source.at('Fair'), quiet, () => false)).toBeNull();
    expect(asked).toContain('DELETE /api/v1/solves');
    serve({
      'POST /api/v1/solves': () => ({}),
      'GET /api/v1/solves': job('failed', 0, 'The water did not settle.'),
    });
    await expect(source.solveThere(source.at('Fair'), quiet, () => true)).rejects.toThrow(
      'The water did not settle.',
    );
    serve({
      'POST /api/v1/solves': () => ({}),
      'GET /api/v1/solves': job('stopped', 0.4),
    });
    expect(await source.solveThere(source.at('Fair'), quiet, () => true)).toBeNull();
    serve({});
    await expect(source.solveThere(source.at('Fair'), quiet, () => true)).rejects.toThrow(
      'Not taken',
    );
  });
});
