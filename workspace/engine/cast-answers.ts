import type { Remote } from 'comlink';
import { RUNS, type Shot, type ShotsResult } from '../../core/cast/index';
import { across, latestWins } from '../../workers/client';
import type { LiveWorker, ShotsWorker } from '../../workers/protocol';
import { castQuestion, shotsQuestion } from './questions';
import { NOTHING_ASKED } from '../state/shots-asked';
import type { BeatInput, WorkspaceState } from '../state/state';
import type { Store } from '../state/store';

/** Answer times kept for the bench. */
const KEPT_TIMES = 400;

interface Asking {
  once(key: 'drift' | 'castStudy' | 'pool', inputs: unknown, ask: () => void): void;
  forget(key: 'pool'): void;
}

/**
 * What the step Cast asks: the drift and all that follows the pointer of the live worker; every lay,
 * covers and the search for shots of a worker that nobody drags against.
 */
export function createCastAnswers(
  store: Store<WorkspaceState>,
  plan: BeatInput['plan'],
  workers: { live: Remote<LiveWorker>; shots: Remote<ShotsWorker> },
  { once, forget }: Asking,
  complain: (error: unknown) => void,
) {
  const askDrift = latestWins(
    async (s: WorkspaceState) => {
      const began = performance.now();
      const runs = s.dragging ? RUNS.dragging : RUNS.settled;
      const { band, now } = await workers.live.cast(castQuestion(plan, s)!, s.mend, runs);
      return { band, now, ms: performance.now() - began };
    },
    ({ band, now, ms }) =>
      store.set((s) => ({
        drift: band,
        castNow: now,
        driftStale: false,
        ...(!band.best.film && { filmAtS: null, filmRuns: false }),
        answerMs: [...s.answerMs.slice(1 - KEPT_TIMES), ms],
      })),
    complain,
  );
  const askCastStudy = latestWins(
    (s: WorkspaceState) => workers.shots.castStudy(castQuestion(plan, s)!),
    (castStudy) => store.set({ castStudy }),
    complain,
  );
  const askPool = latestWins(
    (s: WorkspaceState) => {
      const { rodM, landsWithinHalfMetreToM } = s.settings;
      return workers.shots.covers(s.stand!, rodM, landsWithinHalfMetreToM);
    },
    (pool) => store.set((s) => ({ pool: s.pool === null ? null : pool })),
    complain,
  );
  /** The drift within the frame; what asks longer, once the pointer rests and the water is final. */
  function refresh(s: WorkspaceState, flowIsFinal: boolean): void {
    const question = castQuestion(plan, s);
    if (!question) return;
    once('drift', [question, s.mend, s.dragging === null], () => askDrift(s));
    if (s.step !== 'cast' || s.dragging || !flowIsFinal) return;
    once('castStudy', question, () => askCastStudy(s));
    if (s.pool !== null) once('pool', [s.stand, s.settings.rodM], () => askPool(s));
    else forget('pool');
    if (!s.card && !s.shots && s.search.kind === 'idle') void findShots();
    // What was found belongs to a fish, an hour and a way of asking; it says so when they change.
    if (s.shots && !s.shotsStale && JSON.stringify(shotsQuestion(plan, s)) !== lookedFor)
      store.set({ shotsStale: true });
  }

  let searching = 0;
  /** The question of the shots on screen. */
  let lookedFor = '';
  /** Looks for stands and casts; the newest search is the only one that tells. */
  async function findShots(): Promise<ShotsResult | null> {
    const s = store.get();
    const question = shotsQuestion(plan, s);
    if (!question || s.flowState.kind !== 'ready') return null;
    const mine = ++searching;
    lookedFor = JSON.stringify(question);
    store.set({ search: { kind: 'looking', progress: 0 } });
    try {
      const onProgress = across((progress: number) => {
        if (mine === searching) store.set({ search: { kind: 'looking', progress } });
      });
      const shots = await workers.shots.find(question, onProgress);
      if (mine !== searching) return null;
      store.set({ search: { kind: 'done' } });
      if (!shots) return null;
      store.set({
        shots,
        shotsCompared: [],
        shotsStale: JSON.stringify(shotsQuestion(plan, store.get())) !== lookedFor,
      });
      return shots;
    } catch (error) {
      if (mine === searching) store.set({ search: { kind: 'stopped' } });
      complain(error);
      return null;
    }
  }

  /** The best shot at another fish, as things are; null when there is none. */
  async function bestShotAt(markId: string): Promise<Shot | null> {
    const s = { ...store.get(), markId, lieId: null, asked: NOTHING_ASKED };
    const question = shotsQuestion(plan, s);
    if (!question) return null;
    const found = await workers.shots.find(
      question,
      across(() => {}),
    );
    return found?.kind === 'shots' ? found.shots[0]! : null;
  }

  function cancelSearch(): void {
    searching++;
    void workers.shots.cancel();
    store.set({ search: { kind: 'stopped' } });
  }

  return { refresh, findShots, cancelSearch, bestShotAt };
}
