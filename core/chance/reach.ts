import {
  fastestFeedingMps,
  reactionDistanceCm,
  TOTAL_PER_FORK,
  turbidityFactor,
} from '../fish/index';
import { clamp, type Place } from '../grid/index';
import type { FlyKind } from '../rig/index';
import type { Fish } from '../sight/index';
import { sampleSurface, surfaceCurrent, type FlowField } from '../water/index';
import { CHANCE } from './constants';
import { normalCdf } from './normal';

/** The water that a fish takes a fly in, and how long it needs one there. Lengths m. */
export interface Reach {
  fish: Pick<Fish, 'xM' | 'yM' | 'headingRad'>;
  aheadM: number;
  asideM: number;
  behindM: number;
  /** Where water is slow the fly may come in from any side, else from ahead. */
  anySide: boolean;
  /** Seconds from when the fly comes within reach until the fish can have it; fish differ. */
  needS: number;
  /** Surface pace where it lies, m/s. */
  paceMps: number;
  /** Chance that a fly on its nose frightens it. */
  splash: number;
}

export interface ReachOptions {
  fly: FlyKind;
  landingDraws?: boolean;
  waterTempC?: number;
  turbidityNtu?: number;
  /** All that falls on the water at the end of the cast, mg; left out: as the usual dry. */
  landsMg?: number;
}

const USUAL_TEMP_C = 11;

/**
 * Ahead: the reaction distance RD = 12 PL (1 - e^(-.2 FL)) (Hughes & Dill 1990) less the depth;
 * aside: sqrt(RD^2 (1 - (V/Vmax)^2) - z^2), the rating's own relation; behind: as a riser drops
 * back. Half an ellipse ahead, a strip behind.
 */
export function reachOf(flow: FlowField, fish: Fish, options: ReachOptions): Reach {
  const s = sampleSurface(surfaceCurrent(flow), fish.xM, fish.yM, { depthM: 0, u: 0, v: 0 });
  const paceMps = Math.hypot(s.u, s.v);
  const fork = fish.totalLengthCm / TOTAL_PER_FORK;
  const z = fish.fishDepthM;
  const sees = turbidityFactor(options.turbidityNtu ?? 0);
  const seenM = (sees * reactionDistanceCm(CHANCE.flyMm[options.fly], fork)) / 100;
  const vmax = fastestFeedingMps(fork, options.waterTempC ?? USUAL_TEMP_C);
  const left = (share: number) => Math.sqrt(Math.max(0, seenM * seenM * share - z * z));
  const aheadM = Math.max(CHANCE.leastAheadM, left(1));
  const asideM = clamp(
    left(Math.max(0, 1 - (paceMps / vmax) ** 2)),
    CHANCE.leastAsideM,
    CHANCE.mostAsideM,
  );
  const dropsBack =
    (CHANCE.dropBackShare * paceMps * z) / CHANCE.riseMps + (2 * fish.totalLengthCm) / 100;
  const slow = Math.min(1, paceMps / CHANCE.slowMps);
  const behindM = Math.max(
    dropsBack * slow,
    paceMps < CHANCE.slowMps ? aheadM * (1 - slow) : 0,
    CHANCE.leastBehindM,
  );
  return {
    fish: { xM: fish.xM, yM: fish.yM, headingRad: fish.headingRad },
    aheadM,
    asideM,
    behindM,
    anySide: paceMps < CHANCE.slowMps,
    needS: z / CHANCE.riseMps + CHANCE.decideS,
    paceMps,
    splash: options.landingDraws ? 0 : splashOf(options.landsMg ?? CHANCE.splashMg),
  };
}

/**
 * Chance that what falls on its nose frightens a fish: that of the usual dry, times the fourth root of
 * the mass over the dry's, as rings from a drop grow with its energy (our guess; never measured).
 */
export function splashOf(massMg: number): number {
  const [least, most] = CHANCE.splashRange;
  return clamp(CHANCE.splash * (massMg / CHANCE.splashMg) ** CHANCE.splashPower, least, most);
}

/** 0 outside; 1 within, behind the fish; 2 within, ahead of it. */
export function zoneOf(r: Reach, xM: number, yM: number): 0 | 1 | 2 {
  const dx = xM - r.fish.xM;
  const dy = yM - r.fish.yM;
  const cos = Math.cos(r.fish.headingRad);
  const sin = Math.sin(r.fish.headingRad);
  const ahead = dx * cos + dy * sin;
  const aside = Math.abs(-dx * sin + dy * cos);
  if (aside > r.asideM) return 0;
  if (ahead >= 0) return (ahead / r.aheadM) ** 2 + (aside / r.asideM) ** 2 <= 1 ? 2 : 0;
  return ahead >= -r.behindM ? 1 : 0;
}

export const isWithin = (r: Reach, p: Place): boolean => zoneOf(r, p.xM, p.yM) > 0;

/** Of the fish that a natural fly satisfies here, the share that a dwell of `dwellS` satisfies too. */
export function satisfied(r: Reach, dwellS: number, naturalS: number): number {
  if (dwellS < CHANCE.leastDwellS || naturalS < CHANCE.leastDwellS) return 0;
  const share = (s: number) => normalCdf(Math.log(s / r.needS) / CHANCE.needSpread);
  return Math.min(1, share(dwellS) / share(naturalS));
}
