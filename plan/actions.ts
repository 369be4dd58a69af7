import type { FirstCast } from '../core/cast/index';
import { writeBeat, type Calibration } from '../core/formats/index';
import { TOTAL_PER_FORK } from '../core/fish/index';
import type { Place } from '../core/grid/index';
import { headingAt, type Lie, type Method } from '../core/lies/index';
import { foldTry, type EventCode, type TryEvent } from '../core/tries/index';
import { probeFlow, sampleFlow } from '../core/water/index';
import { formatAddress, type Address } from './address';
import { toCivil, zoneOffsetMin } from './civil-time';
import { clientId } from './client-id';
import type { Outbox } from './outbox';
import {
  lieOf,
  targetOf,
  tempOf,
  type BeatInput,
  type KeptRise,
  type LieFilter,
  type Mark,
  type Overlay,
  type Settings,
  type Try,
  type WorkspaceState,
} from './state';
import type { Store } from './store';

/** Places are kept to a centimetre: what the address holds. */
const cm = (m: number) => Math.round(m * 100) / 100;

/** Another target: the cast at the last one is gone. */
const NO_CAST = { stand: null, landing: null, drift: null, stalk: null, hours: null } as const;

/** The note of a try that says only that nobody was home. */
export const DREW_BLANK = 'Drew blank.';

/** What the water is where the target lies: depth and depth-mean pace. */
const waterAt = (s: WorkspaceState, at: Place | null) => {
  const probe = s.flow && at ? probeFlow(s.flow, null, at.xM, at.yM) : null;
  return probe && { depthM: probe.depthM, paceMps: probe.meanMps };
};

