import { distanceToPolyline, type Place } from '../grid/index';
import { formatLength, type UnitSystem } from '../units/index';
import type { LonLat, TakenLine, TakenLines, TakenPoint } from './lines-taken';
import { createTangentPlane, type BeatFeature, type BeatPlan } from '../formats/index';

export const LINE_USES = ['left', 'right', 'log', 'none'] as const;
export type LineUse = (typeof LINE_USES)[number];
export const POINT_USES = [
  'boulder',
  'sounding',
  'tree',
  'bush',
  'snag',
  'entry',
  'hazard',
  'none',
] as const;
export type PointUse = (typeof POINT_USES)[number];

/** What each line and each place of a file is to be, in the file's order. */
export interface Uses {
  lines: LineUse[];
  points: PointUse[];
}

export interface PlanFromLines {
  plan: BeatPlan;
  /** What was taken, and what was left with why: one sentence each. */
  took: string[];
  left: string[];
}

/** A beat is so long, m. */
const LENGTH = { min: 5, max: 150 } as const;
/** What lies further from both banks is of another place, m. */
const NEAR_M = 15;
/** A stone, tree or bush of which the file says no size. */
const GUESSED = {
  boulder: { diameterM: 0.6, heightM: 0.4 },
  tree: { heightM: 8 },
  bush: { heightM: 2 },
  logDiameterM: 0.3,
} as const;
const SAMPLES = 40;
const MOST_NOTE = 200;

const WORDS: readonly [PointUse, RegExp][] = [
  ['boulder', /\b(stone|boulder|rock|block)s?\b/i],
  ['entry', /\b(entry|ford|get in|wade)\b/i],
  ['hazard', /\b(hazard|danger|drop.?off|deep hole)\b/i],
  ['snag', /\bsnags?\b/i],
  ['tree', /\b(tree|alder|willow|oak|ash)s?\b/i],
  ['bush', /\b(bush|bramble|gorse)(es)?\b/i],
];

/** What a file's words suggest; banks only where they are named, since nobody can tell them apart by shape. */
export function suggestedUses({ lines, points }: TakenLines): Uses {
  return {
    lines: lines.map((l) => {
      if (/\blog\b/i.test(l.name)) return 'log';
      const [left, right] = [/\bleft\b/i.test(l.name), /\bright\b/i.test(l.name)];
      return left === right ? 'none' : left ? 'left' : 'right';
    }),
    points: points.map((p) => {
      if (p.depthM !== null) return 'sounding';
      const words = `${p.name} ${p.told}`;
      return WORDS.find(([, word]) => word.test(words))?.[0] ?? 'none';
    }),
  };
}

/**
 * A beat's plan from somebody else's lines: the two banks, seen looking down-current, tell which way
 * the water runs, so +x is known; what else is told lies in that frame. Its depths, fall and flow are
 * still to be told: it is a survey begun. A sentence where there is no beat in it.
 */
