import { castNow, driftBand, driftInputOf, RUNS } from '../core/cast/index';
import { quickRead, rateLies } from '../core/lies/index';
import { POCKETS } from '../core/lies/fixtures/beats';
import { tryFact } from '../core/learn/index';
import {
  applyChanges,
  constantsMark,
  EMPTY_LOG,
  NO_PRIORS,
  type KeptRead,
  type LogChange,
  type Mark,
  type Try,
} from '../core/log/index';
import { packBeat, type BeatPack, type PackOrder, type PackTarget } from '../core/outing/index';
import { planRoute, run, workingOf } from '../core/route/index';
import { createScene } from '../core/sight/index';
import { beginTry, type Opened } from '../outing/begin-try';
import { createOutingActions } from '../outing/outing-actions';
import { targetsNow } from '../outing/next-thing';
import { standingAt } from '../outing/route-now';
import type { BankKeeper, BankView } from '../sync/bank';
import { kept } from '../testing/kept';
import { answered } from '../workspace/fixtures/answered';
import { stateWith } from '../workspace/fixtures/state';
import { snapshotNow } from '../workspace/records/snapshot-now';
import { castQuestion } from '../workspace/steps/cast/questions';
import { flow, mark, NOW, settings } from './fixtures/pockets';

/**
 * A try opened from every place where one can be opened, by the real pack and the real press: each keeps the
 * same keys, the chance that was on the screen, and parts that Learn can use.
 */
const known = mark('known', 11.5);
const order: PackOrder = {
  beatId: 'b',
  streamName: 'Thrum',
  planHash: 'p',
  plan: POCKETS,
  flow,
  level: POCKETS.surveyedLevel,
  marks: [known],
  settings,
  homeOffset: 0.1,
  water: { tempC: 12, source: 'read' },
  nowMs: NOW,
};
const pack: BeatPack = kept('outing', ['pack', order], () => packBeat(order));

function phone(marks: Mark[] = [known], reads: KeptRead[] = []) {
  let view = {
    bank: { settings, constants: constantsMark(NO_PRIORS) },
    log: { ...EMPTY_LOG, marks: marks.map((m) => ({ ...m, beatId: 'b' })), reads },
  } as unknown as BankView;
  const bank = {
    get: () => view,
    record: (...requests: { change?: LogChange }[]) => {
      const changes = requests.flatMap((r) => r.change ?? []);
      view = { ...view, log: applyChanges(view.log, changes) };
      return Promise.resolve(true);
    },
  } as unknown as BankKeeper;
  const actions = createOutingActions(bank, () => NOW);
  const open = (opened: Opened, press = true): Try => {
    const id = beginTry(actions, opened, null, 'Dun 16');
    if (press) void actions.press(id, 'cast');
    return view.log.tries.find((t) => t.id === id)!;
  };
  return { open, log: () => view.log };
}
const atTarget = (target: PackTarget, marks?: Mark[]) =>
  phone(marks).open({ kind: 'target', pack, target });

const lies = pack.targets.filter((t) => t.markId === null && t.shot);
const ground = pack.route!.ground;
const routed = planRoute(ground, {
  at: null,
  lambda: 3,
  budgetS: null,
  turn: false,
  direction: 'free',
  ticks: [],
});
if (routed.kind !== 'route') throw new Error(routed.kind);
const [step] = routed.steps;
const atStop = standingAt(
  pack.targets.find((t) => t.id === step!.lies[0]!.id)!,
  ground,
  step!,
  settings,
);
const seen = mark('seen', lies[0]!.xM + 0.5, { yM: lies[0]!.yM });
const [seenThere] = targetsNow(
  pack,
  { ...EMPTY_LOG, marks: [{ ...seen, beatId: 'b' }] },
  settings,
  NOW,
).filter((t) => t.id === 'seen');
const onlyOfRoute = lies.filter((t) => ground.lies.some((l) => l.id === t.id)).at(-1)!;

const answers = {
  depthM: 0.5,
  surfacePaceMps: 0.5,
  bottom: 'cobble',
} as unknown as KeptRead['answers'];

/** The desk, with the fish chosen, at the stand that the pack proposes, its drift followed. */
function desk() {
  const { shot } = pack.targets.find((t) => t.markId === 'known')!;
  const lieField = rateLies(POCKETS, flow, {
    species: settings.species,
    forkLengthCm: 25,
    waterTempC: 12,
    method: settings.methods.holding,
  });
  const base = stateWith({
    settings,
    flow,
    marks: [known],
    markId: 'known',
    level: POCKETS.surveyedLevel,
    stand: shot!.stand,
    landing: shot!.landing,
    lay: shot!.lay,
    posture: shot!.posture,
    fly: shot!.fly,
    atMs: NOW,
    ...answered({ lies: lieField }),
  });
  const scene = createScene(POCKETS, flow);
  const question = castQuestion(POCKETS, base)!;
  const band = driftBand(flow, driftInputOf(question), RUNS.settled);
  const now = castNow(scene, question, band.best);
  const beat = { id: 'b', streamName: 'Thrum', plan: POCKETS, planHash: 'p' } as never;
  const state = { ...base, ...answered({ drift: { band, now, ms: 0 }, lies: lieField }) };
  return { shown: now.chance!.found, snapshot: snapshotNow(beat, state) };
}

const fromDesk = desk();
const asTry = (snapshot: Try['snapshot']): Try => ({
  ...atTarget(pack.targets[0]!),
  snapshot,
});

