import type { FirstCast } from '../core/cast/index';
import { writeBeat, type Calibration } from '../core/formats/index';
import type { Place } from '../core/grid/index';
import { type Lie, type Method } from '../core/lies/index';
import { probeFlow } from '../core/water/index';
import { formatAddress, type Address } from './state/address';
import { cm, NO_CAST, type Desk } from './state/desk';
import { createCastActions, type Searching } from './steps/cast/cast-actions';
import { createMarkActions } from './steps/spot/mark-actions';
import { createStalkActions } from './steps/stalk/stalk-actions';
import { createTryActions } from './steps/log/try-actions';
import type { Outbox } from '../sync/outbox';
import { type LieFilter } from './state/lie-filter';
import {
  targetOf,
  type BeatInput,
  type Overlay,
  type Settings,
  type WorkspaceState,
} from './state/state';
import type { Store } from './state/store';

/** Everything a person can do here. Each is one edit of the store and, where it must last, one letter. */
export function createActions(
  store: Store<WorkspaceState>,
  beat: BeatInput,
  outbox: Outbox,
  now: () => number,
  firstCast: () => Promise<FirstCast | null>,
  searching: () => Searching | null = () => null,
) {
  const zone = beat.plan.timeZone;
  const link = () => formatAddress(beat.id, store.get(), zone);
  /** Choosing pushes history; dragging replaces it once on release. */
  const push = () => window.history.pushState(null, '', link());
  const replace = () => window.history.replaceState(null, '', link());
  const desk: Desk = { store, beat, outbox, now, push, replace };

  const casting = createCastActions(desk, searching);

  /** Proposes a cast at the target, computed in a worker. */
  let proposing: string | null = null;
  async function propose(): Promise<void> {
    const target = targetOf(store.get());
    if (target && proposing === target.id) return;
    proposing = target?.id ?? null;
    // In Cast the whole search answers, and its best is taken; elsewhere a cast to begin from will do.
    if (target && store.get().step === 'cast') await casting.suggestShot();
    const cast = store.get().stand ? null : await firstCast();
    proposing = null;
    if (!cast || targetOf(store.get())?.id !== target?.id) return;
    const rounded = (p: Place) => ({ xM: cm(p.xM), yM: cm(p.yM) });
    store.set({ stand: rounded(cast.stand), landing: rounded(cast.landing), lay: cast.lay });
    replace();
  }

  return {
    ...createMarkActions(desk),
    ...createTryActions(desk),
    ...createStalkActions(desk),
    ...casting,
    go(step: Address['step']) {
      store.set({ step, placing: false, tapping: false, stalkTool: null });
      push();
      const s = store.get();
      if ((step === 'stalk' || step === 'cast') && !(s.stand && s.landing)) void propose();
    },
    chooseLevel(level: Address['level']) {
      store.set({ level });
      push();
    },
    /** Lays another level beside the one on screen, or takes it away. */
    compareWith(compareLevel: Address['level'] | null) {
      store.set({ compareLevel });
    },
    /** Asks the water at a place; null takes the probe away. */
    probeAt(place: Place | null) {
      const { flow, reading } = store.get();
      const probe =
        flow && place ? probeFlow(flow, reading?.pieces ?? null, place.xM, place.yM) : null;
      store.set({ probeAt: place, probe });
    },
    showOver(overlay: Overlay, shown: boolean) {
      store.set((s) => ({ over: { ...s.over, [overlay]: shown } }));
    },
    /** Keeps a fitted roughness and discharge with the beat; the sentence that says why not, or null. */
    async keepCalibration(calibration: Calibration, dischargeM3s: number): Promise<string | null> {
      const { plan } = beat;
      const how = `fitted to ${calibration.points} measured places`;
      const file = writeBeat({
        ...plan,
        calibration,
        levels: plan.levels.map((l) =>
          l.name === plan.surveyedLevel ? { ...l, dischargeM3s, how } : l,
        ),
      });
      const response = await fetch(`/api/v1/beats/${beat.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ stream: beat.streamName, file }),
      }).catch(() => null);
      if (response?.ok) return null;
      return 'The calibration could not be kept: the program did not take it. Is it still running?';
    },
    /** Tries a temperature on; null goes back to the one read. */
    tryTemp: (triedTempC: number | null) => store.set({ triedTempC }),
    /** Lays today's lies by, to be compared with what the scrub makes of them; null takes them away. */
    keepDay(words: string | null) {
      const { flow, lies } = store.get();
      store.set({ keptDay: words !== null && flow && lies ? { flow, lies, words } : null });
    },
    compareMethod: (otherMethod: Method | null) => store.set({ otherMethod, difference: null }),
    showLies: (change: Partial<LieFilter>) =>
      store.set((s) => ({ shown: { ...s.shown, ...change } })),
    chooseLie(lie: Lie | null) {
      store.set({
        lieId: lie?.id ?? null,
        ...(lie && { markId: null, ...NO_CAST }),
      });
      push();
      const s = store.get();
      if (lie && (s.step === 'stalk' || s.step === 'cast')) void propose();
    },
    chooseMark(id: string | null) {
      store.set((s) => ({
        markId: id,
        lieId: null,
        ...(id !== s.markId && NO_CAST),
      }));
      push();
      const s = store.get();
      if (id && !s.stand && (s.step === 'stalk' || s.step === 'cast')) void propose();
    },
    setHour(atMs: number, final: boolean) {
      store.set({ atMs });
      if (final) replace();
    },
    setLayer: (layer: WorkspaceState['layer']) => store.set({ layer }),
    setPosture(posture: Address['posture']) {
      store.set({ posture });
      push();
    },
    suggestAgain() {
      void propose();
    },
    moveStand(place: Place, dragging: boolean) {
      store.set({
        stand: { xM: cm(place.xM), yM: cm(place.yM) },
        dragging: dragging ? 'stand' : null,
      });
      if (!dragging) replace();
    },
    moveLanding(place: Place, dragging: boolean) {
      store.set({
        landing: { xM: cm(place.xM), yM: cm(place.yM) },
        dragging: dragging ? 'landing' : null,
      });
      if (!dragging) replace();
    },
    /** The read that the next press on the plan places; null gives up. */
    placeReadNext: (placingRead: string | null) => store.set({ placingRead, placing: false }),
    placeRead(id: string, place: Place) {
      const read = store.get().reads.find((r) => r.id === id);
      if (!read) return;
      const placed = { ...read, xM: cm(place.xM), yM: cm(place.yM) };
      store.set((s) => ({
        placingRead: null,
        reads: s.reads.map((r) => (r.id === id ? placed : r)),
      }));
      const { id: _id, ...body } = placed;
      outbox.post({ method: 'PUT', path: `/api/v1/reads/${id}`, body });
    },
    changeSettings(change: Partial<Settings>) {
      store.set((s) => ({ settings: { ...s.settings, ...change } }));
      outbox.post({ method: 'PUT', path: '/api/v1/settings', body: change });
    },
    dismissNotice: (index: number) =>
      store.set((s) => ({ notices: s.notices.filter((_, i) => i !== index) })),
  };
}

export type Actions = ReturnType<typeof createActions>;
