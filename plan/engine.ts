import { RUNS, type FirstCast } from '../core/cast/index';
import { featuresOf, shapePlaces } from '../core/formats/index';
import type { LookoutInput } from '../core/sight/index';
import type { StalkResult } from '../core/stalk/index';
import type { Lie, Method } from '../core/lies/index';
import {
  canSharpen,
  SHARP_CELL_M,
  type CalibrationResult,
  type FlowField,
} from '../core/water/index';
import { TOTAL_PER_FORK } from '../core/fish/index';
import type { RateInput } from '../workers/protocol';
import { across, hireFlow, hireLive, hireRead, hireStalk, latestWins } from '../workers/client';
import { atHour, civilDay } from './civil-time';
import { conditionsAt } from './conditions';
import { HOURS } from './hours';
import { createFlowSource, isPhone } from './flow-source';
import {
  lieOf,
  sameLie,
  seasonAt,
  targetOf,
  tempOf,
  TIP_HEIGHT_M,
  tipOf,
  type BeatInput,
  fishIn,
  type HourExposure,
  type HourGlare,
  type WorkspaceState,
} from './state';
import type { Store } from './store';

/** Drift is followed this long, s. */
const DRIFT_S = 6;
/** Answer times kept for the bench. */
const KEPT_TIMES = 400;

