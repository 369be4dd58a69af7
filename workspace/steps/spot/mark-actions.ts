import type { Place } from '../../../core/grid/index';
import { headingAt } from '../../../core/lies/index';
import { sampleFlow } from '../../../core/water/index';
import { clientId } from '../../../sync/client-id';
import { cm, NO_CAST, type Desk } from '../../state/desk';
import type { KeptRise, Mark } from '../../state/state';

/** What is seen: fish marked, changed, seen again and taken out; rises tapped; where one looks from. */
export function createMarkActions({ store, beat, outbox, now, push }: Desk) {
  function saveMark(mark: Mark): void {
    const { id, history: _history, ...body } = mark;
    outbox.post({ method: 'PUT', path: `/api/v1/marks/${id}`, body: { beatId: beat.id, ...body } });
  }

  /** Marks as they were before the drag that is going on. */
  const drafted = new Map<string, Mark>();
  /** Changed in what makes another sighting of it. */
  const differs = (a: Mark, b: Mark) =>
    a.xM !== b.xM || a.yM !== b.yM || a.surety !== b.surety || a.behaviour !== b.behaviour;

  const actions = {
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
  };
  return actions;
}
