import type { FlyKind } from '../../../core/rig/index';
import type { Lay, Mend, ShotsResult } from '../../../core/cast/index';
import type { Place } from '../../../core/grid/index';
import { cm, type Desk } from '../../state/desk';
import type { ShotsAsked } from '../../state/shots-asked';
import { targetOf } from '../../state/state';

/** The search for shots as the engine offers it. */
export interface Searching {
  findShots(): Promise<ShotsResult | null>;
  cancelSearch(): void;
}

/** Where to stand, how the line is laid, and the film of the drift. */
export function createCastActions({ store, push }: Desk, searching: () => Searching | null) {
  const rounded = (p: Place) => ({ xM: cm(p.xM), yM: cm(p.yM) });

  function takeShot(index: number): void {
    const { shots } = store.get();
    if (shots?.kind !== 'shots') return;
    const shot = shots.shots[index];
    if (!shot) return;
    store.set({
      stand: rounded(shot.stand),
      landing: rounded(shot.landing),
      lay: shot.lay,
      posture: shot.posture,
      mend: null,
      filmAtS: null,
      filmRuns: false,
      via: [],
    });
    push();
  }

  return {
    setLay(lay: Lay) {
      store.set({ lay, mend: null, filmAtS: null, filmRuns: false });
      push();
    },
    setMend(mend: Mend | null) {
      store.set({ mend, filmAtS: null, filmRuns: false });
      push();
    },
    setFly(fly: FlyKind) {
      store.set({ fly, filmAtS: null, filmRuns: false });
      push();
    },
    /** The moment of the film on screen; null shows the line as it was laid. */
    showFilm: (filmAtS: number | null) => store.set({ filmAtS, filmRuns: false }),
    runFilm: (filmRuns: boolean) => store.set({ filmRuns }),
    filmTo: (filmAtS: number, filmRuns: boolean) => store.set({ filmAtS, filmRuns }),
    findShots: () => void searching()?.findShots(),
    cancelSearch: () => searching()?.cancelSearch(),
    takeShot,
    /** Looks, and takes the best at once if the same fish is still meant. */
    async suggestShot() {
      const target = targetOf(store.get())?.id;
      const found = await searching()?.findShots();
      if (found?.kind === 'shots' && targetOf(store.get())?.id === target) takeShot(0);
    },
    /** Lays a shot beside another; a third takes the place of the older. */
    compareShot(index: number) {
      store.set(({ shotsCompared: now }) => ({
        shotsCompared: now.includes(index)
          ? now.filter((i) => i !== index)
          : [...now, index].slice(-2),
      }));
    },
    /** What the search is asked for; what was found is then out of date. */
    askShots: (change: Partial<ShotsAsked>) =>
      store.set((s) => ({ asked: { ...s.asked, ...change }, shotsStale: s.shots !== null })),
    showPool: (shown: boolean) => store.set({ pool: shown ? 'working' : null }),
  };
}
