import { USUAL_BOX } from './flies';
import { hungMassMg } from './joints';
import { measureRig } from './measure';
import { endMm, lineKgPerM, startMm, STUFF, type FlyBox, type RigPlan } from './plan';
import { usualRig } from './templates';

/** A stretch of the leader from the fly up: thickness at its ends, mm. */
export interface LeaderPiece {
  fromM: number;
  toM: number;
  fromMm: number;
  toMm: number;
}

/**
 * Line and leader as the drift needs them, from what floats upward: the fly, or the float. Diameters
 * mm, lengths m. Made of a `RigPlan` by `driftRig`.
 */
export interface Rig {
  lineMm: number;
  /** Leader with its tippet, from what floats to the line. */
  leaderM: number;
  /** The thin part of it, next to the fly. */
  tippetM: number;
  /** From what floats up, in order, without gaps. */
  pieces: readonly LeaderPiece[];
  /** Linear drag of what floats, N s/m. */
  flyDragNsPerM: number;
  lineKgPerM: number;
  /** All that falls on the water at the end of it: flies, shot, float, mg. */
  landsMg: number;
}

/** What floats at the end, and what hangs below it. */
export const FLY_KINDS = ['dry', 'dry-dropper', 'indicator', 'sunk'] as const;
export type FlyKind = (typeof FLY_KINDS)[number];

/** Drag of what floats, N s/m (our guesses). */
export const FLOATING_DRAG: Record<FlyKind, number> = {
  dry: 0.002,
  'dry-dropper': 0.0035,
  indicator: 0.005,
  sunk: 0.002,
};

const FLOATS_AS: Record<RigPlan['kind'], FlyKind> = {
  dry: 'dry',
  'two-dries': 'dry',
  'dry-dropper': 'dry-dropper',
  float: 'indicator',
  'tight-line': 'sunk',
  streamer: 'sunk',
  'fixed-line': 'sunk',
};
export const floatsAs = (plan: Pick<RigPlan, 'kind'>): FlyKind => FLOATS_AS[plan.kind];

/** The drift's view of a rig: the line above what floats, or above the lowest fly where nothing does. */
export function driftRig(plan: RigPlan, box: FlyBox): Rig {
  const m = measureRig(plan, box);
  const floats =
    m.floatAtM ?? (floatsAs(plan) === 'sunk' ? m.totalM : (m.flies[0]?.atM ?? m.totalM));
  const pieces: LeaderPiece[] = [];
  for (const { part, atM } of [...m.sections].reverse()) {
    const below = Math.max(0, atM + part.lengthM - floats);
    const used = part.lengthM - below;
    if (used <= 1e-9) continue;
    const fromM = pieces.at(-1)?.toM ?? 0;
    const thins = endMm(part) - startMm(part);
    pieces.push({
      fromM,
      toM: fromM + used,
      fromMm: startMm(part) + (below > 0 ? thins * (used / part.lengthM) : thins),
      toMm: startMm(part),
    });
  }
  return {
    lineMm: plan.line?.diameterMm ?? pieces.at(-1)?.toMm ?? 0,
    leaderM: pieces.at(-1)?.toM ?? 0,
    tippetM: tippetOf(plan, floats),
    pieces,
    flyDragNsPerM: FLOATING_DRAG[floatsAs(plan)],
    lineKgPerM: plan.line ? lineKgPerM(plan.line) : kgPerMOf(pieces.at(-1)),
    landsMg: hungMassMg(plan, box),
  };
}

/** A leader that is one taper ends in so much tippet (60/20/20, common practice). */
const TIPPET_SHARE = 0.2;
function tippetOf(plan: RigPlan, floatsAtM: number): number {
  let [atM, tippetM] = [0, 0];
  for (const p of plan.parts) {
    if (p.part !== 'section') continue;
    const used = Math.min(p.lengthM, Math.max(0, floatsAtM - atM));
    if (p.use === 'tippet') tippetM += used;
    atM += p.lengthM;
  }
  return tippetM > 0 ? tippetM : TIPPET_SHARE * floatsAtM;
}
const kgPerMOf = (p: LeaderPiece | undefined): number => (p ? nylonKgPerM(p.toMm / 1000) : 0);
const nylonKgPerM = (dM: number) => STUFF.nylon.kgPerM3 * Math.PI * 0.25 * dM * dM;

/** The rig of an angler who has chosen none: a plain dry on a 2.7 m leader. */
export const DEFAULT_RIG: Rig = driftRig(usualRig('dry'), USUAL_BOX);

/** The usual rig for what floats. */
export const rigFor = (fly: FlyKind, rig: Rig = DEFAULT_RIG): Rig => ({
  ...rig,
  flyDragNsPerM: FLOATING_DRAG[fly],
});

/** Diameter at a distance from the fly: piece by piece, then line, mm. */
export function diameterMm({ pieces, leaderM, lineMm }: Rig, fromFlyM: number): number {
  if (fromFlyM >= leaderM) return lineMm;
  for (const p of pieces) {
    if (fromFlyM > p.toM) continue;
    const t = (fromFlyM - p.fromM) / (p.toM - p.fromM);
    return p.fromMm + t * (p.toMm - p.fromMm);
  }
  return lineMm;
}

/** Mass per metre of a stretch that begins `fromFlyM` from the fly, kg/m: leader there, line beyond it. */
export function stretchKgPerM(rig: Rig, fromFlyM: number, lengthM: number): number {
  const leaderM = Math.min(lengthM, Math.max(0, rig.leaderM - fromFlyM));
  if (leaderM <= 0 || lengthM <= 0) return rig.lineKgPerM;
  const dM = diameterMm(rig, Math.min(fromFlyM + leaderM / 2, rig.leaderM - 1e-9)) / 1000;
  return (nylonKgPerM(dM) * leaderM + rig.lineKgPerM * (lengthM - leaderM)) / lengthM;
}
