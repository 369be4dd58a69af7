import type { Calibration, LevelName } from '../../../core/formats/index';
import type { Place } from '../../../core/grid/index';
import type { Method } from '../../../core/lies/index';
import { probeFlow } from '../../../core/water/index';
import { api } from '../../../sync/api';
import { changes } from '../../../sync/client';
import { toCm, type ActionContext } from '../../action-context';
import { freshOf, valueOf } from '../../state/answer';
import type { LieFilter } from '../../state/lie-filter';
import type { Overlay, ReadSlice } from '../../state/slices';

/** Reading the water: what is drawn over it, the probe, what is laid beside it, quick reads. */
export function createReadActions({ store, beat, queue }: ActionContext) {
  return {
    setLayer: (layer: ReadSlice['layer']) => store.setState({ layer }),
    showOver(overlay: Overlay, shown: boolean) {
      store.setState((s) => ({ over: { ...s.over, [overlay]: shown } }));
    },
    /** Asks the water at a place; null takes the probe away. */
    probeAt(place: Place | null) {
      const s = store.getState();
      const pieces = valueOf(s, 'reading')?.pieces ?? null;
      const probe = s.flow && place ? probeFlow(s.flow, pieces, place.xM, place.yM) : null;
      store.setState({ probeAt: place, probe });
    },
    /** Lays another level beside the one on screen, or takes it away. */
    compareWith: (compareLevel: LevelName | null) => store.setState({ compareLevel }),
    /** Tries a temperature on; null goes back to the one read. */
    tryTemp: (triedTempC: number | null) => store.setState({ triedTempC }),
    /** Lays today's lies by, to be compared with what the scrub makes of them; null takes them away. */
    keepDay(words: string | null) {
      const s = store.getState();
      const lies = freshOf(s, 'lies');
      store.setState({
        keptDay: words !== null && s.flow && lies ? { flow: s.flow, lies, words } : null,
      });
    },
    compareMethod: (otherMethod: Method | null) => store.setState({ otherMethod }),
    showLies: (change: Partial<LieFilter>) =>
      store.setState((s) => ({ shown: { ...s.shown, ...change } })),
    /** Keeps a fitted roughness and discharge with the beat; the sentence that says why not, or null. */
    async keepCalibration(calibration: Calibration, dischargeM3s: number): Promise<string | null> {
      const { plan } = beat;
      const how = `fitted to ${calibration.points} measured places`;
      // By its own file: a page that is only read need not load the writer.
      const { writeBeat } = await import('../../../core/formats/write-beat');
      const file = writeBeat({
        ...plan,
        calibration,
        levels: plan.levels.map((l) =>
          l.name === plan.surveyedLevel ? { ...l, dischargeM3s, how } : l,
        ),
      });
      const reply = await api.saveBeat(beat.id, { stream: beat.streamName, file });
      return reply.ok ? null : `The calibration could not be kept. ${reply.message}`;
    },
    /** The read that the next press on the plan places; null gives up. */
    placeReadNext: (placingRead: string | null) => store.setState({ placingRead, placing: false }),
    placeRead(id: string, place: Place) {
      const read = store.getState().reads.find((r) => r.id === id);
      if (!read) return;
      const placed = { ...read, ...toCm(place) };
      store.setState((s) => ({
        placingRead: null,
        reads: s.reads.map((r) => (r.id === id ? placed : r)),
      }));
      void queue.post(changes.putRead(placed, read));
    },
  };
}
