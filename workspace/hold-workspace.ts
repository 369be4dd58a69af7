import { createActions } from './actions';
import { parseAddress, type Address } from './state/address';
import type { Workspace } from './context';
import type { Engine } from './engine/engine';
import { createOutbox } from '../sync/outbox';
import { freshState, type BeatInput, type WorkspaceState } from './state/state';
import { createStore } from './state/store';

export function baseAddress(beat: BeatInput): Address {
  return {
    step: 'read',
    level: beat.plan.surveyedLevel,
    atMs: beat.nowMs,
    lieId: null,
    markId: null,
    stand: null,
    landing: null,
    lay: { kind: 'reach', toward: 'up-current', amountM: 1.5 },
    mend: null,
    fly: 'dry',
    posture: 'kneel',
    from: null,
    via: [],
    out: [],
  };
}

function initialState(beat: BeatInput, step: string, query: string): WorkspaceState {
  const { address, dropped } = parseAddress(
    step,
    new URLSearchParams(query),
    baseAddress(beat),
    beat.plan.timeZone,
  );
  if (address.markId && !beat.marks.some((m) => m.id === address.markId)) {
    dropped.push(`The link's fish is not on this beat any more.`);
    address.markId = null;
  }
  const asked = new URLSearchParams(query).get('pin');
  return {
    ...address,
    marks: beat.marks,
    tries: beat.tries,
    reads: beat.reads,
    rises: beat.rises,
    settings: beat.settings,
    ...freshState(),
    placingRead: beat.reads.find((r) => r.id === asked && r.xM === null)?.id ?? null,
    notices: dropped,
  };
}

/** A beat as its pages hold it: store, actions, the way out. The engine comes once the page stands. */
export function holdWorkspace(
  beat: BeatInput,
  step: string,
  query: string,
  engine: () => Engine | null,
): Workspace {
  const store = createStore(initialState(beat, step, query));
  const browser = typeof window !== 'undefined';
  const outbox = createOutbox(
    (saving) => store.set({ saving }),
    (...a) => fetch(...a),
    browser ? window.localStorage : { getItem: () => null, setItem: () => {} },
  );
  const loadedAt = browser ? performance.now() : 0;
  const now = () => Math.round(beat.nowMs + performance.now() - loadedAt);
  if (browser) void outbox.flush();
  return {
    beat,
    store,
    actions: createActions(
      store,
      beat,
      outbox,
      now,
      async () => (await engine()?.firstCast()) ?? null,
      engine,
    ),
    engine,
  };
}
