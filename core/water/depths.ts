import { featuresOf } from '../formats/index';
import type { Channel } from './channel';

/** A sounding bends the depths taken from sections within this reach, along and across the stream, m. */
const SOUNDING_ALONG_M = 1.6;
const SOUNDING_ACROSS_M = 0.8;
/**
 * Soundings are met by passes of ever shorter reach, each correcting what the one before left
 * (successive correction, Barnes 1964): one broad pass smears a shelf's edge.
 */
const PASSES = [1, 0.6, 0.35];
/** Weight of a station of a tape against a sounding beside it, which was put there for a reason. */
const STATION_WEIGHT = 0.15;
/** Weight of "no correction" against soundings far away. */
const BACKGROUND_WEIGHT = 0.08;
/** At a cut or undercut bank the depth nearest to it, if this near, is carried to the bank. */
const CUT_CARRY_M = 0.6;

interface Profile {
  n: number[];
  x: number[];
  depth: number[];
}

export interface SurveyedDepths {
  depthM(xM: number, yM: number): number;
  /** Every depth that was taken, in the plan. */
  taken: { xM: number; yM: number; depthM: number }[];
}

/**
 * Depth at the surveyed level from taped sections and soundings. Between two sections depth is
 * linear along the stream at the same share of the width, broken at ledges; soundings then correct that locally
 * (normalised Gaussian weights). Banks are zero depth, but for cut banks, which keep the depth
 * taken beside them. Throws RangeError when nothing was taken.
 */
export function surveyedDepths(channel: Channel): SurveyedDepths {
  const { plan } = channel;
  const taken: SurveyedDepths['taken'] = [];
  const profiles: Profile[] = [];
  for (const section of featuresOf(plan, 'section')) {
    if (section.shape.type !== 'LineString') continue;
    const places = section.stations.map((s) => ({
      ...alongLine((section.shape as LineShape).line, s.offsetM),
      depthM: s.depthM,
    }));
    taken.push(...places);
    profiles.push(profileOf(channel, places));
  }
  const soundings = featuresOf(plan, 'sounding').flatMap((s) =>
    s.shape.type === 'Point' ? [{ ...s.shape.place, depthM: s.depthM }] : [],
  );
  taken.push(...soundings);
  if (taken.length === 0)
    throw new RangeError('surveyedDepths: the beat has no section and no sounding');
  profiles.sort((a, b) => a.x[0]! - b.x[0]!);
  const mean = taken.reduce((sum, t) => sum + t.depthM, 0) / taken.length;
  const fromSections = (xM: number, yM: number, n: number) =>
    profiles.length > 0
      ? blend(profiles, xM, n, (from, to) => channel.ledgeBetween(from, to, yM))
      : mean * 1.3 * (1 - Math.abs(2 * n - 1) ** 3);
  // Taped places near a sounding hold what was taped there.
  const taped = taken
    .slice(0, taken.length - soundings.length)
    .filter((t) =>
      soundings.some(
        (s) =>
          Math.abs(s.xM - t.xM) < 3 * SOUNDING_ALONG_M &&
          Math.abs(s.yM - t.yM) < 3 * SOUNDING_ACROSS_M,
      ),
    );
  const near = [...taped, ...soundings];
  const stations = taped.length;
  const passes: { reach: number; r: number[] }[] = [];
  const corrected = (xM: number, yM: number, n: number) =>
    passes.reduce((depth, p) => depth + correction(p, xM, yM), fromSections(xM, yM, n));
  const correction = ({ reach, r }: (typeof passes)[number], xM: number, yM: number) => {
    let weight = BACKGROUND_WEIGHT;
    let sum = 0;
    near.forEach((s, i) => {
      const dx = (xM - s.xM) / (reach * SOUNDING_ALONG_M);
      const dy = (yM - s.yM) / (reach * SOUNDING_ACROSS_M);
      const w = (i < stations ? STATION_WEIGHT : 1) * Math.exp(-dx * dx - dy * dy);
      weight += w;
      sum += w * r[i]!;
    });
    return sum / weight;
  };
  for (const reach of PASSES) {
    const r = near.map((s) => s.depthM - corrected(s.xM, s.yM, channel.across(s.xM, s.yM)));
    passes.push({ reach, r });
  }
  return {
    taken,
    depthM(xM, yM) {
      const n = channel.across(xM, yM);
      if (n <= 0 || n >= 1) return 0;
      return Math.max(0, corrected(xM, yM, n));
    },
  };
}