/** By name: the try, and the chance that its screen showed; null: none was. */
const OPENED: [string, Try, number | null][] = [
  ['desk', asTry(fromDesk.snapshot), fromDesk.shown],
  [
    'marked fish',
    atTarget(pack.targets.find((t) => t.markId === 'known')!),
    pack.targets.find((t) => t.markId === 'known')!.shot!.chance.best,
  ],
  ['best lie', atTarget(lies[0]!), lies[0]!.shot!.chance.best],
  ['lie of the route', atTarget(onlyOfRoute), onlyOfRoute.shot!.chance.best],
  ['stop of the route', atTarget(atStop), atStop.shot!.chance.best],
  ['fish seen in a lie', atTarget(seenThere!, [known, seen]), seenThere!.shot!.chance.best],
  ['fish seen elsewhere', elsewhere(), null],
  ['place', atPlace(), null],
  ['here', phone().open({ kind: 'here', beatId: null }), null],
];

function elsewhere(): Try {
  const far = mark('far', 0.5, { yM: -3 });
  const log = { ...EMPTY_LOG, marks: [{ ...far, beatId: 'b' }] };
  return atTarget(
    targetsNow(pack, log, settings, NOW).find((t) => t.id === 'far')!,
    [far],
  );
}

function atPlace(): Try {
  const result = quickRead({
    depthM: 0.5,
    surfacePaceMps: 0.5,
    bottom: 'cobble',
    cover: [],
  } as never);
  const read = {
    id: 'r',
    beatId: null,
    xM: null,
    yM: null,
    takenMs: NOW,
    zoneOffsetMin: 0,
    answers,
    result,
    note: '',
  } as unknown as KeptRead;
  return phone([], [read]).open({ kind: 'place', readId: 'r', beatId: null });
}

/** Every key, down to figures; what is null as a whole has none beneath. */
function keysOf(value: unknown, at = ''): string[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [at];
  return Object.entries(value).flatMap(([k, v]) => keysOf(v, at === '' ? k : `${at}.${k}`));
}
const FIRST = ['constantsHash', 'hour', 'level', 'planHash', 'version'];

describe.each(OPENED)('%s', (_name, t, shown) => {
  const { snapshot } = t;
  it('has every key: what is not known is null', () => {
    for (const part of ['water', 'weather', 'rated', 'predicted'] as const)
      expect(
        Object.keys(snapshot[part])
          .filter((k) => k !== 'ticks')
          .sort(),
      ).toEqual(
        Object.keys(OPENED[0]![1].snapshot[part])
          .filter((k) => k !== 'ticks')
          .sort(),
      );
    expect(keysOf(snapshot)).toEqual(expect.arrayContaining(FIRST));
    expect(snapshot.predicted.answers).toBeGreaterThan(0);
    expect(snapshot.constantsHash).toBe(constantsMark(NO_PRIORS).constantsHash);
  });
  it('keeps the chance that was on the screen', () => {
    expect(snapshot.predicted.chance?.value ?? null).toBe(shown);
  });
  if (shown !== null)
    it('keeps every part of it, as Learn needs them', () => {
      const fact = tryFact(t)!;
      expect(fact.parts).not.toBeNull();
      for (const [name, value] of Object.entries(fact.parts!))
        expect([name, Number.isFinite(value)]).toEqual([name, true]);
      expect(fact.exposure).not.toBeNull();
      expect(fact.castM).toBeGreaterThan(0);
      expect(snapshot.cast!.rig).toMatchObject({
        id: expect.any(String),
        fly: expect.any(String),
        leaderM: expect.any(Number),
      });
      expect(snapshot.target).toMatchObject({
        depthM: expect.any(Number),
        meanSpeedMps: expect.any(Number),
      });
    });
});

it('a fish that was marked keeps its lie: kind, rating and needs, on desk and phone alike', () => {
  for (const name of ['desk', 'marked fish', 'fish seen in a lie']) {
    const { target } = OPENED.find(([n]) => n === name)![1].snapshot;
    expect([name, target]).toEqual([
      name,
      expect.objectContaining({
        kind: expect.any(String),
        rating: expect.any(Number),
        needs: expect.any(Object),
      }),
    ]);
  }
});

it('a route says how each lie is come to: what was tried there lowers it, and its chance says so', () => {
  const [first] = step!.lies;
  const { home } = ground.lies[first!.lie]!;
  expect(first!.home).toBeCloseTo(home, 9);
  expect(first!.calm).toBeLessThan(1);
  // Three looks that nothing answered, by hand: home w (1 - look a)^3 over what is left.
  const { answers: a } = ground.lies[first!.lie]!;
  const none = (1 - first!.cast.cover.look * a) ** 3;
  const willing = (first!.p / first!.calm) * none;
  const left = willing / (1 - first!.p / first!.calm + willing);
  const tick = {
    lieId: first!.id,
    looks: Array(3).fill(first!.cast.cover.look) as number[],
    closed: false,
  };
  const ask = { at: null, lambda: 0, budgetS: null, turn: false, direction: 'free' as const };
  const [again] = run(workingOf(ground, { ...ask, ticks: [tick] }, 1), [
    { stand: step!.stand, lies: [first!.lie] },
  ]).steps;
  expect(again!.lies[0]!.home).toBeCloseTo((left * home) / (first!.p / first!.calm), 9);
});
