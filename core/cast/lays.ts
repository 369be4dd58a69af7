import type { Place } from '../grid/index';

export type Toward = 'up-current' | 'down-current';

/**
 * The way the line is put on the water. `up-current` means against the local current at the landing
 * place. Amounts have defaults (`LAY_DEFAULTS`).
 */
export type Lay =
  | { kind: 'straight' }
  /** The rod is laid over while the line falls, then follows it down. */
  | { kind: 'reach'; toward: Toward; amountM: number }
  /** Line in waves: `share` of its length is slack. */
  | { kind: 'slack'; share?: number }
  /** A heap of leader by the fly: `extraM` of line beyond the distance. */
  | { kind: 'pile'; extraM?: number }
  /** The last of the line swings round to one side. */
  | { kind: 'curve'; toward: Toward; amountM?: number }
  /** The middle of the line is thrown to one side before it falls. */
  | { kind: 'aerial-mend'; toward: Toward; amountM?: number }
  /** Line is paid out at `gain` times the pace of the water where it enters. */
  | { kind: 'feed'; gain?: number }
  /** Laid straight and taken in as it comes; paid out from where the water carries it away from the rod. */
  | { kind: 'late-feed' }
  /** The rod is held high over the line and follows it: as little on the water as can be. */
  | { kind: 'high-stick' }
  | { kind: 'bow-and-arrow' }
  | { kind: 'roll' }
  /** Line over the grass, leader on the water. */
  | { kind: 'bank-lay' };
export type LayKind = Lay['kind'];

export const LAY_KINDS: readonly LayKind[] = [
  'straight',
  'reach',
  'slack',
  'pile',
  'curve',
  'aerial-mend',
  'feed',
  'late-feed',
  'high-stick',
  'bow-and-arrow',
  'roll',
  'bank-lay',
];

/** Amounts when none is said (common practice). */
export const LAY_DEFAULTS = {
  reachM: 1.5,
  slackShare: 0.15,
  pileM: 1.2,
  curveM: 0.8,
  aerialMendM: 1.2,
  feedGain: 1,
} as const;

/** How much of the sure distance each lay leaves: some are hard to throw straight (our guesses). */
export const LAY_PRECISION: Record<LayKind, number> = {
  straight: 1,
  reach: 0.95,
  slack: 0.9,
  pile: 0.85,
  curve: 0.65,
  'aerial-mend': 0.75,
  feed: 0.95,
  'late-feed': 1,
  'high-stick': 1,
  'bow-and-arrow': 0.8,
  roll: 0.85,
  'bank-lay': 0.8,
};

/** Farthest from stand to fly that a lay is thrown, beside rod and leader, m (our guesses). */
export const LAY_REACH = {
  /** A roll cast: so many rods. */
  rollRods: 4,
  /** Bow and arrow: rod, and the leader drawn to the hand. */
  bowLeaders: 1,
  highStickLeaders: 0.9,
} as const;

/** Lays that pay line out: their drifts last longer, and no length of line ends them. */
export const isFed = (kind: LayKind): boolean => kind === 'feed' || kind === 'late-feed';

/** How far each lay can be thrown from the stand, m; Infinity where the arm alone decides. */
export function layReachM(kind: LayKind, rodM: number, leaderM: number): number {
  if (kind === 'roll') return LAY_REACH.rollRods * rodM;
  if (kind === 'bow-and-arrow') return rodM + LAY_REACH.bowLeaders * leaderM;
  if (kind === 'high-stick') return rodM + LAY_REACH.highStickLeaders * leaderM;
  return Infinity;
}

/** Lays whose line can be held off the water by a raised rod where the fly is near enough. */
const HELD: ReadonlySet<LayKind> = new Set(['high-stick', 'bow-and-arrow', 'roll', 'pile']);
/**
 * How near, m: the raised rod's reach, the line on the water, and what hangs without drawing a dry fly
 * (`heldAir`; .47 to 1.23 m by the fly's drag, one figure here).
 */
const HELD_REACH = { rodShare: 0.8, moreM: 0.7, hangM: 0.74 } as const;

export const heldReachM = (rodM: number): number =>
  HELD_REACH.rodShare * rodM + HELD_REACH.moreM + HELD_REACH.hangM;

/** Whether a lay is fished with the line held up, from this far. */
export const isHeld = (kind: LayKind, distanceM: number, rodM: number): boolean =>
  HELD.has(kind) && distanceM <= heldReachM(rodM);
