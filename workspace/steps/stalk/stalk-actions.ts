import type { Place } from '../../../core/grid/index';
import { paysToday } from '../../../core/moves/index';
import { directionOf } from '../../../core/outing/index';
import { toCm, type ActionContext } from '../../action-context';
import { valueOf } from '../../state/answer';
import type { WorkWish } from '../../state/slices';

/** Waypoints and spots that a link holds, at most. */
export const MOST_VIA = 4;
export const MOST_OUT = 12;

/** The way there: where it starts, what it passes and leaves out, which is shown; the order of fish. */
export function createStalkActions({ store, push, replace, engine }: ActionContext) {
  return {
    setStalkTool: (stalkTool: 'forbid' | 'from' | null) => store.setState({ stalkTool }),
    /** Where the angler stands now; null goes back to the beat's entries. */
    startFrom(place: Place | null) {
      store.setState({ from: place && toCm(place), stalkTool: null });
      push();
    },
    /** Moves a waypoint; the one after the last is new. */
    moveVia(index: number, place: Place, dragging: boolean) {
      store.setState((s) => ({
        via: [...s.via.slice(0, index), toCm(place), ...s.via.slice(index + 1)],
        dragging: dragging ? 'way' : null,
      }));
      if (!dragging) replace();
    },
    dropVia() {
      store.setState({ via: [] });
      push();
    },
    forbid(place: Place) {
      store.setState((s) => ({ out: [...s.out, toCm(place)].slice(-MOST_OUT) }));
      push();
    },
    allowAgain(index: number) {
      store.setState((s) => ({ out: s.out.filter((_, i) => i !== index) }));
      push();
    },
    showWay: (stalkShown: number) => store.setState({ stalkShown, wayAt: null }),
    pointAtWay: (wayAt: number | null) => store.setState({ wayAt }),
    askFarBank: (farBankAsked: boolean) => store.setState({ farBankAsked }),
    /** Asks for a route, or changes what was said of it; null gives it up. */
    workIt(change: Partial<WorkWish> | null) {
      if (change === null) engine.cancelRoute();
      store.setState((s) => ({
        workProgress: 0,
        work:
          change === null
            ? null
            : {
                ...(s.work ?? {
                  direction: directionOf(s.settings),
                  minutes: null,
                  turn: false,
                  lambda: paysToday(0, 0),
                }),
                ...change,
              },
      }));
    },
    askOrder: () => store.setState({ orderAsked: true }),
    /** Goes on to one of the ordered fish, with the cast that was proposed for it. */
    applyOrder(index: number) {
      const order = valueOf(store.getState(), 'order');
      const shot = order?.sequence.shots[index];
      if (!order || !shot) return;
      store.setState({
        markId: order.fishIds[index]!,
        lieId: null,
        stand: toCm(shot.stand),
        landing: toCm(shot.landing),
        lay: shot.lay,
        posture: shot.posture,
        via: [],
      });
      push();
    },
  };
}
