import type { Remote } from 'comlink';
import type { FirstCast } from '../../core/cast/index';
import type { Lie, Method } from '../../core/lies/index';
import type { Fish } from '../../core/sight/index';
import type { FarBank, StalkInput, StalkResult } from '../../core/stalk/index';
import type { FlowField } from '../../core/water/index';
import { latestWins } from '../../workers/client';
import type {
  LiveWorker,
  RateInput,
  ReadWorker,
  ShotsWorker,
  StalkWorker,
} from '../../workers/protocol';
import { sameLie } from '../state/same';
import { createCastAnswers } from './cast-answers';
import { civilDay } from '../../core/units/civil-time';
import type { createFlowSource } from './flow-source';
import { HOURS } from '../state/hours';
import {
  careNow,
  entriesOf,
  entryOf,
  laterLight,
  lightAt,
  lightByHour,
  lookoutInput,
  rateInput,
  stalkInput,
  targetsInOrder,
} from './questions';
import {
  lieOf,
  targetOf,
  TIP_HEIGHT_M,
  type BeatInput,
  type HourExposure,
  type HourGlare,
  type WorkspaceState,
} from '../state/state';
import type { Store } from '../state/store';

/** Shade on the water moves no faster than is seen in this time, ms. */
const FIVE_MINUTES = 300_000;

interface Workers {
  read: Remote<ReadWorker>;
  live: Remote<LiveWorker>;
  stalk: Remote<StalkWorker>;
  shots: Remote<ShotsWorker>;
}

/**
 * Everything computed from the water on screen: asked of the workers whenever its inputs change,
 * the latest winning, and written back to the store; what is on screen stays, marked stale,
 * meanwhile.
 */
