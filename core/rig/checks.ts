import { hungMassMg, jointsOf, massRoot, weakestJoint, type Joint } from './joints';
import { isSection, measureRig } from './measure';
import { endMm, startMm, xOfMm, type FlyBox, type RigPlan, type Section } from './plan';

/** What cannot be, at its place in the list of parts; numbers are what was given and what is possible. */
export type RigRefusal =
  | { kind: 'butt-finer'; index: number; startMm: number; endMm: number }
  | { kind: 'length'; index: number; lengthM: number }
  | { kind: 'thickness'; index: number; mm: number }
  | { kind: 'bead'; index: number; mm: number; mostMm: number }
  | { kind: 'float-too-deep'; index: number; hungM: number; mostM: number }
  | { kind: 'float-too-low'; index: number; hungM: number; leastM: number }
  | { kind: 'shot-place'; index: number; aboveFlyM: number; mostM: number }
  | { kind: 'no-such-fly'; index: number; flyId: string }
  | { kind: 'none-left'; index: number; name: string }
  | { kind: 'no-line'; index: null; rodM: number }
  | { kind: 'no-fly'; index: null }
  | { kind: 'no-leader'; index: null }
  | { kind: 'rod'; index: null; rodM: number };

/** What is worth knowing of a rig that can be fished. */
export type RigNote =
  | { kind: 'weakest'; joint: Joint }
  | { kind: 'order'; index: number; aboveMm: number; belowMm: number }
  | { kind: 'stiff'; index: number; name: string; x: number; fromX: number; toX: number }
  | { kind: 'fine'; index: number; name: string; x: number; fromX: number; toX: number }
  | { kind: 'hinge'; index: number; root: number }
  | { kind: 'step'; index: number; root: number }
  | { kind: 'lob'; hungMg: number }
  | { kind: 'tip-ring'; passes: boolean; what: 'ring' | 'float' | 'sighter' };

export const RIG_LIMITS = {
  bead: { min: 1, max: 6 },
  mm: { min: 0.08, max: 1.2 },
  lengthM: { min: 0.05, max: 12 },
  rodM: { min: 1.5, max: 4.5 },
  /** A float so near to the lowest fly holds it at the surface, m. */
  floatAboveFlyM: 0.15,
} as const;
/** A sighter may be so much thicker or thinner, mm. */
const SIGHTER_MM = 0.03;
const HINGE = 0.5;
const STEP = 0.6;
/** More than this hung cannot be turned over, mg. */
const LOB_MG = 150;

export interface RigCheck {
  refused: RigRefusal[];
  notes: RigNote[];
}

/** A rig looked over: what cannot be fished, and what is worth knowing. */
export function checkRig(plan: RigPlan, box: FlyBox): RigCheck {
  const refused = refusals(plan, box);
  return { refused, notes: refused.length > 0 ? [] : notesOf(plan, box) };
}