export function planFromLines(
  taken: TakenLines,
  uses: Uses,
  name: string,
  units: UnitSystem = 'metric',
): { ok: true; value: PlanFromLines } | { ok: false; problem: string } {
  const said = (m: number, digits = 1) => formatLength(m, units, digits);
  const of = (use: LineUse) => taken.lines.filter((_, i) => uses.lines[i] === use);
  for (const side of ['left', 'right'] as const)
    if (of(side).length === 0)
      return {
        ok: false,
        problem: `No line is the ${side} bank yet: say which, looking down-current.`,
      };
  const frame = frameOf(joined(of('left')), joined(of('right')));
  const left: string[] = [...taken.left];
  const banks = { left: ascending(of('left'), frame), right: ascending(of('right'), frame) };
  const turned = banks.left.dropped + banks.right.dropped;
  if (turned > 0)
    left.push(
      `${turned} places of the banks are left, where the line turns back on itself along the stream.`,
    );
  const from = Math.max(banks.left.line[0]!.xM, banks.right.line[0]!.xM);
  const to = Math.min(banks.left.line.at(-1)!.xM, banks.right.line.at(-1)!.xM);
  if (to - from < LENGTH.min)
    return {
      ok: false,
      problem: `The two banks lie beside each other for ${said(Math.max(0, to - from))}; a beat is ${said(LENGTH.min, 0)} to ${said(LENGTH.max, 0)}.`,
    };
  const lengthM = Math.floor(100 * Math.min(to - from, LENGTH.max)) / 100;
  if (to - from > LENGTH.max)
    left.push(
      `${said(to - from - LENGTH.max, 0)} up-current are left: a beat is ${said(LENGTH.max, 0)} at most.`,
    );
  const moved = ({ xM, yM }: Place): Place => ({ xM: xM - from, yM });
  const lines = {
    left: clipped(banks.left.line.map(moved), lengthM),
    right: clipped(banks.right.line.map(moved), lengthM),
  };
  const [lon, lat] = frame.plane.toLonLat({ xM: from, yM: 0 });
  const features: BeatFeature[] = (['left', 'right'] as const).map((side) => ({
    kind: 'bank',
    side,
    form: 'sloping',
    shape: { type: 'LineString', line: lines[side] },
  }));
  const took = [
    `A beat of ${said(lengthM)}, looking up-current ${frame.bearingDeg.toFixed(0)}° from north.`,
    `Its left bank, ${lines.left.length} places, and its right bank, ${lines.right.length}.`,
  ];
  const isNear = (p: Place) =>
    p.xM > -NEAR_M &&
    p.xM < lengthM + NEAR_M &&
    (between(p, lines) ||
      Math.min(distanceToPolyline(p, lines.left), distanceToPolyline(p, lines.right)) < NEAR_M);
  const put = (at: LonLat) => moved(frame.plane.toPlan(at[0], at[1]));
  for (const log of of('log')) {
    const line = log.at.map(put);
    if (!line.every(isNear)) left.push(`"${log.name}" is left: it lies off the beat.`);
    else
      features.push({
        kind: 'log',
        diameterM: GUESSED.logDiameterM,
        shape: { type: 'LineString', line },
      });
  }
  let guessed = 0;
  let unused = 0;
  const counts = new Map<PointUse, number>();
  taken.points.forEach((p, i) => {
    const use = uses.points[i] ?? 'none';
    if (use === 'none') return void unused++;
    const place = put(p.at);
    if (!isNear(place)) return void left.push(`"${p.name}" is left: it lies off the beat.`);
    if (use === 'sounding' && p.depthM === null)
      return void left.push(`"${p.name}" is left: it says no depth.`);
    const made = pointFeature(use, p, place);
    if (made.guessed) guessed++;
    features.push(made.feature);
    counts.set(use, (counts.get(use) ?? 0) + 1);
  });
  for (const [use, n] of counts) took.push(`${n} ${USE_WORDS[use][n === 1 ? 0 : 1]}.`);
  if (of('log').length > 0)
    took.push(`Logs as ${said(GUESSED.logDiameterM)} thick: the file does not say.`);
  if (guessed > 0) took.push(`${guessed} of them in a usual size: the file does not say theirs.`);
  const asSaid = (n: number, what: string) =>
    left.push(`${n} ${what}${n === 1 ? ' is' : 's are'} left, as you said.`);
  if (unused > 0) asSaid(unused, 'place');
  const lost = taken.lines.filter((_, i) => uses.lines[i] === 'none').length;
  if (lost > 0) asSaid(lost, 'line');
  return {
    ok: true,
    value: {
      plan: {
        version: 1,
        name,
        lengthM,
        slope: 0.01,
        fallTold: false,
        bearingDeg: frame.bearingDeg,
        anchor: { lat, lon },
        levels: [{ name: 'Fair', dischargeM3s: 1, how: 'guessed' }],
        surveyedLevel: 'Fair',
        features,
      },
      took,
      left,
    },
  };
}

/** One and many. */
export const USE_WORDS: Record<PointUse, readonly [string, string]> = {
  boulder: ['stone', 'stones'],
  sounding: ['sounding', 'soundings'],
  tree: ['tree', 'trees'],
  bush: ['bush', 'bushes'],
  snag: ['snag', 'snags'],
  entry: ['entry', 'entries'],
  hazard: ['hazard', 'hazards'],
  none: ['place', 'places'],
};

function pointFeature(
  use: Exclude<PointUse, 'none'>,
  p: TakenPoint,
  place: Place,
): { feature: BeatFeature; guessed: boolean } {
  const shape = { type: 'Point', place } as const;
  const note = (p.told || p.name).slice(0, MOST_NOTE);
  switch (use) {
    case 'boulder': {
      const diameterM = p.diameterM ?? GUESSED.boulder.diameterM;
      const heightM = p.heightM ?? Math.min(GUESSED.boulder.heightM, diameterM);
      return { feature: { kind: use, shape, diameterM, heightM }, guessed: p.diameterM === null };
    }
    case 'sounding':
      return { feature: { kind: use, shape, depthM: p.depthM! }, guessed: false };
    case 'tree':
    case 'bush':
      return {
        feature: { kind: use, shape, heightM: p.heightM ?? GUESSED[use].heightM },
        guessed: p.heightM === null,
      };
    default:
      return { feature: { kind: use, shape, note }, guessed: false };
  }
}

interface Frame {
  plane: ReturnType<typeof createTangentPlane>;
  bearingDeg: number;
}

/** The parts of one bank as one list, each part after the one whose end it is nearest to. */
function joined(lines: readonly TakenLine[]): LonLat[] {
  const rest = lines.map((l) => [...l.at]);
  const out = rest.shift()!;
  const gap = (a: LonLat, b: LonLat) =>
    Math.hypot((a[0] - b[0]) * Math.cos((a[1] * Math.PI) / 180), a[1] - b[1]);
  while (rest.length > 0) {
    const ways = rest.flatMap((part, i) => [
      { i, gap: gap(out.at(-1)!, part[0]!), put: () => out.push(...part) },
      { i, gap: gap(out.at(-1)!, part.at(-1)!), put: () => out.push(...part.toReversed()) },
      { i, gap: gap(out[0]!, part.at(-1)!), put: () => out.unshift(...part) },
      { i, gap: gap(out[0]!, part[0]!), put: () => out.unshift(...part.toReversed()) },
    ]);
    const best = ways.reduce((a, b) => (b.gap < a.gap ? b : a));
    best.put();
    rest.splice(best.i, 1);
  }
  return out;
}