/** Everything a person can do here. Each is one edit of the store and, where it must last, one letter. */
export function createActions(
  store: Store<WorkspaceState>,
  beat: BeatInput,
  outbox: Outbox,
  now: () => number,
  firstCast: () => Promise<FirstCast | null>,
) {
  const zone = beat.plan.timeZone;
  const link = () => formatAddress(beat.id, store.get(), zone);
  /** Choosing pushes history; dragging replaces it once on release. */
  const push = () => window.history.pushState(null, '', link());
  const replace = () => window.history.replaceState(null, '', link());

  function saveMark(mark: Mark): void {
    const { id, history: _history, ...body } = mark;
    outbox.post({ method: 'PUT', path: `/api/v1/marks/${id}`, body: { beatId: beat.id, ...body } });
  }

  /** Marks as they were before the drag that is going on. */
  const drafted = new Map<string, Mark>();
  /** Changed in what makes another sighting of it. */
  const differs = (a: Mark, b: Mark) =>
    a.xM !== b.xM || a.yM !== b.yM || a.surety !== b.surety || a.behaviour !== b.behaviour;

  /** Proposes a cast at the target, computed in the live worker. */
  async function propose(): Promise<void> {
    const target = targetOf(store.get());
    const cast = await firstCast();
    if (!cast || targetOf(store.get())?.id !== target?.id) return;
    const rounded = (p: Place) => ({ xM: cm(p.xM), yM: cm(p.yM) });
    store.set({ stand: rounded(cast.stand), landing: rounded(cast.landing), lay: cast.lay });
    replace();
  }

  /** Appends one event to a try. */
  function record(tryId: string, code: EventCode, detail: Partial<TryEvent> = {}) {
    const t = store.get().tries.find((x) => x.id === tryId);
    if (!t) return;
    const clientMs = now();
    const seq = t.events.reduce((most, e) => Math.max(most, e.seq), 0) + 1;
    const event: TryEvent = {
      id: clientId(),
      seq,
      code,
      clientMs,
      zoneOffsetMin: zoneOffsetMin(clientMs, zone),
      ...detail,
    };
    store.set((s) => ({
      tries: s.tries.map((x) => (x.id === tryId ? { ...x, events: [...x.events, event] } : x)),
    }));
    const { id, ...body } = event;
    outbox.post({ method: 'PUT', path: `/api/v1/tries/${tryId}/events/${id}`, body });
  }

  const actions = {
    go(step: Address['step']) {
      store.set({ step, placing: false, tapping: false });
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
    setLay(lay: Address['lay']) {
      store.set({ lay });
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
    setPlacing: (placing: boolean) => store.set({ placing }),
    /** Marks a fish at a place in the water; heading and depth from the water there until said. */
    placeMark(place: Place, told: Partial<Mark> = {}): string | null {
      const { flow } = store.get();
      if (!flow) return null;
      const sample = sampleFlow(flow, place.xM, place.yM, { depthM: 0, u: 0, v: 0 });
      if (sample.depthM < 0.08) {
        store.set((s) => ({
          notices: [
            ...s.notices,
            'No fish can lie there: the water is under 8 cm deep. Mark it where it is deeper.',
          ],
        }));
        return null;
      }
      const k =
        Math.round((place.yM - flow.y0M) / flow.cellM) * flow.nx +
        Math.round((place.xM - flow.x0M) / flow.cellM);
      const mark: Mark = {
        id: clientId(),
        xM: cm(place.xM),
        yM: cm(place.yM),
        fishDepthM: cm(Math.max(0.05, 0.7 * sample.depthM)),
        headingRad: headingAt(flow, k),
        totalLengthCm: store.get().settings.fishLengthCm,
        surety: 'likely',
        behaviour: 'holding',
        note: '',
        photoId: null,
        seenMs: now(),
        history: [],
        ...told,
      };
      store.set((s) => ({
        marks: [...s.marks, mark],
        placing: false,
        step: 'spot',
        markId: mark.id,
        lieId: null,
        ...NO_CAST,
      }));
      saveMark(mark);
      push();
      return mark.id;
    },
    /** Changes a mark; kept when `final`. A moved fish turns to the water at its new place. */
    changeMark(id: string, change: Partial<Mark>, final: boolean) {
      const before = store.get().marks.find((m) => m.id === id);
      // What it was when the change began goes into its history, as the book keeps it.
      const was = final ? (drafted.get(id) ?? before) : before;
      if (final) drafted.delete(id);
      else if (before && !drafted.has(id)) drafted.set(id, before);
      store.set((s) => ({
        dragging: final ? null : 'fish',
        marks: s.marks.map((m) => {
          if (m.id !== id) return m;
          const next = {
            ...m,
            ...change,
            ...(change.xM !== undefined && { xM: cm(change.xM), yM: cm(change.yM ?? m.yM) }),
          };
          if (change.xM === undefined || !s.flow) return next;
          const k =
            Math.round((next.yM - s.flow.y0M) / s.flow.cellM) * s.flow.nx +
            Math.round((next.xM - s.flow.x0M) / s.flow.cellM);
          return s.flow.depthM[k]! > 0 ? { ...next, headingRad: headingAt(s.flow, k) } : next;
        }),
      }));
      const mark = store.get().marks.find((m) => m.id === id);
      if (!final || !mark || !was) return;
      if (differs(was, mark)) {
        const { xM, yM, fishDepthM, headingRad, surety, behaviour, seenMs } = was;
        const seen = { xM, yM, fishDepthM, headingRad, surety, behaviour, seenMs };
        store.set((s) => ({
          marks: s.marks.map((m) => (m.id === id ? { ...m, history: [...m.history, seen] } : m)),
        }));
      }
      saveMark(mark);
    },
    /** The same fish, seen again: as it was, or elsewhere, or doing something else. */
    seenAgain(id: string, change: Partial<Mark> = {}) {
      actions.changeMark(id, { ...change, seenMs: now() }, true);
    },
    /** Keeps a photograph with a mark; the sentence that says why not, or null. */
    async keepPhoto(id: string, file: Blob): Promise<string | null> {
      const photoId = clientId();
      const response = await fetch(`/api/v1/photos/${photoId}`, {
        method: 'PUT',
        body: file,
      }).catch(() => null);
      if (!response)
        return 'The photograph was not taken: the program did not answer. Choose it again later.';
      if (!response.ok) {
        const said = (await response.json()) as { error?: { message?: string } };
        return said.error?.message ?? 'The photograph was not taken.';
      }
      actions.changeMark(id, { photoId }, true);
      return null;
    },
    /** Where the angler looks from. */
    moveViewer(place: Place | null, dragging = false) {
      store.set({
        viewer: place && { xM: cm(place.xM), yM: cm(place.yM) },
        dragging: dragging ? 'viewer' : null,
        ...(place === null && { glare: null }),
      });
    },
    setTapping: (tapping: boolean) => store.set({ tapping, placing: false }),
    /** A ring, where it showed and now. */
    tapRise(place: Place) {
      const { rises } = store.get();
      const rise: KeptRise = {
        id: clientId(),
        seq: rises.reduce((most, r) => Math.max(most, r.seq), 0) + 1,
        atMs: now(),
        xM: cm(place.xM),
        yM: cm(place.yM),
      };
      store.set({ rises: [...rises, rise] });
      const { id, ...body } = rise;
      outbox.post({
        method: 'PUT',
        path: `/api/v1/rises/${id}`,
        body: { beatId: beat.id, ...body },
      });
    },
    takeRisesBack(ids: readonly string[]) {
      store.set((s) => ({ rises: s.rises.filter((r) => !ids.includes(r.id)) }));
      for (const id of ids) outbox.post({ method: 'DELETE', path: `/api/v1/rises/${id}` });
    },
    strikeMark(id: string) {
      store.set((s) => ({
        marks: s.marks.filter((m) => m.id !== id),
        markId: s.markId === id ? null : s.markId,
      }));
      outbox.post({ method: 'DELETE', path: `/api/v1/marks/${id}` });
      push();
    },
    changeSettings(change: Partial<Settings>) {
      store.set((s) => ({ settings: { ...s.settings, ...change } }));
      outbox.post({ method: 'PUT', path: '/api/v1/settings', body: change });
    },
    /** Opens a try with what the plan said at this moment. */
    beginTry(fly: string): string {
      const s = store.get();
      const openedMs = now();
      const target = targetOf(s);
      const level = beat.plan.levels.find((l) => l.name === s.level)!;
      const lie = lieOf(s);
      const opened: Try = {
        id: clientId(),
        markId: s.markId,
        fly,
        openedMs,
        zoneOffsetMin: zoneOffsetMin(openedMs, zone),
        events: [],
        snapshot: {
          level: level.name,
          dischargeM3s: level.dischargeM3s,
          hour: toCivil(s.atMs, zone),
          waterTempC: s.settings.waterTempC,
          ratedAtTempC: tempOf(s),
          target,
          lie: lie && { kind: lie.kind, rating: lie.rating, needs: lie.needs },
          water: waterAt(s, target),
          stand: s.stand,
          posture: s.posture,
          landing: s.landing,
          lay: s.lay,
          predictedCleanS: s.drift?.cleanS ?? null,
          exposure:
            s.hours?.reduce((a, b) =>
              Math.abs(b.hour - hourOf(s)) < Math.abs(a.hour - hourOf(s)) ? b : a,
            ).exposure ?? null,
          ratedLengthFlCm: Math.round(
            (target?.totalLengthCm ?? s.settings.fishLengthCm) / TOTAL_PER_FORK,
          ),
        },
      };
      store.set((state) => ({ tries: [...state.tries, opened] }));
      const { id, events: _events, ...body } = opened;
      outbox.post({
        method: 'PUT',
        path: `/api/v1/tries/${id}`,
        body: { ...body, beatId: beat.id, localDate: toCivil(openedMs, zone).slice(0, 10) },
      });
      return id;
    },
    /** A lie that was fished or looked over without a fish: a try of its own, which counts as a blank. */
    drewBlank() {
      record(actions.beginTry(''), 'cast', { note: DREW_BLANK });
    },
    record,
    takeBack(tryId: string) {
      const t = store.get().tries.find((x) => x.id === tryId);
      const last = t && foldTry(t.fly, t.events).last;
      if (last) record(tryId, 'undo', { undoes: last.id });
    },
    dismissNotice: (index: number) =>
      store.set((s) => ({ notices: s.notices.filter((_, i) => i !== index) })),
  };
  return actions;

  function hourOf(s: WorkspaceState): number {
    const text = toCivil(s.atMs, zone);
    return Number(text.slice(11, 13)) + Number(text.slice(14, 16)) / 60;
  }
}

export type Actions = ReturnType<typeof createActions>;
