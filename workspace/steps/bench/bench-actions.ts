import { landingFor } from '../../../core/cast/index';
import { writeBeat } from '../../../core/formats/index';
import {
  checkRig,
  findRig,
  floatsAs,
  type Fly,
  type Part,
  type RigPlan,
  type RigRefusal,
  type Tackle,
} from '../../../core/rig/index';
import { lowestFly, withFloat, withFly, withShot, type Rung } from '../../../core/sink/index';
import type { EventCode } from '../../../core/log/index';
import { openTryHere } from '../../records/tries-here';
import { api } from '../../../sync/api';
import { clientId } from '../../../sync/client-id';
import { toCm, type ActionContext } from '../../action-context';
import { createPlanActions } from '../../plan-actions';
import { createTryActions } from '../../records/try-actions';
import { rigOf, targetOf } from '../../state/selectors';

const LEAST_SOUNDED_M = 0.02;

/** The rig: chosen, changed part by part, made ready; and what the bed said of it. */
export function createBenchActions(context: ActionContext) {
  const { store, push, beat } = context;
  const plan = createPlanActions(context);
  const log = createTryActions(context);
  const tackle = (): Tackle => store.getState().settings.tackle;
  const keep = (change: Partial<Tackle>) =>
    plan.changeSettings({ tackle: { ...tackle(), ...change } });

  function choose(id: string): void {
    const rig = findRig(tackle(), id);
    if (!rig) return;
    store.setState({ rigId: id, fly: floatsAs(rig), filmAtS: null, filmRuns: false });
    push();
  }

  /** A changed rig is kept as the angler's own; a template is copied first. What cannot be is told, and nothing changes. */
  function change(next: RigPlan): RigRefusal | null {
    const refused = checkRig(next, tackle().box).refused[0] ?? null;
    if (refused) return refused;
    const { rigs } = tackle();
    const isOwn = rigs.some((r) => r.id === next.id);
    const own = isOwn ? next : { ...next, id: `own-${clientId()}`, name: `${next.name}, mine` };
    keep({ rigs: isOwn ? rigs.map((r) => (r.id === own.id ? own : r)) : [...rigs, own] });
    store.setState({ rigId: own.id, fly: floatsAs(own) });
    push();
    return null;
  }

  return {
    choose,
    change,
    changePart(index: number, part: Part) {
      const rig = rigOf(store.getState());
      return change({ ...rig, parts: rig.parts.map((p, i) => (i === index ? part : p)) });
    },
    /** Thrown away, an own rig leaves the templates. */
    throwAway(id: string) {
      const { rigs, ready } = tackle();
      const [a, b] = ready.map((r) => (r === id ? null : r));
      keep({ rigs: rigs.filter((r) => r.id !== id), ready: [a ?? null, b ?? null] });
      if (store.getState().rigId === id) store.setState({ rigId: null });
    },
    /** The rod so far is ready with this rig; the first is the one in the hand. */
    makeReady(rod: 0 | 1, id: string | null) {
      const [a, b] = tackle().ready;
      keep({ ready: rod === 0 ? [id, b] : [a, id] });
    },
    setLeft(flyId: string, left: number) {
      keep({ box: tackle().box.map((f): Fly => (f.id === flyId ? { ...f, left } : f)) });
    },
    addFly: (fly: Fly) => keep({ box: [...tackle().box, fly] }),
    /** One thing that helps, done. */
    applyRung(rung: Rung): RigRefusal | null {
      const s = store.getState();
      const rig = rigOf(s);
      if (rung.kind === 'tuck') {
        store.setState({ lay: { kind: 'pile' }, mend: null });
        push();
        return null;
      }
      if (rung.kind === 'lead') {
        const target = targetOf(s);
        if (!target || !s.flow) return null;
        store.setState({ landing: toCm(landingFor(s.flow, target, rung.leadM)) });
        push();
        return null;
      }
      if (rung.kind === 'fly') return change(withFly(rig, lowestFly(rig), rung.fly.id));
      if (rung.kind === 'float') return change(withFloat(rig, rung.moreM));
      return change(withShot(rig, rung.massMg));
    },
    /** What the bed said of the last drift: on the try that goes on at this fish, or a new one. */
    felt(code: EventCode) {
      const open = openTryHere(store.getState(), beat.id);
      log.record(open?.id ?? log.beginTry(''), code);
    },
    /**
     * Keeps what the fly felt as a sounding of the beat: the depth as drawn, and the shift. The water is
     * solved anew on the next opening. The sentence that says why not, or null.
     */
    async keepSounding(depthM: number, shiftM: number): Promise<string | null> {
      const target = targetOf(store.getState());
      if (!target) return 'Choose a fish or a lie first.';
      const place = toCm(target);
      const measured = Math.round(100 * Math.max(LEAST_SOUNDED_M, depthM + shiftM)) / 100;
      const sounding = {
        kind: 'sounding' as const,
        depthM: measured,
        by: 'fly' as const,
        shape: { type: 'Point' as const, place },
      };
      const plan = { ...beat.plan, features: [...beat.plan.features, sounding] };
      const reply = await api.saveBeat(beat.id, {
        stream: beat.streamName,
        file: writeBeat(plan),
      });
      return reply.ok ? null : `The sounding could not be kept. ${reply.message}`;
    },
    takeBack(tryId: string) {
      log.undoLast(tryId);
    },
  };
}
