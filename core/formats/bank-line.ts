import type { Place } from '../grid/index';
import { featuresOf, type BankFeature, type BeatPlan } from './beat-plan';

/** Gaps up to this are closed straight and noted; a larger one is a problem (contract). */
const MAX_BANK_GAP_M = 2;

/** A bank that ends this near the end of the beat reaches it: true coordinates are written to a millimetre. */
const REACH_TOLERANCE_M = 0.01;

export interface BankLine {
  side: 'left' | 'right';
  line: Place[];
  /** For each segment i -> i+1, the feature it came from (a closed gap takes the one before). */
  form: BankFeature[];
  notes: string[];
  problem: string | null;
}

/** Joins the bank features of one side in order of x into one line, single-valued in x. */
export function joinBank(
  plan: Pick<BeatPlan, 'features' | 'lengthM'>,
  side: 'left' | 'right',
): BankLine {
  const banks = featuresOf(plan as BeatPlan, 'bank').filter((b) => b.side === side);
  const runs = banks
    .map((feature) => ({ feature, line: ascending(lineOf(feature)) }))
    .sort((a, b) => a.line[0]!.xM - b.line[0]!.xM);
  const out: BankLine = { side, line: [], form: [], notes: [], problem: null };
  for (const { feature, line } of runs) {
    const last = out.line[out.line.length - 1];
    if (last) {
      const gap = Math.hypot(line[0]!.xM - last.xM, line[0]!.yM - last.yM);
      if (gap > MAX_BANK_GAP_M) {
        out.problem ??= `the ${side} bank has a gap of ${gap.toFixed(1)} m at x ${last.xM.toFixed(1)} m; at most ${MAX_BANK_GAP_M} m is closed`;
      } else if (gap > 0.01) {
        out.notes.push(
          `A gap of ${gap.toFixed(2)} m in the ${side} bank at x ${last.xM.toFixed(1)} m was closed straight.`,
        );
      }
    }
    for (const place of line) {
      const end = out.line[out.line.length - 1];
      if (end && place.xM <= end.xM + 1e-9) continue;
      if (end) out.form.push(feature);
      out.line.push(place);
    }
  }
  out.problem ??= reachProblem(out.line, side, plan.lengthM);
  return out;
}

function reachProblem(line: Place[], side: string, lengthM: number): string | null {
  if (line.length < 2) return `there is no ${side} bank`;
  const first = line[0]!.xM;
  const last = line[line.length - 1]!.xM;
  if (first > REACH_TOLERANCE_M || last < lengthM - REACH_TOLERANCE_M) {
    return `the ${side} bank runs from x ${first.toFixed(1)} to ${last.toFixed(1)} m; it must reach from 0 to ${lengthM} m`;
  }
  return null;
}

function lineOf(feature: BankFeature): Place[] {
  return feature.shape.type === 'LineString' ? feature.shape.line : [];
}

function ascending(line: Place[]): Place[] {
  return line[0]!.xM <= line[line.length - 1]!.xM ? line : [...line].reverse();
}