type LineShape = { type: 'LineString'; line: { xM: number; yM: number }[] };

/** The place `offsetM` along a line from its first point; beyond the end, on its last stretch. */
export function alongLine(
  line: readonly { xM: number; yM: number }[],
  offsetM: number,
): { xM: number; yM: number } {
  let left = offsetM;
  for (let i = 0; i + 1 < line.length; i++) {
    const a = line[i]!;
    const b = line[i + 1]!;
    const length = Math.hypot(b.xM - a.xM, b.yM - a.yM);
    if (left <= length || i + 2 === line.length) {
      const t = length === 0 ? 0 : left / length;
      return { xM: a.xM + t * (b.xM - a.xM), yM: a.yM + t * (b.yM - a.yM) };
    }
    left -= length;
  }
  return line[0]!;
}

function profileOf(
  channel: Channel,
  places: { xM: number; yM: number; depthM: number }[],
): Profile {
  const points = places
    .map((p) => ({ n: channel.across(p.xM, p.yM), x: p.xM, depth: p.depthM }))
    .sort((a, b) => a.n - b.n);
  const first = points[0]!;
  const last = points[points.length - 1]!;
  const carry = (x: number, side: 'left' | 'right', gap: number, depth: number) =>
    channel.bankAt(x, side).form !== 'sloping' && gap < CUT_CARRY_M ? depth : 0;
  const width = channel.rightYM(first.x) - channel.leftYM(first.x);
  if (first.n > 1e-6)
    points.unshift({
      n: 0,
      x: first.x,
      depth: carry(first.x, 'left', first.n * width, first.depth),
    });
  if (last.n < 1 - 1e-6)
    points.push({
      n: 1,
      x: last.x,
      depth: carry(last.x, 'right', (1 - last.n) * width, last.depth),
    });
  return {
    n: points.map((p) => p.n),
    x: points.map((p) => p.x),
    depth: points.map((p) => p.depth),
  };
}

function readAt(profile: Profile, n: number, key: 'x' | 'depth'): number {
  const { n: ns } = profile;
  const values = profile[key];
  const last = ns.length - 1;
  if (n <= ns[0]!) return values[0]!;
  if (n >= ns[last]!) return values[last]!;
  let k = 0;
  while (ns[k + 1]! < n) k++;
  const t = (n - ns[k]!) / Math.max(1e-9, ns[k + 1]! - ns[k]!);
  return values[k]! + t * (values[k + 1]! - values[k]!);
}

/**
 * Linear along the stream between the profile below and the one above, at the same share of the
 * width. A ledge between is a break: each side keeps to its own profile.
 */
function blend(
  profiles: Profile[],
  xM: number,
  n: number,
  ledgeBetween: (fromX: number, toX: number) => boolean,
): number {
  let before: Profile | null = null;
  let xBefore = -Infinity;
  for (const profile of profiles) {
    const x = readAt(profile, n, 'x');
    if (x >= xM) {
      if (!before || ledgeBetween(xBefore, xM)) return readAt(profile, n, 'depth');
      if (ledgeBetween(xM, x)) return readAt(before, n, 'depth');
      const t = (xM - xBefore) / Math.max(1e-9, x - xBefore);
      return (1 - t) * readAt(before, n, 'depth') + t * readAt(profile, n, 'depth');
    }
    before = profile;
    xBefore = x;
  }
  return readAt(before!, n, 'depth');
}