/** Lays that are laid alike unless they are held. */
export const mayBeHeld = (kind: LayKind): boolean => HELD.has(kind);

/** Tip heights, m: lowered to the water after the cast; raised over it with a high stick. */
const LOWERED_TIP_M = 0.5;
const RAISED = { handM: 0.9, sin: 0.6, reachShare: 0.8 } as const;
/** A held line is on the water for so much of the tippet, and for a pile so much more, m. */
export const HELD_ON_WATER_M = { tippet: 0.3, pile: 0.5 } as const;
const HELD_OUT_M = 0.35;

/** The rod tip after the cast, from the stand toward the landing place. */
export function castTip(
  stand: Place,
  landing: Place,
  rodM: number,
  kind: LayKind = 'straight',
): { xM: number; yM: number; zM: number } {
  const d = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM) || 1;
  const held = isHeld(kind, d, rodM);
  const high = held || kind === 'high-stick';
  const onWater = HELD_ON_WATER_M.tippet + (kind === 'pile' ? HELD_ON_WATER_M.pile : 0);
  const reach = held
    ? Math.max(0.1, Math.min(RAISED.reachShare * rodM + HELD_OUT_M, d - onWater - 0.05))
    : high
      ? Math.min(RAISED.reachShare * rodM, 0.7 * d)
      : Math.min(rodM, 0.8 * d);
  return {
    xM: stand.xM + (reach * (landing.xM - stand.xM)) / d,
    yM: stand.yM + (reach * (landing.yM - stand.yM)) / d,
    zM: high ? RAISED.handM + RAISED.sin * rodM : LOWERED_TIP_M,
  };
}

/** Lengths of line as laid: `x`, `y` at equal steps `stepM` of line from the fly to the entry. */
export interface LaidLine {
  x: Float64Array;
  y: Float64Array;
  stepM: number;
  n: number;
}

/** A wave spans at least this many nodes, and is never shorter than this, m. */
const WAVE_NODES = 4;
const LEAST_WAVE_M = 0.8;
/** A pile lies within this of the fly, m. */
const PILE_OVER_M = 1.6;
/** A curve takes this much of the end of the line, m. */
const CURVE_OVER_M = 2.4;
/** The shape is drawn at so many steps a node, then cut at equal lengths. */
const DRAWN_PER_NODE = 5;

/**
 * The line on the water from the fly to the entry, at equal steps of length near `nodeM`: the chord
 * with what the lay does to it, across the chord for waves, along `up` for reach, mend and curve.
 */
export function layLine(
  lay: Lay,
  landing: Place,
  entry: Place,
  upRad: number,
  nodeM: number,
): LaidLine {
  const chordM = Math.hypot(entry.xM - landing.xM, entry.yM - landing.yM);
  const ux = chordM > 1e-9 ? (entry.xM - landing.xM) / chordM : 1;
  const uy = chordM > 1e-9 ? (entry.yM - landing.yM) / chordM : 0;
  if (LAID_STRAIGHT.has(lay.kind)) return straightLine(landing, ux, uy, chordM, nodeM);
  const wave = lay.kind === 'pile' ? () => 0 : waveShape(lay, chordM, nodeM);
  const heap = lay.kind === 'pile' ? wavesOf(lay, chordM) : null;
  const count = Math.max(2, Math.ceil((DRAWN_PER_NODE * chordM) / nodeM) + 1);
  const px = new Float64Array(count);
  const py = new Float64Array(count);
  const along = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    const q = (chordM * i) / (count - 1);
    const aside = asideM(lay, q, chordM);
    const across = wave(q);
    px[i] = landing.xM + ux * q + aside * Math.cos(upRad) - across * uy;
    py[i] = landing.yM + uy * q + aside * Math.sin(upRad) + across * ux;
    if (i === 0) continue;
    const step = Math.hypot(px[i]! - px[i - 1]!, py[i]! - py[i - 1]!);
    // A heap's loops are smaller than anything drawn here: it is line that lies on itself.
    along[i] = along[i - 1]! + step * (heap && q <= heap.overM ? 1 + heap.share : 1);
  }
  return cutEvenly(px, py, along, nodeM);
}

const LAID_STRAIGHT: ReadonlySet<LayKind> = new Set<LayKind>([
  'straight',
  'reach',
  'late-feed',
  'high-stick',
  'bow-and-arrow',
  'roll',
  'bank-lay',
]);

