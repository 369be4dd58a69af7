import { DEFAULT_RIG } from '../core/rig/index';
import { plan, stream } from '../core/stalk/fixtures/streams';
import { CAST, MARK } from '../workspace/fixtures/cast';
import type { FlowWorker, LiveWorker, ReadWorker, ShotsWorker, StalkWorker } from './protocol';

/** What an entry offers, without a thread round it. */
let mockOffered: unknown;
jest.mock('comlink', () => ({
  expose: (worker: unknown) => (mockOffered = worker),
  proxy: <T>(x: T) => x,
  transfer: <T>(x: T) => x,
}));
async function entry<T>(name: string): Promise<T> {
  mockOffered = null;
  await jest.isolateModulesAsync(async () => void (await import(`./${name}.worker`)));
  return mockOffered as T;
}

const flow = stream(0.4, 0.5);
const beat = plan();

it.each([
  ['read', (w: ReadWorker) => w.rate({} as never)],
  ['live', (w: LiveWorker) => w.cast(CAST, null, 6)],
  ['stalk', (w: StalkWorker) => w.plan({} as never)],
  ['shots', (w: ShotsWorker) => w.castStudy(CAST)],
] as const)('%s: without a water it says that one comes first', async (name, ask) => {
  const worker = await entry<never>(name);
  expect(() => ask(worker)).toThrow('take(plan, flow) comes first');
});

it('read: pieces, lies, shade and lookouts of the water that was taken', async () => {
  const worker = await entry<ReadWorker>('read');
  worker.take(beat, flow);
  expect(worker.read().pieces.pieces.length).toBeGreaterThan(0);
  const input = {
    species: 'brown' as const,
    forkLengthCm: 24,
    waterTempC: 11,
    turbidityNtu: 1,
    season: 'summer' as const,
    method: 'energy-budget' as const,
    light: null,
  };
  const before = worker.rate(input);
  expect(before.field.length).toBe(flow.depthM.length);
  expect(worker.difference(input, 'energy-budget').partings).toEqual([]);
  // Another water: the answers are of that one.
  worker.take(beat, stream(0.1, 0.9));
  expect(worker.rate(input).field).not.toEqual(before.field);
});

it('live: drift, ring and exposures of a fish; a film only when the pointer rests', async () => {
  const worker = await entry<LiveWorker>('live');
  worker.take(beat, flow);
  expect(worker.cast(CAST, null, 6).band.best.film).toBeUndefined();
  expect(worker.cast(CAST, null, 24).band.best.film).toBeDefined();
  // What is dragged is followed to the lift past the fish; at rest to its end.
  const long = { ...CAST, seconds: 20 };
  const [dragged, resting] = [6, 24].map((runs) => worker.cast(long, null, runs).band.best);
  expect(dragged!.t.at(-1)!).toBeLessThan(12);
  expect(resting!.t.at(-1)!).toBeGreaterThan(12);
  expect(worker.ring(MARK, 'stand', 1.75, CAST.conditions)).toHaveLength(72);
  const stand = { ...CAST.stand, posture: 'stand' as const, heightM: 1.75 };
  const [still] = worker.exposures(MARK, stand, [CAST.conditions]);
  expect(still).toBeGreaterThan(0);
});

it('stalk: a way, its study, and a cast to begin from', async () => {
  const worker = await entry<StalkWorker>('stalk');
  worker.take(beat, flow);
  const way = {
    from: { xM: 2, yM: -7 },
    to: CAST.stand,
    endPosture: 'kneel' as const,
    fish: [MARK],
    angler: CAST.angler,
    conditions: CAST.conditions,
  };
  expect(worker.plan(way).kind).toBe('way');
  const care = { waterTempC: 11, windMps: 0, sky: 'broken', species: 'brown', northernMonth: 6 };
  const study = worker.study({ way, targetId: 'm1', later: [], care: care as never });
  expect(study.cautions[0]!.map((c) => c.kind)).toContain('lightning');
  expect(worker.quickShot({ rig: DEFAULT_RIG, target: MARK })!.cleanS.best).toBeGreaterThan(0);
});

it('shots: a newer search, or a stop, ends the one that runs', async () => {
  const worker = await entry<ShotsWorker>('shots');
  worker.take(beat, flow);
  const shares: number[] = [];
  const first = worker.find({ rig: DEFAULT_RIG, target: MARK, standStepM: 1 }, (f) =>
    shares.push(f),
  );
  const second = worker.find({ rig: DEFAULT_RIG, target: MARK, standStepM: 1 }, () => {});
  expect(await first).toBeNull();
  expect((await second)!.kind).toBe('shots');
  const third = worker.find({ rig: DEFAULT_RIG, target: MARK, standStepM: 1 }, () => {});
  worker.cancel();
  expect(await third).toBeNull();
  expect(shares.length).toBeLessThan(20);
});

it('flow: a solve that is stopped gives nothing', async () => {
  const worker = await entry<FlowWorker>('flow');
  const { demoBeats } = await import('../demo/beats');
  const { plan: demo } = demoBeats()[0]!;
  const solving = worker.solve(demo, 1.5, { onProgress: () => {}, onCoarse: () => {} });
  setTimeout(() => worker.cancel(), 60);
  expect(await solving).toBeNull();
});
