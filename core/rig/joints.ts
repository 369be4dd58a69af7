import { floatMassMg, flyMassMg } from './fly';
import { isSection, measureRig } from './measure';
import {
  endMm,
  KNOT_KEEPS,
  startMm,
  STUFF,
  type FlyBox,
  type Knot,
  type RigPlan,
  type Section,
} from './plan';

/** Where two things are joined, and what the joint holds. */
export interface Joint {
  atM: number;
  knot: Knot;
  strengthN: number;
  /** The section whose strength it is, by its place in the list of parts. */
  section: number;
  what: 'section' | 'fly' | 'tag' | 'bend';
  /** The fly at it, by its place in the list of parts; null: none. */
  fly: number | null;
}

/** What a line of that thickness holds straight, N. */
export const straightN = (mm: number, { stuff }: Pick<Section, 'stuff'>): number =>
  STUFF[stuff].gpa * 1e9 * Math.PI * 0.25 * (mm / 1000) ** 2;

const thinnestN = (s: Section) => s.strengthN ?? straightN(Math.min(startMm(s), endMm(s)), s);

/** Every joint from the line down. At a joint the weaker side counts. */
export function jointsOf(plan: RigPlan, box: FlyBox): Joint[] {
  const { placed } = measureRig(plan, box);
  const joints: Joint[] = [];
  let above: { s: Section; index: number } | null = null;
  let bend: number | null = null;
  for (const { part, index, atM } of placed) {
    if (isSection(part)) {
      const knot = bend === null ? part.knotAbove : 'bend';
      const startN = part.strengthN ?? straightN(startMm(part), part);
      const endN = above ? (above.s.strengthN ?? straightN(endMm(above.s), above.s)) : Infinity;
      // A fly that is tied to the bend hangs on the section below it alone.
      const weaker = bend === null && above && endN < startN;
      joints.push({
        atM,
        knot,
        strengthN: KNOT_KEEPS[knot] * (weaker ? endN : startN),
        section: weaker ? above!.index : index,
        what: bend === null ? 'section' : 'bend',
        fly: bend,
      });
      above = { s: part, index };
      bend = null;
    } else if (part.part === 'fly' && above) {
      const { on } = part;
      const isTag = typeof on === 'object';
      const knot: Knot = isTag ? 'tag' : 'clinch';
      joints.push({
        atM,
        knot,
        strengthN: KNOT_KEEPS[knot] * (isTag ? straightN(on.diameterMm, on) : thinnestN(above.s)),
        section: above.index,
        what: isTag ? 'tag' : 'fly',
        fly: index,
      });
      if (!isTag && part.next === 'bend') bend = index;
    }
  }
  return joints;
}

/** Where it breaks first; null: nothing is joined. Of equals, the first that is passed on the way up from the fly. */
export function weakestJoint(joints: readonly Joint[]): Joint | null {
  let weakest: Joint | null = null;
  for (const j of joints) if (!weakest || j.strengthN < weakest.strengthN - 1e-9) weakest = j;
  return weakest;
}

/** Share of a pulse that a joint passes on, of mass per length r^2 (thinner over thicker), at equal tension. */
export const pulsePassed = (r: number): number => 1 - ((r - 1) / (r + 1)) ** 2;

/** Root of mass per length, thinner over thicker, from one section to the next. */
export function massRoot(above: Section, below: Section): number {
  const perM = (mm: number, s: Section) => STUFF[s.stuff].kgPerM3 * mm * mm;
  const [a, b] = [perM(endMm(above), above), perM(startMm(below), below)];
  return Math.sqrt(Math.min(a, b) / Math.max(a, b));
}

/** Everything that hangs on the line beside itself, mg: what cannot be turned over must be lobbed. */
export function hungMassMg(plan: RigPlan, box: FlyBox): number {
  return plan.parts.reduce((sum, p) => {
    if (p.part === 'fly') {
      const fly = box.find((f) => f.id === p.flyId);
      return sum + (fly ? flyMassMg(fly) : 0);
    }
    if (p.part === 'float') return sum + floatMassMg(p.diameterMm);
    return sum + (p.part === 'shot' || p.part === 'ring' ? p.massMg : 0);
  }, 0);
}