export function createAnswers(
  store: Store<WorkspaceState>,
  plan: BeatInput['plan'],
  workers: Workers,
  source: ReturnType<typeof createFlowSource>,
  complain: (error: unknown) => void,
) {
  let taken: FlowField | null = null;
  const asked = {
    rate: '',
    ring: '',
    drift: '',
    castStudy: '',
    pool: '',
    stalk: '',
    stalkStudy: '',
    farBank: '',
    order: '',
    hours: '',
    study: '',
    methods: '',
    lookouts: '',
    glare: '',
    window: '',
    shade: '',
  };

  /** Everything after this speaks of this water. A coarse one is too rough to walk by. */
  function take(flow: FlowField, coarse: boolean): void {
    taken = flow;
    for (const key of Object.keys(asked) as (keyof typeof asked)[]) asked[key] = '';
    void workers.read.take(plan, flow);
    void workers.live.take(plan, flow);
    if (!coarse) {
      void workers.stalk.take(plan, flow);
      void workers.shots.take(plan, flow);
    }
    store.set({
      shotsStale: true,
      pool: null,
      flow,
      flowStale: coarse,
      liesStale: true,
      driftStale: true,
      stalkStale: true,
    });
    refresh();
    workers.read.read().then((reading) => {
      if (taken === flow) store.set({ reading });
    }, complain);
  }

  const askRate = latestWins(
    (o: { flow: FlowField; input: RateInput }) => workers.read.rate(o.input),
    (lies, o) => {
      if (o.flow === taken)
        store.set((s) => ({ lies, liesStale: false, lieId: sameLie(lieOf(s), lies) ?? s.lieId }));
    },
    complain,
  );
  const askLookouts = latestWins(
    (s: WorkspaceState) => workers.read.lookouts(lookoutInput(plan, s)),
    (lookouts) => store.set({ lookouts, lookoutsStale: false }),
    complain,
  );
  const askGlare = latestWins(
    async (s: WorkspaceState): Promise<HourGlare[]> => {
      const input = { ...lookoutInput(plan, s), targets: [targetOf(s)!] };
      const by = await workers.read.glare(input, s.viewer!);
      return by.map((g, i) => ({ hour: HOURS[i]!, ...g }));
    },
    (glare) => store.set({ glare }),
    complain,
  );
  const askShade = latestWins(
    (s: WorkspaceState) => workers.read.shade(lightAt(plan, s)),
    (shadeOutlines) => store.set({ shadeOutlines }),
    complain,
  );
  const askWindow = latestWins(
    (s: WorkspaceState) => {
      const { anglerHeightM: heightM, rodM } = s.settings;
      const angler = s.viewer && { ...s.viewer, posture: s.posture, heightM, rodM };
      return workers.live.window(targetOf(s)!, angler, lightAt(plan, s));
    },
    (view) => store.set({ windowView: view }),
    complain,
  );
  /** Spot's own answers: where to look from, when, and what the fish sees meanwhile. */
  function refreshSpot(s: WorkspaceState, inputs: unknown[]): void {
    once('shade', [Math.round(s.atMs / FIVE_MINUTES), s.settings.sky], () => askShade(s));
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
      return workers.read.study(o.input, { xM: o.lie.xM, yM: o.lie.yM });
    },
    (study, o) => store.set({ study, studyOf: o.lie.id }),
    complain,
  );
  const askMethods = latestWins(
    (o: { input: RateInput; other: Method }) => workers.read.difference(o.input, o.other),
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
      await workers.read.keepLevel(level.name, flow);
    }
  }
  const askRing = latestWins(
    (s: WorkspaceState) =>
      workers.live.ring(targetOf(s)!, s.posture, s.settings.anglerHeightM, lightAt(plan, s)),
    (ring) => store.set({ ring }),
    complain,
  );
  const askHours = latestWins(
    async (s: WorkspaceState): Promise<HourExposure[]> => {
      const stand = { ...s.stand!, posture: s.posture, heightM: s.settings.anglerHeightM };
      const hours = lightByHour(plan, s);
      const exposures = await workers.live.exposures(targetOf(s)!, stand, hours);
      return exposures.map((exposure, i) => ({ hour: HOURS[i]!, exposure }));
    },
    (hours) => store.set({ hours }),
    complain,
  );
  const askStalk = latestWins(
    async (input: StalkInput): Promise<StalkResult> => workers.stalk.plan(input),
    (stalk) => store.set({ stalk, stalkStale: false, stalkShown: 0, wayAt: null }),
    complain,
  );
  const askStalkStudy = latestWins(
    (s: WorkspaceState) =>
      workers.stalk.study(
        stalkInput(plan, s)!,
        targetOf(s)?.id ?? '',
        laterLight(plan, s),
        careNow(plan, s),
      ),
    (stalkStudy) => store.set({ stalkStudy }),
    complain,
  );
  const askFarBank = latestWins(
    async (input: StalkInput): Promise<FarBank> => workers.stalk.farBank(input),
    (farBank) => store.set({ farBank }),
    complain,
  );
  const askOrder = latestWins(
    async ({ input, fish, rodM }: { input: StalkInput; fish: Fish[]; rodM: number }) => ({
      of: JSON.stringify(fish),
      fishIds: fish.map((f) => f.id),
      ...(await workers.stalk.order(fish, input, { rodM, tipHeightM: TIP_HEIGHT_M })),
    }),
    (order) => store.set({ order }),
    (error) => {
      store.set({ order: null });
      complain(error);
    },
  );

  /** Asks once for each change of an answer's inputs. */
  function once(key: keyof typeof asked, inputs: unknown, ask: () => void): void {
    const text = JSON.stringify(inputs);
    if (asked[key] === text) return;
    asked[key] = text;
    ask();
  }
  /** The next time it is asked anew, whatever was asked last. */
  const forget = (key: keyof typeof asked): void => void (asked[key] = '');

  const cast = createCastAnswers(store, plan, workers, { once, forget }, complain);

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
      if (s.stand && target && !s.dragging)
        once('hours', [target, s.stand, s.posture, day, weather, body], () => askHours(s));
      if (s.step === 'spot') refreshSpot(s, [day, weather, polarised, body]);
      const flowIsFinal = s.flowState.kind === 'ready' && !s.flowStale;
      cast.refresh(s, flowIsFinal);
      // While a cast is dragged its drift comes first: the way follows when it is let go.
      if (flowIsFinal && (!s.dragging || s.step === 'stalk')) refreshStalk(s);
    }
    refreshing = false;
  }

  /** The way, at once and coarse while something is dragged; what else might be done, at rest. */
  function refreshStalk(s: WorkspaceState): void {
    if (s.order === 'working') {
      const input = stalkInput(plan, { ...s, stand: s.stand ?? entriesOf(plan)[0]! })!;
      const fish = targetsInOrder(s);
      once('order', [input, fish], () => askOrder({ input, fish, rodM: s.settings.rodM }));
    } else asked.order = '';
    const input = stalkInput(plan, s);
    if (!input) return;
    once('stalk', input, () => {
      store.set({ stalkStale: true, stalkStudy: null });
      askStalk(input);
    });
    if ((s.step !== 'stalk' && !s.card) || s.dragging || s.stalkStale) return;
    once('stalkStudy', [input, careNow(plan, s)], () => askStalkStudy(s));
    if (s.farBankAsked) once('farBank', input, () => askFarBank(input));
    else asked.farBank = '';
  }

  /** A stand, landing place and lay to begin from; null while there is no water or no target. */
  async function firstCast(): Promise<FirstCast | null> {
    const s = store.get();
    const target = targetOf(s);
    if (!target || !taken) return null;
    return workers.live.firstCast({
      target,
      posture: s.posture,
      heightM: s.settings.anglerHeightM,
      rodM: s.settings.rodM,
      tipHeightM: TIP_HEIGHT_M,
      conditions: lightAt(plan, s),
      entry: entryOf(plan),
    });
  }

  const { findShots, cancelSearch, bestShotAt } = cast;
  return { take, refresh, firstCast, findShots, cancelSearch, bestShotAt };
}