function straightLine(
  landing: Place,
  ux: number,
  uy: number,
  lengthM: number,
  nodeM: number,
): LaidLine {
  const n = Math.max(3, Math.round(lengthM / nodeM) + 1);
  const stepM = lengthM / (n - 1);
  return {
    x: Float64Array.from({ length: n }, (_, i) => landing.xM + ux * stepM * i),
    y: Float64Array.from({ length: n }, (_, i) => landing.yM + uy * stepM * i),
    stepM,
    n,
  };
}

/** Offset along up-current at a distance along the chord from the fly, m. */
export function asideM(lay: Lay, q: number, chordM: number): number {
  if (lay.kind !== 'curve' && lay.kind !== 'aerial-mend') return 0;
  const over = lay.kind === 'curve' ? Math.min(CURVE_OVER_M, chordM) : chordM;
  if (q >= over) return 0;
  const whole = lay.kind === 'curve' ? LAY_DEFAULTS.curveM : LAY_DEFAULTS.aerialMendM;
  const amount = (lay.toward === 'up-current' ? 1 : -1) * (lay.amountM ?? whole);
  return amount * Math.sin((Math.PI * q) / over) ** 2;
}

/** Slack laid in waves, or heaped: as a share of the chord, over so much of it from the fly. */
export function wavesOf(lay: Lay, chordM: number): { share: number; overM: number } {
  if (lay.kind === 'slack') return { share: lay.share ?? LAY_DEFAULTS.slackShare, overM: chordM };
  if (lay.kind === 'feed') return { share: FEED_SLACK, overM: chordM };
  if (lay.kind !== 'pile') return { share: 0, overM: 0 };
  const overM = Math.min(PILE_OVER_M, chordM);
  return { share: (lay.extraM ?? LAY_DEFAULTS.pileM) / Math.max(0.1, overM), overM };
}

/** Waves across the chord: a sine whose amplitude gives the slack that the lay asks for. */
function waveShape(lay: Lay, chordM: number, nodeM: number): (q: number) => number {
  const { share, overM: over } = wavesOf(lay, chordM);
  if (share <= 0 || over <= 0) return () => 0;
  const wished = Math.max(LEAST_WAVE_M, WAVE_NODES * nodeM);
  const waves = Math.max(1, Math.round(over / wished));
  const lengthM = over / waves;
  const k = (2 * Math.PI) / lengthM;
  const amplitude = waveAmplitude(share, lengthM);
  return (q) => (q < over ? amplitude * Math.sin(k * q) : 0);
}

/** A line fed down-current is checked as it falls, and lands a little loose (our guess). */
const FEED_SLACK = 0.08;

/** Amplitude of a sine of this wavelength whose arc is (1 + share) times as long as its chord. */
export function waveAmplitude(share: number, lengthM: number): number {
  let lo = 0;
  let hi = lengthM * (1 + share);
  for (let n = 0; n < 40; n++) {
    const mid = (lo + hi) / 2;
    if (arcPerChord((2 * Math.PI * mid) / lengthM) < 1 + share) lo = mid;
    else hi = mid;
  }
  return (lo + hi) / 2;
}

/** Mean of sqrt(1 + (s cos t)^2) over a wave: a complete elliptic integral, by the trapezium rule. */
function arcPerChord(steepest: number): number {
  const steps = 64;
  let sum = 0;
  for (let i = 0; i < steps; i++)
    sum += Math.sqrt(1 + (steepest * Math.cos((Math.PI * i) / steps)) ** 2);
  return sum / steps;
}

function cutEvenly(
  px: Float64Array,
  py: Float64Array,
  along: Float64Array,
  nodeM: number,
): LaidLine {
  const lengthM = along[along.length - 1]!;
  const n = Math.max(3, Math.round(lengthM / nodeM) + 1);
  const stepM = lengthM / (n - 1);
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  let k = 0;
  for (let i = 0; i < n; i++) {
    const s = stepM * i;
    while (k < along.length - 2 && along[k + 1]! < s) k++;
    const t = Math.min(1, (s - along[k]!) / (along[k + 1]! - along[k]! || 1));
    x[i] = px[k]! + t * (px[k + 1]! - px[k]!);
    y[i] = py[k]! + t * (py[k + 1]! - py[k]!);
  }
  return { x, y, stepM, n };
}
