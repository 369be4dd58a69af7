import { USUAL_BOX } from './flies';
import type { Fly } from './fly';
import { hungMassMg } from './joints';
import type { Part, RigPlan } from './plan';
import { driftRig, FLOATING_DRAG, floatsAs, type FlyKind, type Rig } from './rig';
import { rigFrom, TEMPLATE_IDS, usualRig, type TemplateId } from './templates';

/** What the angler carries: flies, rigs of their own, and the two rods that are ready. */
export interface Tackle {
  box: readonly Fly[];
  rigs: readonly RigPlan[];
  /** Rigs that are tied on, by id, first the one in the hand; null: no rod. */
  ready: readonly [string | null, string | null];
}

export const DEFAULT_TACKLE: Tackle = { box: USUAL_BOX, rigs: [], ready: [null, null] };

const isTemplate = (id: string): id is TemplateId => (TEMPLATE_IDS as string[]).includes(id);

/** The angler's own rig of that id, else the template; null: there is none. */
export function findRig(tackle: Tackle, id: string | null): RigPlan | null {
  if (id === null) return null;
  return tackle.rigs.find((r) => r.id === id) ?? (isTemplate(id) ? rigFrom(id) : null);
}

/** The rig in the hand, or the usual one for what floats where that is another kind or none. */
export function rigInHand(tackle: Tackle, fly: FlyKind): RigPlan {
  const hand = findRig(tackle, tackle.ready[0]);
  return hand && floatsAs(hand) === fly ? hand : usualRig(fly);
}

/** What the rod in the hand fishes; `otherwise` where none is said. */
export function flyInHand(tackle: Tackle, otherwise: FlyKind): FlyKind {
  const hand = findRig(tackle, tackle.ready[0]);
  return hand ? floatsAs(hand) : otherwise;
}

/** A plan as the drift takes it, with what floats now: a dropper that was cut off is a dry. */
export const driftRigOf = (plan: RigPlan, tackle: Tackle, fly: FlyKind): Rig => ({
  ...driftRig(plan, tackle.box),
  flyDragNsPerM: FLOATING_DRAG[fly],
  ...(floatsAs(plan) !== fly && {
    landsMg: hungMassMg({ ...plan, parts: plan.parts.filter(isFly).slice(0, 1) }, tackle.box),
  }),
});
const isFly = (p: Part) => p.part === 'fly';

/**
 * The rod a rig is cast with, m: the one it is tied to where the angler tied it or where it has no line
 * to throw; a template is put on the rod they have.
 */
export const rodLengthM = (plan: RigPlan, tackle: Tackle, ownRodM: number): number =>
  plan.line === null || tackle.rigs.some((r) => r.id === plan.id) ? plan.rod.lengthM : ownRodM;
