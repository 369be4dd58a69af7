import { cellIndex, type Place } from '../../core/grid/index';
import { headingAt } from '../../core/lies/index';
import { sampleFlow } from '../../core/water/index';
import { isOtherSighting, SWIMS_AT, type KeptRise, type Mark } from '../../core/log/index';
import { trueLie } from '../../core/sight/index';
import { api } from '../../sync/api';
import { changes } from '../../sync/client';
import { clientId } from '../../sync/client-id';
import { cm, toCm, withoutCast, type ActionContext } from '../action-context';
import { putMark } from './put-mark';

/** What is seen: fish marked, changed, seen again and taken out; rises tapped; where one looks from. */
export function createMarkActions({ store, beat, queue, now, push }: ActionContext) {
  const saveMark = (mark: Mark, before: Mark | null) =>
    void queue.post(putMark(beat.id, mark, before));

  /** Marks as they were before the drag that is going on. */
  const drafted = new Map<string, Mark>();

  const actions = {
    setPlacing: (placing: boolean) => store.setState({ placing }),
    /** Marks a fish at a place in the water; heading and depth from the water there until said. */
    placeMark(place: Place, told: Partial<Mark> = {}): string | null {
      const { flow } = store.getState();
      if (!flow) return null;
      const sample = sampleFlow(flow, place.xM, place.yM, { depthM: 0, u: 0, v: 0 });
      if (sample.depthM < 0.08) {
        store.setState((s) => ({
          notices: [
            ...s.notices,
            'No fish can lie there: the water is under 8 cm deep. Mark it where it is deeper.',
          ],
        }));
        return null;
      }
      const mark: Mark = {
        id: clientId(),
        xM: cm(place.xM),
        yM: cm(place.yM),
        fishDepthM: cm(Math.max(0.05, 0.7 * sample.depthM)),
        headingRad: headingAt(flow, cellIndex(flow, place.xM, place.yM)),
        totalLengthCm: store.getState().settings.fishLengthCm,
        surety: 'likely',
        behaviour: 'holding',
        note: '',
        photoId: null,
        seenMs: now(),
        history: [],
        ...told,
      };
      store.setState((s) => ({
        marks: [...s.marks, mark],
        placing: false,
        step: 'spot',
        markId: mark.id,
        lieId: null,
        ...withoutCast(s),
      }));
      saveMark(mark, null);
      push();
      return mark.id;
    },
    /** Changes a mark; kept when `final`. A moved fish turns to the water at its new place. */
    changeMark(id: string, change: Partial<Mark>, final: boolean) {
      const before = store.getState().marks.find((m) => m.id === id);
      // What it was when the change began goes into its history, as the book keeps it.
      const was = final ? (drafted.get(id) ?? before) : before;
      if (final) drafted.delete(id);
      else if (before && !drafted.has(id)) drafted.set(id, before);
      store.setState((s) => ({
        dragging: final ? null : 'fish',
        marks: s.marks.map((m) => {
          if (m.id !== id) return m;
          const next = {
            ...m,
            ...change,
            ...(change.xM !== undefined && { xM: cm(change.xM), yM: cm(change.yM ?? m.yM) }),
          };
          if (change.xM === undefined || !s.flow) return next;
          const k = cellIndex(s.flow, next.xM, next.yM);
          return k >= 0 && s.flow.depthM[k]! > 0
            ? { ...next, headingRad: headingAt(s.flow, k) }
            : next;
        }),
      }));
      const mark = store.getState().marks.find((m) => m.id === id);
      if (!final || !mark || !was) return;
      if (isOtherSighting(was, mark)) {
        const { xM, yM, fishDepthM, headingRad, surety, behaviour, seenMs } = was;
        const seen = { xM, yM, fishDepthM, headingRad, surety, behaviour, seenMs };
        store.setState((s) => ({
          marks: s.marks.map((m) => (m.id === id ? { ...m, history: [...m.history, seen] } : m)),
        }));
      }
      saveMark(mark, was);
    },
    /** The same fish, seen again: as it was, or elsewhere, or doing something else. */
    seenAgain(id: string, change: Partial<Mark> = {}) {
      const mark = store.getState().marks.find((m) => m.id === id);
      const { flow } = store.getState();
      // What it does says how deep it is, until that is told.
      const moved =
        mark && flow && change.behaviour && change.fishDepthM === undefined
          ? {
              fishDepthM: cm(
                Math.max(
                  0.05,
                  SWIMS_AT[change.behaviour] *
                    sampleFlow(flow, mark.xM, mark.yM, { depthM: 0, u: 0, v: 0 }).depthM,
                ),
              ),
            }
          : {};
      actions.changeMark(id, { ...moved, ...change, seenMs: now() }, true);
    },
    /** The mark is where its ring showed: the fish lies up-current of it (`trueLie`). */
    ringToLie(id: string) {
      const mark = store.getState().marks.find((m) => m.id === id);
      const { flow } = store.getState();
      const lie = mark && flow ? trueLie(flow, mark) : null;
      if (lie) actions.seenAgain(id, { xM: lie.place.xM, yM: lie.place.yM, surety: 'likely' });
    },
    /** Keeps a photograph with a mark; the sentence that says why not, or null. */
    async keepPhoto(id: string, file: Blob): Promise<string | null> {
      const photoId = clientId();
      const reply = await api.savePhoto(photoId, file);
      if (!reply.ok) return `The photograph was not taken. ${reply.message}`;
      actions.changeMark(id, { photoId }, true);
      return null;
    },
    /** Where the angler looks from. */
    moveViewer(place: Place | null, dragging = false) {
      store.setState({
        viewer: place && toCm(place),
        dragging: dragging ? 'viewer' : null,
      });
    },
    setTapping: (tapping: boolean) => store.setState({ tapping, placing: false }),
    /** A ring, where it showed and now. */
    tapRise(place: Place) {
      const { rises } = store.getState();
      const rise: KeptRise = {
        id: clientId(),
        seq: rises.reduce((most, r) => Math.max(most, r.seq), 0) + 1,
        atMs: now(),
        xM: cm(place.xM),
        yM: cm(place.yM),
      };
      store.setState({ rises: [...rises, rise] });
      const { id, ...body } = rise;
      void queue.post(changes.putRise(id, { beatId: beat.id, ...body }));
    },
    removeRises(ids: readonly string[]) {
      store.setState((s) => ({ rises: s.rises.filter((r) => !ids.includes(r.id)) }));
      for (const id of ids) void queue.post(changes.dropRise(id));
    },
    removeMark(id: string) {
      store.setState((s) => ({
        marks: s.marks.filter((m) => m.id !== id),
        markId: s.markId === id ? null : s.markId,
      }));
      void queue.post(changes.dropMark(id));
      push();
    },
  };
  return actions;
}