function refusals(plan: RigPlan, box: FlyBox): RigRefusal[] {
  const out: RigRefusal[] = [];
  const m = measureRig(plan, box);
  const { rod } = plan;
  const rodM = rod.lengthM;
  if (!(rodM >= RIG_LIMITS.rodM.min && rodM <= RIG_LIMITS.rodM.max))
    out.push({ kind: 'rod', index: null, rodM });
  if (plan.line === null && plan.kind !== 'fixed-line')
    out.push({ kind: 'no-line', index: null, rodM });
  if (m.sections.length === 0) out.push({ kind: 'no-leader', index: null });
  if (m.flies.length === 0) out.push({ kind: 'no-fly', index: null });
  for (const { part: s, index } of m.sections) {
    if (!(s.lengthM > 0)) out.push({ kind: 'length', index, lengthM: s.lengthM });
    if (endMm(s) > startMm(s))
      out.push({ kind: 'butt-finer', index, startMm: startMm(s), endMm: endMm(s) });
    for (const mm of new Set([startMm(s), endMm(s)]))
      if (!(mm >= RIG_LIMITS.mm.min && mm <= RIG_LIMITS.mm.max))
        out.push({ kind: 'thickness', index, mm });
  }
  for (const { part, index } of m.placed) {
    if (part.part === 'float') {
      const { hungM } = part;
      if (hungM >= m.totalM) out.push({ kind: 'float-too-deep', index, hungM, mostM: m.totalM });
      else if (hungM < RIG_LIMITS.floatAboveFlyM)
        out.push({ kind: 'float-too-low', index, hungM, leastM: RIG_LIMITS.floatAboveFlyM });
    }
    if (part.part === 'shot' && !(part.aboveFlyM > 0 && part.aboveFlyM < m.totalM))
      out.push({ kind: 'shot-place', index, aboveFlyM: part.aboveFlyM, mostM: m.totalM });
  }
  for (const { part, index, fly } of m.flies) {
    if (!fly) out.push({ kind: 'no-such-fly', index, flyId: part.flyId });
    else if (fly.left <= 0) out.push({ kind: 'none-left', index, name: fly.name });
    else if (
      fly.bead &&
      !(fly.bead.mm >= RIG_LIMITS.bead.min && fly.bead.mm <= RIG_LIMITS.bead.max)
    )
      out.push({ kind: 'bead', index, mm: fly.bead.mm, mostMm: RIG_LIMITS.bead.max });
  }
  return out;
}

function notesOf(plan: RigPlan, box: FlyBox): RigNote[] {
  const m = measureRig(plan, box);
  const weakest = weakestJoint(jointsOf(plan, box));
  const out: RigNote[] = weakest ? [{ kind: 'weakest', joint: weakest }] : [];
  m.sections.slice(1).forEach(({ part: below, index }, i) => {
    const above = m.sections[i]!.part;
    const spare = [above.use, below.use].includes('sighter') ? SIGHTER_MM : 1e-9;
    if (startMm(below) > endMm(above) + spare)
      out.push({ kind: 'order', index, aboveMm: endMm(above), belowMm: startMm(below) });
    if (plan.kind === 'tight-line' || plan.kind === 'fixed-line') return;
    const root = massRoot(above, below);
    if (root < HINGE) out.push({ kind: 'hinge', index, root });
    else if (root < STEP) out.push({ kind: 'step', index, root });
  });
  for (const f of m.flies) {
    const s = tippetAt(plan, f.index);
    if (!f.fly || !s) continue;
    const mm = typeof f.part.on === 'object' ? f.part.on.diameterMm : endMm(s);
    const [x, fromX, toX] = [xOfMm(mm), f.fly.hookSize / 4, f.fly.hookSize / 3];
    const about = { index: f.index, name: `${f.fly.name} ${f.fly.hookSize}`, x, fromX, toX };
    if (x < fromX - 0.5) out.push({ kind: 'stiff', ...about });
    if (x > toX + 0.5) out.push({ kind: 'fine', ...about });
  }
  const hungMg = hungMassMg(plan, box);
  const isLight = plan.kind === 'tight-line' || plan.kind === 'fixed-line';
  if (!isLight && (m.floatAtM !== null || hungMg > LOB_MG)) out.push({ kind: 'lob', hungMg });
  if (m.floatAtM !== null) out.push({ kind: 'tip-ring', passes: false, what: 'float' });
  else if (m.sections.some((s) => s.part.use === 'sighter'))
    out.push({ kind: 'tip-ring', passes: true, what: 'sighter' });
  else if (plan.parts.some((p) => p.part === 'ring'))
    out.push({ kind: 'tip-ring', passes: true, what: 'ring' });
  return out;
}

/** The section that a fly is tied to. */
function tippetAt(plan: RigPlan, flyIndex: number): Section | null {
  for (let i = flyIndex - 1; i >= 0; i--) {
    const p = plan.parts[i]!;
    if (isSection(p)) return p;
  }
  return null;
}
