import { pageQueue } from '../../sync/page-queue';
import { LAY_DEFAULTS } from '../../core/cast/index';
import type { ActionContext } from '../action-context';
import { keepLastPlace } from '../../sync/last-place';
import { STEP_ROWS } from './steps';
import { answerSpecs } from './answer-specs';
import type { Workspace } from '../context';
import { createEngine } from '../engine/engine';
import { formatAddress, parseAddress, type Address } from '../state/address';
import type { BeatInput } from '../state/document';
import { freshState, type WorkspaceState } from '../state/state';
import { createWorkspaceStore } from '../state/store';

export function baseAddress(beat: BeatInput): Address {
  return {
    step: 'read',
    level: beat.plan.surveyedLevel,
    atMs: beat.nowMs,
    lieId: null,
    markId: null,
    stand: null,
    landing: null,
    lay: { kind: 'reach', toward: 'up-current', amountM: LAY_DEFAULTS.reachM },
    mend: null,
    fly: 'dry',
    rigId: null,
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
  const { marks, tries, reads, rises, outings, settings } = beat;
  return {
    ...address,
    ...{ marks, tries, reads, rises, outings, settings },
    ...freshState(),
    daySiteId: beat.id,
    placingRead: beat.reads.find((r) => r.id === asked && r.xM === null)?.id ?? null,
    notices: dropped,
  };
}

/** Made once a value it is asked by, and kept with the cache. */
function memoizeByFunction(context: ActionContext): Workspace['actionsOf'] {
  const made = new Map<unknown, unknown>();
  return <A>(create: (c: ActionContext) => A): A => {
    if (!made.has(create)) made.set(create, create(context));
    return made.get(create) as A;
  };
}

/** A beat as its pages hold it: state, engine, actions, the line to the book. The engine starts with the page. */
export function createWorkspace(beat: BeatInput, step: string, query: string): Workspace {
  const store = createWorkspaceStore(initialState(beat, step, query));
  const engine = createEngine(store, beat, (needs) => answerSpecs(beat.plan, needs));
  const loadedAt = typeof window === 'undefined' ? 0 : performance.now();
  const link = () => formatAddress(beat.id, store.getState(), beat.plan.timeZone);
  const remember = () =>
    keepLastPlace({
      beatId: beat.id,
      name: beat.plan.name,
      step: STEP_ROWS[store.getState().step].name,
      address: link(),
    });
  const context: ActionContext = {
    store,
    beat,
    engine,
    queue: pageQueue(),
    now: () => Math.round(beat.nowMs + performance.now() - loadedAt),
    push: () => {
      window.history.pushState(null, '', link());
      remember();
    },
    replace: () => {
      window.history.replaceState(null, '', link());
      remember();
    },
  };
  if (typeof window !== 'undefined') remember();
  return { beat, store, engine, actionsOf: memoizeByFunction(context) };
}
