import type { Place } from '../core/grid/index';
import type { Lie } from '../core/lies/index';
import type { Settings } from '../core/log/index';
import { changes } from '../sync/client';
import { withoutCast, toCm, type ActionContext } from './action-context';
import type { Address } from './state/address';
import type { WorkspaceState } from './state/state';
import { putMark } from './records/put-mark';

/** What can be done in every step: go on, choose a fish or a lie, move what is on the plan, undo. */
export function createPlanActions({ store, beat, queue, push, replace }: ActionContext) {
  /** Marks that undoing brought back, changed or took away are kept with the book as they are now. */
  function keepMarks(before: WorkspaceState['marks']): void {
    const { marks } = store.getState();
    for (const mark of marks) {
      const was = before.find((m) => m.id === mark.id);
      if (was !== mark) void queue.post(putMark(beat.id, mark, was));
    }
    for (const gone of before)
      if (!marks.some((m) => m.id === gone.id)) void queue.post(changes.dropMark(gone.id));
  }
  const timeTravel = (how: 'undo' | 'redo') => () => {
    const { marks } = store.getState();
    store.temporal.getState()[how]();
    store.setState((s) => ({
      markId: s.marks.some((m) => m.id === s.markId) ? s.markId : null,
      dragging: null,
    }));
    keepMarks(marks);
    replace();
  };
  return {
    go(step: Address['step']) {
      store.setState({ step, placing: false, tapping: false, stalkTool: null });
      push();
    },
    chooseLevel(level: Address['level']) {
      store.setState({ level });
      push();
    },
    chooseLie(lie: Lie | null) {
      store.setState((s) => ({
        lieId: lie?.id ?? null,
        ...(lie && { ...withoutCast(s), markId: null }),
      }));
      push();
    },
    chooseMark(id: string | null) {
      store.setState((s) => ({
        markId: id,
        lieId: null,
        ...(id !== s.markId && withoutCast(s)),
      }));
      push();
    },
    setHour(atMs: number, final: boolean) {
      store.setState({ atMs });
      if (final) replace();
    },
    setPosture(posture: Address['posture']) {
      store.setState({ posture });
      push();
    },
    moveStand(place: Place, dragging: boolean) {
      store.setState({ stand: toCm(place), dragging: dragging ? 'stand' : null });
      if (!dragging) replace();
    },
    moveLanding(place: Place, dragging: boolean) {
      store.setState({ landing: toCm(place), dragging: dragging ? 'landing' : null });
      if (!dragging) replace();
    },
    /** The stand is given up; whoever watches for a fish without one proposes another. */
    suggestStand: () => store.setState({ stand: null, landing: null, via: [] }),
    changeSettings(change: Partial<Settings>) {
      const { settings } = store.getState();
      store.setState({ settings: { ...settings, ...change } });
      void queue.post(changes.putSettings(change, settings));
    },
    dismissNotice: (index: number) =>
      store.setState((s) => ({ notices: s.notices.filter((_, i) => i !== index) })),
    undo: timeTravel('undo'),
    redo: timeTravel('redo'),
  };
}