/** x up-current along the chord of the middle: up-current is where the left bank lies right. */
function frameOf(left: LonLat[], right: LonLat[]): Frame {
  const [lon, lat] = left[0]!;
  const plane = createTangentPlane({ lat, lon }, 0);
  const flat = (line: LonLat[]) => line.map((p) => plane.toPlan(p[0], p[1]));
  const l = evenly(flat(left));
  let r = evenly(flat(right));
  const apart = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);
  if (
    apart(l[0]!, r[0]!) + apart(l.at(-1)!, r.at(-1)!) >
    apart(l[0]!, r.at(-1)!) + apart(l.at(-1)!, r[0]!)
  )
    r = r.toReversed();
  const middle = l.map((p, i) => ({ xM: (p.xM + r[i]!.xM) / 2, yM: (p.yM + r[i]!.yM) / 2 }));
  const along = { xM: middle.at(-1)!.xM - middle[0]!.xM, yM: middle.at(-1)!.yM - middle[0]!.yM };
  // Bearing 0: x is north, y west. Positive: the left bank lies left of this way along the middle.
  const side = l.reduce(
    (sum, p, i) => sum + along.xM * (p.yM - r[i]!.yM) - along.yM * (p.xM - r[i]!.xM),
    0,
  );
  const up = side > 0 ? -1 : 1;
  const foot = up > 0 ? middle[0]! : middle.at(-1)!;
  const bearingDeg = (Math.atan2(-up * along.yM, up * along.xM) * 180) / Math.PI;
  const turned = Math.round(10 * ((bearingDeg + 360) % 360)) / 10;
  const [footLon, footLat] = plane.toLonLat(foot);
  return { plane: createTangentPlane({ lat: footLat, lon: footLon }, turned), bearingDeg: turned };
}

/** So many places at even steps along a line. */
function evenly(line: readonly Place[]): Place[] {
  const at = [0];
  for (let i = 1; i < line.length; i++)
    at.push(at[i - 1]! + Math.hypot(line[i]!.xM - line[i - 1]!.xM, line[i]!.yM - line[i - 1]!.yM));
  let i = 1;
  return Array.from({ length: SAMPLES }, (_, n) => {
    const s = (at.at(-1)! * n) / (SAMPLES - 1);
    while (i < line.length - 1 && at[i]! < s) i++;
    const t = Math.min(1, Math.max(0, (s - at[i - 1]!) / (at[i]! - at[i - 1]!)));
    return mixed(line[i - 1]!, line[i]!, t);
  });
}

const mixed = (a: Place, b: Place, t: number): Place => ({
  xM: a.xM + t * (b.xM - a.xM),
  yM: a.yM + t * (b.yM - a.yM),
});

/** A bank in the frame, rising in x; places where it turns back are dropped, and counted. */
function ascending(
  lines: readonly TakenLine[],
  { plane }: Frame,
): { line: Place[]; dropped: number } {
  const all = joined(lines).map((p) => plane.toPlan(p[0], p[1]));
  const run = all[0]!.xM <= all.at(-1)!.xM ? all : all.toReversed();
  const line: Place[] = [];
  for (const p of run) if (line.length === 0 || p.xM > line.at(-1)!.xM) line.push(p);
  return { line, dropped: run.length - line.length };
}

/** From 0 to a length, its ends on the line. */
function clipped(line: readonly Place[], lengthM: number): Place[] {
  const at = (xM: number): Place => {
    const i = Math.max(
      1,
      line.findIndex((p) => p.xM >= xM),
    );
    const [a, b] = [line[i - 1]!, line[i]!];
    return { xM, yM: mixed(a, b, (xM - a.xM) / (b.xM - a.xM)).yM };
  };
  const inner = line.filter((p) => p.xM > 1e-6 && p.xM < lengthM - 1e-6);
  return [at(0), ...inner, at(lengthM)];
}

function between(p: Place, banks: Record<'left' | 'right', Place[]>): boolean {
  const yAt = (line: Place[]) => {
    const i = line.findIndex((q) => q.xM >= p.xM);
    return i <= 0
      ? null
      : mixed(line[i - 1]!, line[i]!, (p.xM - line[i - 1]!.xM) / (line[i]!.xM - line[i - 1]!.xM))
          .yM;
  };
  const [a, b] = [yAt(banks.left), yAt(banks.right)];
  return a !== null && b !== null && p.yM >= Math.min(a, b) && p.yM <= Math.max(a, b);
}
