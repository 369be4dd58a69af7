import type { Place } from '../../../core/grid/index';
import { writeGpx } from '../../../core/formats/index';
import { cm, type Desk } from '../../state/desk';
import { entriesOf } from '../../engine/questions';
import { numberOfMark, shownWay } from '../../state/state';

/** Waypoints and spots that a link holds, at most. */
export const MOST_VIA = 4;
export const MOST_OUT = 12;

/** The way there: where it starts, what it passes and leaves out, which is shown; the order of fish. */
export function createStalkActions({ store, beat, push, replace }: Desk) {
  const rounded = (p: Place) => ({ xM: cm(p.xM), yM: cm(p.yM) });
  return {
    setStalkTool: (stalkTool: 'forbid' | 'from' | null) => store.set({ stalkTool }),
    /** Where the angler stands now; null goes back to the beat's entries. */
    startFrom(place: Place | null) {
      store.set({ from: place && rounded(place), stalkTool: null });
      push();
    },
    /** Moves a waypoint; the one after the last is new. */
    moveVia(index: number, place: Place, dragging: boolean) {
      store.set((s) => ({
        via: [...s.via.slice(0, index), rounded(place), ...s.via.slice(index + 1)],
        dragging: dragging ? 'way' : null,
      }));
      if (!dragging) replace();
    },
    dropVia() {
      store.set({ via: [] });
      push();
    },
    forbid(place: Place) {
      store.set((s) => ({ out: [...s.out, rounded(place)].slice(-MOST_OUT) }));
      push();
    },
    allowAgain(index: number) {
      store.set((s) => ({ out: s.out.filter((_, i) => i !== index) }));
      push();
    },
    showWay: (stalkShown: number) => store.set({ stalkShown, wayAt: null }),
    pointAtWay: (wayAt: number | null) => store.set({ wayAt }),
    askFarBank: (farBankAsked: boolean) => store.set({ farBankAsked, farBank: null }),
    askOrder: () => store.set({ order: 'working' }),
    /** Takes the stand and cast that the order proposes for one of its fish. */
    takeFromOrder(index: number) {
      const { order } = store.get();
      if (!order || order === 'working') return;
      const cast = order.casts[index]!;
      store.set({
        markId: order.fishIds[index]!,
        lieId: null,
        stand: rounded(cast.stand),
        landing: rounded(cast.landing),
        lay: cast.lay,
        via: [],
      });
      push();
    },
    /** Marks, stand and way as GPX 1.1; null for a beat that has no place on the map. */
    gpx(): string | null {
      const s = store.get();
      if (!beat.plan.anchor) return null;
      const way = shownWay(s);
      return writeGpx(beat.plan, {
        waypoints: [
          ...entriesOf(beat.plan).map((place) => ({ place, name: 'Entry' })),
          ...s.marks.map((m) => ({
            place: m,
            name: `Fish ${numberOfMark(s, m.id)}, ${m.surety}`,
          })),
          ...(s.stand ? [{ place: s.stand, name: `Stand, ${s.posture}` }] : []),
        ],
        ...(way && { way: { name: 'Stalk', places: way.moments.map((m) => m.place) } }),
      });
    },
  };
}