/**
 * Keeps everything derived in step with document and session: watches the store, asks the workers
 * for what has changed, and writes the answers back. Returns the way to stop and to act on it.
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
  const source = createFlowSource(beat);
  const sharpens = canSharpen(plan);
  let wanted = '';
  /** The flow that the angler stopped: nothing more is taken of it until asked for again. */
  let stopped = '';
  let comparing = '';
  let taken: FlowField | null = null;
  const asked = {
    rate: '',
    ring: '',
    drift: '',
    stalk: '',
    hours: '',
    study: '',
    methods: '',
    lookouts: '',
    glare: '',
    window: '',
  };
  const complain = (error: unknown) =>
    store.set((s) => ({ notices: [...s.notices, `Not computed: ${String(error)}`] }));
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
    for (const key of Object.keys(asked) as (keyof typeof asked)[]) asked[key] = '';
    void readWorker.call.take(plan, flow);
    void liveWorker.call.take(plan, flow);
    if (!coarse) void stalkWorker.call.take(plan, flow);
    store.set({ flow, flowStale: coarse, liesStale: true, driftStale: true, stalkStale: true });
    refresh();
    readWorker.call.read().then((reading) => {
      if (taken === flow) store.set({ reading });
    }, complain);
  }

  const askRate = latestWins(
    (o: { flow: FlowField; input: RateInput }) => readWorker.call.rate(o.input),
    (lies, o) => {
      if (o.flow === taken)
        store.set((s) => ({ lies, liesStale: false, lieId: sameLie(lieOf(s), lies) ?? s.lieId }));
    },
    complain,
  );
  const askLookouts = latestWins(
    (s: WorkspaceState) => readWorker.call.lookouts(lookoutInput(plan, s)),
    (lookouts) => store.set({ lookouts, lookoutsStale: false }),
    complain,
  );
  const askGlare = latestWins(
    async (s: WorkspaceState): Promise<HourGlare[]> => {
      const input = { ...lookoutInput(plan, s), targets: [targetOf(s)!] };
      const by = await readWorker.call.glare(input, s.viewer!);
      return by.map((g, i) => ({ hour: HOURS[i]!, ...g }));
    },
    (glare) => store.set({ glare }),
    complain,
  );
  const askWindow = latestWins(
    (s: WorkspaceState) => {
      const { anglerHeightM: heightM, rodM } = s.settings;
      const angler = s.viewer && { ...s.viewer, posture: s.posture, heightM, rodM };
      return liveWorker.call.window(targetOf(s)!, angler, lightAt(plan, s));
    },
    (view) => store.set({ windowView: view }),
    complain,
  );
  /** Spot's own answers: where to look from, when, and what the fish sees meanwhile. */
  function refreshSpot(s: WorkspaceState, inputs: unknown[]): void {
    const target = targetOf(s);
    const { viewer } = s;
    const lies = s.lies?.lies.length ?? 0;
    if (!s.dragging && (s.marks.length > 0 || lies > 0)) {
      once('lookouts', [target, s.marks.length, lies, s.posture, inputs], () => {
        store.set({ lookoutsStale: true });
        askLookouts(store.get());
      });
    }
    if (!target) return;
    if (viewer && s.dragging !== 'viewer')
      once('glare', [target, viewer, s.posture, inputs], () => askGlare(s));
    once('window', [target, viewer, s.posture, Math.round(s.atMs / 60000), inputs], () =>
      askWindow(s),
    );
  }
  const askStudy = latestWins(
    async (o: { input: RateInput; lie: Lie }) => {
      await keepLevels();
      return readWorker.call.study(o.input, { xM: o.lie.xM, yM: o.lie.yM });
    },
    (study, o) => store.set({ study, studyOf: o.lie.id }),
    complain,
  );
  const askMethods = latestWins(
    (o: { input: RateInput; other: Method }) => readWorker.call.difference(o.input, o.other),
    (difference, o) => {
      if (store.get().otherMethod === o.other) store.set({ difference });
    },
    complain,
  );
  /** Levels whose flow is at hand are given to the reading worker once: what would change a lie. */
  const given = new Set<string>();
  async function keepLevels(): Promise<void> {
    const now = store.get().level;
    for (const level of plan.levels) {
      const at = source.at(level.name);
      const key = source.hashOf(at);
      if (level.name === now || given.has(key)) continue;
      const flow = await source.find(at);
      if (!flow) continue;
      given.add(key);
      await readWorker.call.keepLevel(level.name, flow);
    }
  }
  const askRing = latestWins(
    (s: WorkspaceState) =>
      liveWorker.call.ring(targetOf(s)!, s.posture, s.settings.anglerHeightM, lightAt(plan, s)),
    (ring) => store.set({ ring }),
    complain,
  );
  const askDrift = latestWins(
    async (s: WorkspaceState) => {
      const began = performance.now();
      const target = targetOf(s);
      const input = {
        tip: tipOf(s.stand!, s.landing!, s.settings.rodM),
        landing: s.landing!,
        lay: s.lay,
        seconds: DRIFT_S,
        ...(target && { fish: { xM: target.xM, yM: target.yM, headingRad: target.headingRad } }),
      };
      const band = await liveWorker.call.drift(input, s.dragging ? RUNS.dragging : RUNS.settled);
      return { band, ms: performance.now() - began };
    },
    ({ band, ms }) =>
      store.set((s) => ({
        drift: band,
        driftStale: false,
        answerMs: [...s.answerMs.slice(1 - KEPT_TIMES), ms],
      })),
    complain,
  );
  const askHours = latestWins(
    async (s: WorkspaceState): Promise<HourExposure[]> => {
      const stand = { ...s.stand!, posture: s.posture, heightM: s.settings.anglerHeightM };
      const hours = lightByHour(plan, s);
      const exposures = await liveWorker.call.exposures(targetOf(s)!, stand, hours);
      return exposures.map((exposure, i) => ({ hour: HOURS[i]!, exposure }));
    },
    (hours) => store.set({ hours }),
    complain,
  );
  const askStalk = latestWins(
    async (s: WorkspaceState): Promise<StalkResult> =>
      stalkWorker.call.plan({
        from: entryOf(plan),
        to: s.stand!,
        endPosture: s.posture,
        fish: fishSeeing(s),
        angler: {
          heightM: s.settings.anglerHeightM,
          massKg: s.settings.anglerMassKg,
          maxWadeM: s.settings.maxWadeM,
        },
        conditions: lightAt(plan, s),
      }),
    (stalk) => store.set({ stalk, stalkStale: false }),
    complain,
  );

  /** Asks once for each change of an answer's inputs. */
  function once(key: keyof typeof asked, inputs: unknown, ask: () => void): void {
    const text = JSON.stringify(inputs);
    if (asked[key] === text) return;
    asked[key] = text;
    ask();
  }

  let refreshing = false;
  function refresh(): void {
    if (refreshing) return;
    refreshing = true;
    const s = store.get();
    const { flow } = s;
    if (flow && flow === taken) {
      const target = targetOf(s);
      const { sky, windMps, turbidityNtu, polarised } = s.settings;
      const weather = [sky, windMps, turbidityNtu];
      const light = [Math.round(s.atMs / 600000), weather];
      const day = civilDay(s.atMs, plan.timeZone);
      const body = [s.settings.anglerHeightM, s.settings.anglerMassKg, s.settings.maxWadeM];
      const input = rateInput(plan, s);
      once('rate', [flow.nx, input], () => askRate({ flow, input }));
      const lie = lieOf(s);
      if (lie && s.step === 'read' && !s.liesStale)
        once('study', [lie.id, lie.rating, input], () => askStudy({ input, lie }));
      const { otherMethod: other } = s;
      if (other) once('methods', [flow.nx, other, input], () => askMethods({ input, other }));
      if (target) once('ring', [target, s.posture, light, body], () => askRing(s));
      else if (s.ring) store.set({ ring: null });
      if (s.stand && s.landing)
        once('drift', [s.stand, s.landing, s.lay, target, s.dragging === null], () => askDrift(s));
      if (s.stand && target && !s.dragging)
        once('hours', [target, s.stand, s.posture, day, weather, body], () => askHours(s));
      if (s.step === 'spot') refreshSpot(s, [day, weather, polarised, body]);
      const flowIsFinal = s.flowState.kind === 'ready' && !s.flowStale;
      if (s.stand && flowIsFinal && !s.dragging) {
        once('stalk', [s.stand, s.posture, fishSeeing(s), light, body], () => {
          store.set({ stalkStale: true });
          askStalk(store.get());
        });
      }
    }
    refreshing = false;
  }

  const unsubscribe = store.subscribe(() => {
    void openFlow();
    void openOther();
    refresh();
  });
  void openFlow();

  return {
    stop() {
      unsubscribe();
      for (const worker of [flowWorker, sideWorker, readWorker, liveWorker, stalkWorker])
        worker.dismiss();
    },
    cancelSolve() {
      stopped = wanted;
      void flowWorker.call.cancel();
      store.set({ flowState: { kind: 'cancelled' } });
    },
    /** A stand, landing place and lay to begin from; null while there is no water or no target. */
    async firstCast(): Promise<FirstCast | null> {
      const s = store.get();
      const target = targetOf(s);
      if (!target || !taken) return null;
      return liveWorker.call.firstCast({
        target,
        posture: s.posture,
        heightM: s.settings.anglerHeightM,
        rodM: s.settings.rodM,
        tipHeightM: TIP_HEIGHT_M,
        conditions: lightAt(plan, s),
        entry: entryOf(plan),
      });
    },
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

/** Light and weather of the hour on screen; of every hour of the strip. */
const lightAt = (plan: BeatInput['plan'], s: WorkspaceState) =>
  conditionsAt(plan, s.atMs, s.settings);
const lightByHour = (plan: BeatInput['plan'], s: WorkspaceState) =>
  HOURS.map((hour) => conditionsAt(plan, atHour(s.atMs, hour, plan.timeZone), s.settings));

/** Lies looked for beside the marks, at most: the best. */
const LIES_LOOKED_FOR = 12;

/** What to look for: the chosen fish alone, else every mark, and the best lies by their rating. */
function lookoutInput(plan: BeatInput['plan'], s: WorkspaceState): LookoutInput {
  const target = targetOf(s);
  const lies = (s.lies?.lies ?? []).slice(0, LIES_LOOKED_FOR).map((lie) => ({
    ...fishIn(lie, s.settings.fishLengthCm),
    weight: (0.5 * lie.rating) / 100,
  }));
  const { posture, settings } = s;
  return {
    targets: target ? [target] : [...s.marks, ...lies],
    hours: lightByHour(plan, s),
    posture,
    heightM: settings.anglerHeightM,
    polarised: settings.polarised,
  };
}

/** Which fish, in what water, at what hour. Light in steps of ten minutes: shade moves no faster. */
export function rateInput(plan: BeatInput['plan'], s: WorkspaceState): RateInput {
  const { settings } = s;
  const TEN_MINUTES = 600_000;
  return {
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: tempOf(s),
    turbidityNtu: settings.turbidityNtu,
    prey: settings.prey,
    season: seasonAt(s.atMs, plan.timeZone, plan.anchor?.lat ?? 1),
    method: settings.methods.holding,
    light: conditionsAt(plan, Math.round(s.atMs / TEN_MINUTES) * TEN_MINUTES, s.settings),
  };
}

/** Every mark sees; so does the fish thought to lie in a chosen lie. */
function fishSeeing(s: WorkspaceState) {
  const target = targetOf(s);
  return target && !s.marks.some((m) => m.id === target.id) ? [...s.marks, target] : s.marks;
}

function entryOf(plan: BeatInput['plan']) {
  const entry = featuresOf(plan, 'entry')[0];
  if (entry) return shapePlaces(entry.shape)[0]!;
  // No entry marked: the down-current end of the true left bank.
  const left = featuresOf(plan, 'bank').find((b) => b.side === 'left')!;
  const foot = shapePlaces(left.shape)[0]!;
  return { xM: foot.xM, yM: foot.yM - 2 };
}
