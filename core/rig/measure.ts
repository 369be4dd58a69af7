import type { Fly } from './fly';
import type { FlyBox, FlyOn, Part, RigPlan, Section } from './plan';

/** A part with where it begins, m from the end of the line, along the line. */
export interface Placed<P extends Part = Part> {
  part: P;
  index: number;
  atM: number;
}

export interface RigMeasure {
  /** From the end of the line, or the tip, to the lowest fly along the line, m. */
  totalM: number;
  placed: Placed[];
  sections: Placed<Section>[];
  flies: (Placed<FlyOn> & { toM: number; fly: Fly | null })[];
  /** Where the float sits, m from the line; null: none. */
  floatAtM: number | null;
  /** Hung below the float, or below the dry of a dropper, m; 0: nothing hangs. */
  hungM: number;
}

export const isSection = (p: Part): p is Section => p.part === 'section';
const is = <K extends Part['part']>(kind: K) => {
  return (p: Placed): p is Placed<Extract<Part, { part: K }>> => p.part.part === kind;
};

/** Lengths and places of everything on a rig. */
export function measureRig(plan: RigPlan, box: FlyBox): RigMeasure {
  let atM = 0;
  const placed = plan.parts.map((part, index) => {
    const here = { part, index, atM };
    if (isSection(part)) atM += part.lengthM;
    return here;
  });
  const totalM = atM;
  for (const p of placed) {
    if (p.part.part === 'shot') p.atM = totalM - p.part.aboveFlyM;
    if (p.part.part === 'float') p.atM = totalM - p.part.hungM;
  }
  const flies = placed.filter(is('fly')).map((p) => ({
    ...p,
    toM: p.atM + (typeof p.part.on === 'object' ? p.part.on.tagM : 0),
    fly: box.find((f) => f.id === p.part.flyId) ?? null,
  }));
  const float = placed.find(is('float'));
  const dry = plan.kind === 'dry-dropper' ? flies[0] : undefined;
  return {
    totalM,
    placed,
    sections: placed.filter(is('section')),
    flies,
    floatAtM: float?.atM ?? null,
    hungM: float ? float.part.hungM : dry ? totalM - dry.atM : 0,
  };
}
