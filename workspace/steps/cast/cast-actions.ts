import type { FlyKind } from '../../../core/rig/index';
import type { Lay, Mend, Shot } from '../../../core/cast/index';
import { toCm, type ActionContext } from '../../action-context';
import { freshOf, valueOf } from '../../state/answer';
import { targetOf } from '../../state/selectors';
import { NOTHING_ASKED, type ShotsAsked } from '../../state/shots-asked';
import { shotsQuestion, shotsQuestionAt } from './questions';

/** Longer than this a search does not wait for the lies, ms. */
const LIES_MS = 5000;

/** Where to stand, how the line is laid, and the film of the drift. */
export function createCastActions({ store, beat, engine, push, replace }: ActionContext) {
  function putOnPlan(shot: Shot): void {
    store.setState({
      stand: toCm(shot.stand),
      landing: toCm(shot.landing),
      lay: shot.lay,
      posture: shot.posture,
      mend: null,
      filmAtS: null,
      filmRuns: false,
      via: [],
    });
  }

  function applyShot(index: number): void {
    const shots = valueOf(store.getState(), 'shots');
    const shot = shots?.kind === 'shots' ? shots.shots[index] : undefined;
    if (!shot) return;
    putOnPlan(shot);
    push();
  }

  /** Waits for what the state will say, or so long. */
  const until = (met: () => boolean, mostMs: number) =>
    new Promise<void>((resolve) => {
      if (met()) return resolve();
      const done = () => {
        clearTimeout(timer);
        stop();
        resolve();
      };
      const timer = setTimeout(done, mostMs);
      const stop = store.subscribe(() => met() && done());
    });

  let proposing: string | null = null;
  const actions = {
    setLay(lay: Lay) {
      store.setState({ lay, mend: null, filmAtS: null, filmRuns: false });
      push();
    },
    setMend(mend: Mend | null) {
      store.setState({ mend, filmAtS: null, filmRuns: false });
      push();
    },
    setFly(fly: FlyKind) {
      store.setState({ fly, rigId: null, filmAtS: null, filmRuns: false });
      push();
    },
    /** The moment of the film on screen; null shows the line as it was laid. */
    showFilm: (filmAtS: number | null) => store.setState({ filmAtS, filmRuns: false }),
    runFilm: (filmRuns: boolean) => store.setState({ filmRuns }),
    filmTo: (filmAtS: number, filmRuns: boolean) => store.setState({ filmAtS, filmRuns }),
    findShots: () => void engine.findShots(),
    cancelSearch: () => engine.cancelSearch(),
    applyShot,
    /**
     * Puts a cast at the target on the plan if the same fish is still meant: in Cast the best of the
     * whole search, elsewhere one to begin from.
     */
    async proposeCast(): Promise<void> {
      const target = targetOf(store.getState())?.id ?? null;
      if (target === null || proposing === target) return;
      proposing = target;
      // The best lies look too, and say how likely a fish is home: a search without them would be another.
      await until(() => freshOf(store.getState(), 'lies') !== null, LIES_MS);
      if (targetOf(store.getState())?.id !== target) {
        proposing = null;
        return;
      }
      const question = shotsQuestion(beat.plan, store.getState(), NOTHING_ASKED)!;
      const shots = store.getState().step === 'cast' ? await engine.findShots() : null;
      const shot =
        shots?.kind === 'shots'
          ? shots.shots[0]!
          : shots && shots.reason !== 'no-look'
            ? null
            : // Where none is worth the name, the best there is still stands there to be dragged.
              await engine.quickShot(question);
      proposing = null;
      if (!shot || targetOf(store.getState())?.id !== target) return;
      putOnPlan(shot);
      replace();
    },
    /** The best shot at another fish, as things are; null when there is none. */
    async bestShotAt(markId: string): Promise<Shot | null> {
      const question = shotsQuestionAt(beat.plan, store.getState(), markId);
      return question && engine.bestShot(question);
    },
    /** Lays a shot beside another; a third takes the place of the older. */
    compareShot(index: number) {
      store.setState(({ shotsCompared: now }) => ({
        shotsCompared: now.includes(index)
          ? now.filter((i) => i !== index)
          : [...now, index].slice(-2),
      }));
    },
    /** What the search is asked for; what was found is then out of date. */
    askShots: (change: Partial<ShotsAsked>) =>
      store.setState((s) => ({ asked: { ...s.asked, ...change } })),
    showPool: (poolAsked: boolean) => store.setState({ poolAsked }),
  };
  return actions;
}
