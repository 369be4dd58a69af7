import { clamp, lerp, type Place } from '../grid/index';
import { CHANCE } from './constants';
import { dragsWithin, placeIn, shareAt, type FreeMap } from './free-map';
import { normalQuantile } from './normal';

/** What a cast to one place comes to, by its clean seconds and by how it scatters. */
export interface Look {
  /** Share of casts that present the fly. */
  presented: number;
  /** Share of casts whose fly drags before it has left the reach. */
  drag: number;
  /** Mean chance that the splash frightens. */
  splash: number;
}

export interface LookTable {
  aim: Place;
  at(cleanS: number, sigmaM: number): Look;
}

const SECONDS = [0, 0.2, 0.4, 0.6, 0.8, 1, 1.3, 1.7, 2.2, 2.8, 3.5, 4.5, 5.5, 7, 8];
const SIGMAS_M = [0.08, 0.14, 0.2, 0.28, 0.36, 0.46, 0.6, 0.8, 1.1];

/** Landing places as a share of sigma: rings of equal share, turned so that they do not line up. */
const RINGS = 6;
const ROUND = 10;
const LANDINGS = Array.from({ length: RINGS * ROUND }, (_, n) => {
  const ring = Math.floor(n / ROUND);
  const r = Math.sqrt(-2 * Math.log(1 - (ring + 0.5) / RINGS));
  const angle = (2 * Math.PI * ((n % ROUND) + 0.5 * (ring % 2))) / ROUND;
  return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
});
/** Clean seconds over their best guess: equal shares of a log-normal. */
const CLEAN = [0.1, 0.3, 0.5, 0.7, 0.9].map((share) =>
  Math.exp(CHANCE.cleanSpread * normalQuantile(share)),
);

/** The look from one aim, exactly: the mean over landing places and clean seconds. */
export function lookAt(map: FreeMap, aim: Place, cleanS: number, sigmaM: number): Look {
  let presented = 0;
  let drag = 0;
  let splash = 0;
  for (const l of LANDINGS) {
    const xM = aim.xM + sigmaM * l.x;
    const yM = aim.yM + sigmaM * l.y;
    const off = Math.hypot(xM - map.reach.fish.xM, yM - map.reach.fish.yM);
    const frightens = map.reach.splash * Math.exp(-((off / CHANCE.splashM) ** 2));
    splash += frightens;
    const k = placeIn(map, xM, yM);
    if (k < 0) continue;
    for (const times of CLEAN) {
      const seconds = cleanS * times;
      presented += (shareAt(map, k, seconds) * (1 - frightens)) / CLEAN.length;
      if (dragsWithin(map, k, seconds)) drag += 1 / CLEAN.length;
    }
  }
  const n = LANDINGS.length;
  return { presented: presented / n, drag: drag / n, splash: splash / n };
}

/** The same by look-up: filled once, read for every stand and lay. */
export function lookTable(map: FreeMap, aim: Place): LookTable {
  const columns = SIGMAS_M.map((sigma) => SECONDS.map((s) => lookAt(map, aim, s, sigma)));
  return {
    aim,
    at(cleanS, sigmaM) {
      const [i, ti] = between(SIGMAS_M, sigmaM);
      const [j, tj] = between(SECONDS, cleanS);
      const read = (key: keyof Look) =>
        lerp(
          lerp(columns[i]![j]![key], columns[i]![j + 1]![key], tj),
          lerp(columns[i + 1]![j]![key], columns[i + 1]![j + 1]![key], tj),
          ti,
        );
      return { presented: read('presented'), drag: read('drag'), splash: read('splash') };
    },
  };
}

function between(list: readonly number[], value: number): [number, number] {
  let i = 0;
  while (i < list.length - 2 && list[i + 1]! <= value) i++;
  return [i, clamp((value - list[i]!) / (list[i + 1]! - list[i]!))];
}

/** Aims are looked for on this grid, m, for these clean seconds, none within this of another. */
const AIM_STEP = 2;
const AIM_SECONDS = [1, 2, 5];
const AIMS_APART_M = 0.3;
const MOST_AIMS = 3;
const LEAD_APART_M = 0.45;

/**
 * Where to land the fly: for a short, a middling and a long drift the place with the greatest chance
 * of a look within three covers, the splash taken as what puts down; the old lead where it lies well
 * away from those.
 */
export function aimsFor(map: FreeMap, sigmaM: number, lead: Place | null): Place[] {
  const out: Place[] = [];
  const apart = (p: Place, m: number) =>
    out.every((o) => Math.hypot(o.xM - p.xM, o.yM - p.yM) >= m);
  for (const cleanS of AIM_SECONDS) {
    let best: Place | null = null;
    let most = 0.02;
    for (let j = 0; j < map.ny; j += AIM_STEP) {
      for (let i = 0; i < map.nx; i += AIM_STEP) {
        if (!map.wet[j * map.nx + i]) continue;
        const p = { xM: map.x0M + i * 0.1, yM: map.y0M + j * 0.1 };
        if (!apart(p, AIMS_APART_M)) continue;
        const look = lookAt(map, p, cleanS, sigmaM);
        const value = withinCovers(look.presented, 1 - look.splash, CHANCE.covers);
        if (value > most) [best, most] = [p, value];
      }
    }
    if (best) out.push(best);
  }
  if (lead && out.length < MOST_AIMS && apart(lead, LEAD_APART_M)) out.push(lead);
  return out.length > 0 ? out : lead ? [lead] : [];
}

/** Chance of a look within n covers: what casts share makes the later ones less new. */
export function withinCovers(look: number, undisturbed: number, covers: number): number {
  let none = 1;
  let still = 1;
  let sum = 0;
  for (let k = 1; k <= covers; k++) {
    const own = k === 1 ? look : look * (1 - CHANCE.shared);
    sum += none * still * own;
    none *= 1 - own;
    still *= undisturbed;
  }
  return sum;
}
