import { distanceToPolyline, polylineYAt, type Place } from '../grid/index';
import { featuresOf, joinBank, type BankFeature, type BeatPlan } from '../formats/index';

/** Height of a bank where the survey gives none, m, and its run per metre of rise. */
export const DEFAULT_BANK_HEIGHT_M = 0.6;
const BANK_RUN_PER_RISE = 3;
/** The slope at an end of the beat is taken over this much of it, m. */
const END_SLOPE_M = 3;

/**
 * The beat as a channel: banks as y of x, the surface the survey was taken at, and fitted
 * coordinates (x along, n across from 0 at the left bank to 1 at the right), in which stream
 * beds run true.
 */
export interface Channel {
  plan: BeatPlan;
  left: Place[];
  right: Place[];
  leftYM(xM: number): number;
  rightYM(xM: number): number;
  /** 0 on the left bank, 1 on the right; outside beyond. */
  across(xM: number, yM: number): number;
  /** Surface height at the surveyed level; 0 at x = 0. */
  surveyedSurfaceM(xM: number, yM: number): number;
  /** Whether a ledge crosses between two x at this y. */
  ledgeBetween(fromXM: number, toXM: number, yM: number): boolean;
  /** Every ledge: where it crosses, how far it drops, and on which side of it the water is high. */
  ledges: { xAtYM(yM: number): number; dropM: number; highSide: 1 | -1 }[];
  /** Fall between the ends that ledges leave, m. */
  fallM: number;
  /** Slope of the surface at the beat's foot: what the water beyond it goes on at. */
  footSlope: number;
  headSlope: number;
  bankAt(xM: number, side: 'left' | 'right'): BankFeature;
  /** Height of the land above the surveyed surface at a place beyond the banks. */
  bankRiseM(xM: number, yM: number, side: 'left' | 'right'): number;
}

/** Heights of the surface along the beat without its ledges (`yM`), and its slopes at the ends. */
export interface SurfaceLine {
  heights: Place[];
  footSlope: number;
  headSlope: number;
}

/** `surface`: what takes the place of the fall as it was told. */
export function createChannel(plan: BeatPlan, surface?: SurfaceLine): Channel {
  const left = joinBank(plan, 'left');
  const right = joinBank(plan, 'right');
  if (left.problem || right.problem) {
    throw new RangeError(`createChannel: ${left.problem ?? right.problem}`);
  }
  const ledges = featuresOf(plan, 'ledge').map((ledge) => {
    const line = ledge.shape.type === 'LineString' ? ledge.shape.line : [];
    const byY = [...line].sort((a, b) => a.yM - b.yM);
    const downIsLow = Math.cos((ledge.facing * Math.PI) / 180) <= 0;
    return {
      dropM: ledge.dropM,
      highSide: downIsLow ? (1 as const) : (-1 as const),
      xAtYM: (yM: number) => xAtY(byY, yM),
    };
  });
  const drops = ledges.reduce((sum, l) => sum + l.dropM, 0);
  const fall = plan.slope * plan.lengthM;
  // Ledges that drop more than the beat falls leave nothing for the water between: level.
  const rest = Math.max(0, fall - drops);
  const profile = plan.fallProfile ?? [
    { xM: 0, share: 0 },
    { xM: plan.lengthM, share: 1 },
  ];
  const heights = surface?.heights ?? profile.map((p) => ({ xM: p.xM, yM: rest * p.share }));
  const slopeBetween = (a: number, b: number) =>
    (polylineYAt(heights, b) - polylineYAt(heights, a)) / (b - a);
  const end = Math.min(END_SLOPE_M, plan.lengthM);
  const leftYM = (x: number) => polylineYAt(left.line, Math.min(plan.lengthM, Math.max(0, x)));
  const rightYM = (x: number) => polylineYAt(right.line, Math.min(plan.lengthM, Math.max(0, x)));
  const bankAt = (xM: number, side: 'left' | 'right') => {
    const bank = side === 'left' ? left : right;
    let i = 0;
    while (i < bank.form.length - 1 && bank.line[i + 1]!.xM < xM) i++;
    return bank.form[i]!;
  };
  return {
    plan,
    left: left.line,
    right: right.line,
    leftYM,
    rightYM,
    across: (x, y) => (y - leftYM(x)) / (rightYM(x) - leftYM(x)),
    surveyedSurfaceM(xM, yM) {
      let z = polylineYAt(heights, xM);
      for (const ledge of ledges) if (ledge.highSide * (xM - ledge.xAtYM(yM)) > 0) z += ledge.dropM;
      return z;
    },
    ledgeBetween: (fromXM, toXM, yM) =>
      ledges.some(({ xAtYM }) => xAtYM(yM) > fromXM && xAtYM(yM) < toXM),
    ledges,
    fallM: surface ? heights[heights.length - 1]!.yM : rest,
    footSlope: surface?.footSlope ?? slopeBetween(0, end),
    headSlope: surface?.headSlope ?? slopeBetween(plan.lengthM - end, plan.lengthM),
    bankAt,
    bankRiseM(xM, yM, side) {
      const bank = bankAt(xM, side);
      const height = bank.heightM ?? DEFAULT_BANK_HEIGHT_M;
      if (bank.form !== 'sloping') return height;
      const line = side === 'left' ? left.line : right.line;
      const d =
        xM < 0 || xM > plan.lengthM
          ? Math.abs(yM - (side === 'left' ? leftYM(xM) : rightYM(xM)))
          : distanceToPolyline({ xM, yM }, line);
      return Math.min(height, d / BANK_RUN_PER_RISE);
    },
  };
}

function xAtY(byY: Place[], yM: number): number {
  const last = byY.length - 1;
  if (yM <= byY[0]!.yM) return byY[0]!.xM;
  for (let i = 0; i < last; i++) {
    const a = byY[i]!;
    const b = byY[i + 1]!;
    if (yM <= b.yM)
      return b.yM === a.yM ? b.xM : a.xM + ((yM - a.yM) / (b.yM - a.yM)) * (b.xM - a.xM);
  }
  return byY[last]!.xM;
}

/** Shares of a beat's length at which its middle is looked up. */
const MIDDLE_AT = [0, 0.25, 0.5, 0.75, 1];

/** The middle of the channel over the whole beat: the y that a view of it is centred on, m. */
export function channelMiddleYM(plan: BeatPlan): number {
  const channel = createChannel(plan);
  const ys = MIDDLE_AT.map((f) => f * plan.lengthM).map(
    (xM) => (channel.leftYM(xM) + channel.rightYM(xM)) / 2,
  );
  return ys.reduce((sum, y) => sum + y, 0) / ys.length;
}
