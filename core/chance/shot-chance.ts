import { clamp, type Place } from '../grid/index';
import { CHANCE } from './constants';
import { withinCovers, type Look, type LookTable } from './look-table';
import { logistic, logit } from './normal';
import { hookedIfTaken, type StrikeKind } from './strike';

/** What of a cast the chance hangs on, once stand, aim and lay are known. Lengths m. */
export interface CastFacts {
  /** Chance that a fish is home at all. */
  home: number;
  /** e^(-dose/tau) of the target alone, on the way. */
  calmWay: number;
  /** How well it sees the still angler at the stand, 0-1, and tau, s. */
  exposure: number;
  tauS: number;
  distanceToFishM: number;
  /** Of the cast: stand to landing, and what this angler lands within half a metre of now. */
  distanceM: number;
  sureM: number;
  crossMps: number;
  /** This angler's own scatter, where a record tells it. */
  scatter?: Scatter | undefined;
  /** How well the fish's place is known. */
  placeM: number;
  cleanS: number;
  lined: number;
  strike: { kind: StrikeKind; tightS: number };
}

/** The factors that multiply to one cover's chance, and what follows. */
export const PARTS = ['home', 'calm', 'seen', 'lands', 'clean', 'lined'] as const;
export type Part = (typeof PARTS)[number];

export interface ShotChance {
  /** Chance of an honest look within three covers if the fish is home: what casts are compared by. */
  value: number;
  /** The same times the chance that it is home: what is told, with its band; of the first cover alone. */
  found: number;
  low: number;
  high: number;
  first: number;
  parts: Record<Part, number>;
  /** The part that costs most. */
  heldBack: Part;
  /** Chance of a hook once it takes, and the seconds to tighten. */
  hooked: number;
  tightS: number;
  /** Each cover: how much of it stays undisturbed, and the look. */
  undisturbed: number;
  look: number;
  sigmaM: number;
  crossMps: number;
  /** Share of casts whose fly drags within reach, and whose splash frightens. */
  drag: number;
  splash: number;
}

/** How an angler's own casts scatter beside what was reckoned, times: to 6 m, from 12 m on, and more in a wind of 5 m/s. */
export interface Scatter {
  near: number;
  far: number;
  wind: number;
}

/** The angler's own scatter over what was reckoned, at a distance, m, in a wind, m/s. */
export function scatterAt(s: Scatter, distanceM: number, windMps: number): number {
  const far = clamp((distanceM - CHANCE.nearM) / (CHANCE.farM - CHANCE.nearM));
  const wind = clamp((windMps - CHANCE.crossFreeMps) / CHANCE.windyByMps);
  return s.near ** (1 - far) * s.far ** far * s.wind ** wind;
}

/** Scatter of the landing place, m, without what is not known of the fish's. */
export function landingSigmaM(
  distanceM: number,
  sureM: number,
  crossMps: number,
  own?: Scatter,
): number {
  const arm = (CHANCE.sigmaAtSureM * distanceM) / Math.max(0.1, sureM);
  const wind =
    (CHANCE.crossSpread * Math.max(0, Math.abs(crossMps) - CHANCE.crossFreeMps) * distanceM) / 10;
  const times = own ? scatterAt(own, distanceM, Math.abs(crossMps)) : 1;
  return Math.max(CHANCE.leastSigmaM, times * Math.hypot(arm, wind));
}

/** Chance that a still angler who casts once is not noticed. */
export function coverCalm(exposure: number, distanceM: number, tauS: number): number {
  const e = Math.min(0.999, exposure);
  const degPerS = ((CHANCE.handMps / Math.max(0.5, distanceM)) * 180) / Math.PI;
  const moving = (1 + 2 * CHANCE.armsShare * Math.min(1, degPerS / 5)) * (e / (1 - e));
  const casting = moving / (1 + moving);
  const still = CHANCE.coverS - CHANCE.armsS;
  const dose =
    CHANCE.armsS * Math.max(0, casting - CHANCE.noticed) + still * Math.max(0, e - CHANCE.noticed);
  return Math.exp(-dose / tauS);
}

interface LinedBy {
  tippetM: number;
  leaderM: number;
}
interface FishWater {
  roughness: number;
}

/** Nearest approach of a straight stretch to a place, m. */
function awayFrom(fish: Place, a: Place, b: Place): number {
  const dx = b.xM - a.xM;
  const dy = b.yM - a.yM;
  const d2 = dx * dx + dy * dy;
  const t = d2 > 0 ? clamp(((fish.xM - a.xM) * dx + (fish.yM - a.yM) * dy) / d2) : 0;
  const ox = fish.xM - a.xM - t * dx;
  const oy = fish.yM - a.yM - t * dy;
  return Math.sqrt(ox * ox + oy * oy);
}

/** From the nearest approach of tippet, leader and line, m; Infinity where there is none of it. */
function linedAt(
  near: readonly [number, number, number],
  sigmaM: number,
  water: FishWater,
): number {
  const s2 = CHANCE.linedM ** 2 + 2 * sigmaM ** 2;
  // Scatter thins it out; broken water hides it.
  const shown = (1 - 0.5 * water.roughness) * (CHANCE.linedM / Math.sqrt(s2));
  const { tippet, leader, line } = CHANCE.lined;
  const spared = (p: number, x: number) => 1 - p * shown * Math.exp(-(x * x) / s2);
  return 1 - spared(tippet, near[0]) * spared(leader, near[1]) * spared(line, near[2]);
}

