import type { Place } from '../grid/index';
import type { Fish } from '../sight/index';
import type { Rig } from '../rig/index';
import type { Lay, Toward } from './lays';

/** The line is lifted from the water and thrown over while the fly drifts. */
export interface Mend {
  atS: number;
  toward: Toward;
  amountM: number;
}

export interface DriftInput {
  /** Rod tip after the cast; `zM` above the water. */
  tip: { xM: number; yM: number; zM: number };
  landing: Place;
  /** Where the angler stands: bounds the swing of a raised rod. */
  stand?: Place;
  fish?: Pick<Fish, 'xM' | 'yM' | 'headingRad'>;
  lay: Lay;
  mend?: Mend;
  rig: Rig;
  seconds: number;
  /** Cross-flow over lengthwise friction of line: about 18 for tippet, up to 50; default 15. */
  dragRatio?: number;
  /** Slack laid into every segment, as a share of its length; default .02. */
  microSlack?: number;
  /** Share by which the whole current is taken quicker or slower; default 0. */
  speedBias?: number;
  /** Pace at which gathering slack is taken in, m/s; default `RETRIEVE_MPS`, 0: never. */
  retrieveMps?: number;
  nodeM?: number;
  dtS?: number;
  /** Follow the fly no further than its first lasting drag: all that clean seconds need. */
  stopAtDrag?: boolean;
  /** Lifted so far past the fish, m, and followed no further; needs the fish. */
  liftPastM?: number;
  /** One look at the current a step instead of two: for ranking alone. */
  roughly?: boolean;
  /** When the fish would take, s: the slack of that moment is told. */
  takeS?: number;
  /** Keep every moment's line and pull. */
  film?: boolean;
}

/** A hand takes in slack at this pace, m/s (our guess). */
export const RETRIEVE_MPS = 0.6;
