/** A site that must be left by an hour, and from when it may be fished again that day; null: not again. */
export interface OffBy {
  siteId: string;
  h: number;
  againH: number | null;
}

/** What a day may bring; stops first, in the order in which they are told. */
export type Caution =
  | { kind: 'heat'; offBy: OffBy[]; careFromC: number }
  | { kind: 'too warm' }
  | { kind: 'lightning'; fromH: number; toH: number }
  | { kind: 'timber'; windMps: number }
  | { kind: 'ice'; airC: number }
  | { kind: 'cold water'; waterC: number }
  | { kind: 'rising' }
  | { kind: 'spate' }
  | { kind: 'fire ban' };

export interface CautionFacts {
  /** Sites of the plan that must be left by an hour. */
  offBy: readonly OffBy[];
  tooWarm: boolean;
  careFromC: number;
  thunder: { fromH: number; toH: number } | null;
  windMps: number;
  airLowC: number;
  /** Coldest water that one would stand in, C. */
  coldestC: number;
  rising: boolean;
  spate: boolean;
  fireBan: boolean;
}

/** Branches fall, and a long rod is a sail (common practice: a fresh breeze). */
const TIMBER_MPS = 8;
const ICE_AIR_C = 0;
/** Water that takes the strength out of hands and legs within minutes (common practice). */
const COLD_WATER_C = 8;
/** Off the water so long before thunder is expected, h (common practice: half an hour either side). */
export const BEFORE_THUNDER_H = 0.5;

/** What to mind today: heat for fish first, then lightning, wind and timber, ice and cold, water, fire. */
export function dayCautions(f: CautionFacts): Caution[] {
  const out: Caution[] = [];
  if (f.tooWarm) out.push({ kind: 'too warm' });
  if (f.offBy.length > 0)
    out.push({
      kind: 'heat',
      offBy: [...f.offBy].sort((a, b) => a.h - b.h),
      careFromC: f.careFromC,
    });
  if (f.thunder) out.push({ kind: 'lightning', ...f.thunder });
  if (f.windMps >= TIMBER_MPS) out.push({ kind: 'timber', windMps: f.windMps });
  if (f.airLowC <= ICE_AIR_C) out.push({ kind: 'ice', airC: f.airLowC });
  if (f.coldestC < COLD_WATER_C) out.push({ kind: 'cold water', waterC: f.coldestC });
  if (f.spate) out.push({ kind: 'spate' });
  if (f.rising) out.push({ kind: 'rising' });
  if (f.fireBan) out.push({ kind: 'fire ban' });
  return out;
}

/** What is looked through before leaving. */
export const CHECKS = ['net', 'barbs', 'knots', 'thermometer', 'way out told'] as const;
export type Check = (typeof CHECKS)[number];