/** Chance that line, leader or tippet as laid frightens the fish. */
export function linedChance(
  laid: readonly Place[],
  stepM: number,
  rig: LinedBy,
  fish: Place,
  sigmaM: number,
  water: FishWater,
): number {
  const near: [number, number, number] = [Infinity, Infinity, Infinity];
  for (let i = 1; i < laid.length; i++) {
    const at = (i - 0.5) * stepM;
    const part = at < rig.tippetM ? 0 : at < rig.leaderM ? 1 : 2;
    near[part] = Math.min(near[part]!, awayFrom(fish, laid[i - 1]!, laid[i]!));
  }
  return linedAt(near, sigmaM, water);
}

/** The same for a line that lies straight from the fly to the stand. */
export function linedByChord(
  fly: Place,
  stand: Place,
  rig: LinedBy,
  fish: Place,
  sigmaM: number,
  water: FishWater,
): number {
  const d = Math.hypot(stand.xM - fly.xM, stand.yM - fly.yM) || 1;
  const at = (m: number): Place => ({
    xM: fly.xM + ((stand.xM - fly.xM) * Math.min(m, d)) / d,
    yM: fly.yM + ((stand.yM - fly.yM) * Math.min(m, d)) / d,
  });
  const [tippet, leader] = [at(rig.tippetM), at(rig.leaderM)];
  return linedAt(
    [
      awayFrom(fish, fly, tippet),
      rig.tippetM < d ? awayFrom(fish, tippet, leader) : Infinity,
      rig.leaderM < d ? awayFrom(fish, leader, stand) : Infinity,
    ],
    sigmaM,
    water,
  );
}

/** So long a drift asks nothing of the line: what the landing alone allows, s. */
const FREE_S = 8;

/** The chance of an honest look from one cast, by the table of its aim. */
export function shotChance(table: LookTable, f: CastFacts): ShotChance {
  const sigmaM = landingSigmaM(f.distanceM, f.sureM, f.crossMps, f.scatter);
  const blurM = Math.hypot(sigmaM, f.placeM);
  return chanceOf(table.at(f.cleanS, blurM), table.at(FREE_S, blurM).presented, sigmaM, f);
}

/** The same from a look that was simulated or looked up elsewhere; `landsBest`: with an endless drift. */
export function chanceOf(look: Look, landsBest: number, sigmaM: number, f: CastFacts): ShotChance {
  return chanceAt(coverChance(look, landsBest, sigmaM, f), f.home, f.calmWay);
}

/**
 * One cover over a calm fish that is home: all that of a chance hangs on the cast alone. Plain data: it
 * travels with what was worked out, and is made whole where the fish and the way to it are known.
 */
export interface CoverChance {
  /** One cover's look, and how much of the fish's peace a cover leaves, 0-1. */
  look: number;
  undisturbed: number;
  seen: number;
  lands: number;
  clean: number;
  lined: number;
  hooked: number;
  /** Seconds to tighten; null: the line never comes tight. */
  tightS: number | null;
  sigmaM: number;
  crossMps: number;
  drag: number;
  splash: number;
}

function coverChance(look: Look, landsBest: number, sigmaM: number, f: CastFacts): CoverChance {
  const calm = coverCalm(f.exposure, f.distanceToFishM, f.tauS);
  const presented = Math.min(look.presented, landsBest);
  const [seen, lined] = [Math.sqrt(calm), 1 - f.lined];
  return {
    look: presented * lined * seen,
    undisturbed: calm * (1 - f.lined) * (1 - look.splash) * (1 - CHANCE.dragged * look.drag),
    seen,
    lands: landsBest,
    clean: landsBest > 0 ? presented / landsBest : 0,
    lined,
    hooked: hookedIfTaken(f.strike.tightS, f.strike.kind),
    tightS: Number.isFinite(f.strike.tightS) ? f.strike.tightS : null,
    sigmaM,
    crossMps: f.crossMps,
    drag: look.drag,
    splash: look.splash,
  };
}

/** The cast's own share of a chance. */
export const coverOf = ({ parts, ...c }: ShotChance): CoverChance => ({
  look: c.look,
  undisturbed: c.undisturbed,
  seen: parts.seen,
  lands: parts.lands,
  clean: parts.clean,
  lined: parts.lined,
  hooked: c.hooked,
  tightS: Number.isFinite(c.tightS) ? c.tightS : null,
  sigmaM: c.sigmaM,
  crossMps: c.crossMps,
  drag: c.drag,
  splash: c.splash,
});

/** The whole chance of a cast: `home` that a fish is there, `calmWay` that the way to the stand left it calm. */
export function chanceAt(c: CoverChance, home: number, calmWay: number): ShotChance {
  const { look, undisturbed, seen, lands, clean, lined, tightS, ...rest } = c;
  const parts: ShotChance['parts'] = { home, calm: calmWay, seen, lands, clean, lined };
  const scale = CHANCE.leftOut * calmWay;
  const value = scale * withinCovers(look, undisturbed, CHANCE.covers);
  const found = home * value;
  return {
    ...rest,
    look,
    undisturbed,
    tightS: tightS ?? Infinity,
    value,
    found,
    ...bandOf(found),
    first: home * scale * look,
    parts,
    heldBack: PARTS.reduce((a, b) => (parts[b] < parts[a] ? b : a)),
  };
}

/** The band of a chance: what its guesses leave open until a log narrows it. */
export function bandOf(value: number): { low: number; high: number } {
  if (value <= 0 || value >= 1) return { low: value, high: value };
  return {
    low: logistic(logit(value) + CHANCE.band.low),
    high: logistic(logit(value) + CHANCE.band.high),
  };
}

/** What one cover more brings after so many: the growth of the chance of a look. */
export const nextCover = (c: Pick<ShotChance, 'look' | 'undisturbed'>, done: number): number =>
  withinCovers(c.look, c.undisturbed, done + 1) - withinCovers(c.look, c.undisturbed, done);
