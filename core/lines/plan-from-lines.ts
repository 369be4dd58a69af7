import type { Place } from '../grid/index';
import { formatLength, type UnitSystem } from '../units/index';
import type { TakenLine, TakenLines, TakenPoint } from './lines-taken';
import { LENGTH, stretchBetween, type Stretch } from './stream-frame';
import type { BeatFeature, BeatPlan } from '../formats/index';

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

/** A stone, tree or bush of which the file says no size. */
const GUESSED = {
  boulder: { diameterM: 0.6, heightM: 0.4 },
  tree: { heightM: 8 },
  bush: { heightM: 2 },
  logDiameterM: 0.3,
} as const;
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
  const stretch = stretchBetween(of('left'), of('right'));
  if ('besideM' in stretch)
    return {
      ok: false,
      problem: `The two banks lie beside each other for ${said(stretch.besideM)}; a beat is ${said(LENGTH.min, 0)} to ${said(LENGTH.max, 0)}.`,
    };
  const { lengthM, bearingDeg, anchor, turned, overM } = stretch;
  const left = [...taken.left];
  if (turned > 0)
    left.push(
      `${turned} places of the banks are left, where the line turns back on itself along the stream.`,
    );
  if (overM > 0)
    left.push(`${said(overM, 0)} up-current are left: a beat is ${said(LENGTH.max, 0)} at most.`);
  const logs = logsOn(stretch, of('log'));
  const on = placesOn(stretch, taken.points, uses.points);
  const unused = [
    asSaid(uses.points.filter((u) => u === 'none').length, 'place'),
    asSaid(uses.lines.filter((u) => u === 'none').length, 'line'),
  ];
  return {
    ok: true,
    value: {
      plan: {
        version: 1,
        name,
        lengthM,
        slope: 0.01,
        fallTold: false,
        bearingDeg,
        anchor,
        levels: [{ name: 'Fair', dischargeM3s: 1, how: 'guessed' }],
        surveyedLevel: 'Fair',
        features: [...banksOf(stretch), ...logs.features, ...on.features],
      },
      took: [
        `A beat of ${said(lengthM)}, looking up-current ${bearingDeg.toFixed(0)}° from north.`,
        `Its left bank, ${stretch.left.length} places, and its right bank, ${stretch.right.length}.`,
        ...on.took,
        ...(logs.features.length > 0
          ? [`Logs as ${said(GUESSED.logDiameterM)} thick: the file does not say.`]
          : []),
      ],
      left: [...left, ...logs.left, ...on.left, ...unused.flat()],
    },
  };
}

/** What was left because the angler said so. */
const asSaid = (n: number, what: string): string[] =>
  n === 0 ? [] : [`${n} ${what}${n === 1 ? ' is' : 's are'} left, as you said.`];

const banksOf = (stretch: Stretch): BeatFeature[] =>
  (['left', 'right'] as const).map((side) => ({
    kind: 'bank',
    side,
    form: 'sloping',
    shape: { type: 'LineString', line: stretch[side] },
  }));

function logsOn(stretch: Stretch, logs: readonly TakenLine[]) {
  const out = { features: [] as BeatFeature[], left: [] as string[] };
  for (const log of logs) {
    const line = log.at.map(stretch.put);
    if (!line.every(stretch.isNear)) out.left.push(`"${log.name}" is left: it lies off the beat.`);
    else
      out.features.push({
        kind: 'log',
        diameterM: GUESSED.logDiameterM,
        shape: { type: 'LineString', line },
      });
  }
  return out;
}

function placesOn(stretch: Stretch, points: readonly TakenPoint[], uses: readonly PointUse[]) {
  const out = { features: [] as BeatFeature[], took: [] as string[], left: [] as string[] };
  const counts = new Map<PointUse, number>();
  let guessed = 0;
  points.forEach((p, i) => {
    const use = uses[i] ?? 'none';
    if (use === 'none') return;
    const place = stretch.put(p.at);
    if (!stretch.isNear(place))
      return void out.left.push(`"${p.name}" is left: it lies off the beat.`);
    if (use === 'sounding' && p.depthM === null)
      return void out.left.push(`"${p.name}" is left: it says no depth.`);
    const made = pointFeature(use, p, place);
    if (made.guessed) guessed++;
    out.features.push(made.feature);
    counts.set(use, (counts.get(use) ?? 0) + 1);
  });
  for (const [use, n] of counts) out.took.push(`${n} ${USE_WORDS[use][n === 1 ? 0 : 1]}.`);
  if (guessed > 0)
    out.took.push(`${guessed} of them in a usual size: the file does not say theirs.`);
  return out;
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
