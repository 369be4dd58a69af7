import type { Place } from '../grid/index';
import { featuresOf, shapePlaces, type FeatureKind } from '../formats/index';
import {
  exposureAt,
  POSTURE,
  POSTURES,
  type Conditions,
  type Posture,
  type Scene,
} from '../sight/index';
import { ALARM, CHANGE_S } from './guesses';
import { gaitOf, heardFrom } from './footfall';
import type { SeenField } from './seen-field';
import { stepSeconds } from './way-search';
import { cellPlace, type WalkGrid } from './walk-grid';

/** Who walks, and in what light. */
export interface Walker {
  angler: { heightM: number };
  conditions: Conditions;
}

/** The worst of a stretch: how likely the fish that sees best is to notice, and where. */
export interface Worst {
  exposure: number;
  fishId: string | null;
  place: Place;
}

/** What a leg goes by: a thing near it, else the bank, the water, or open land. */
export type Along =
  | { kind: Extract<FeatureKind, 'bush' | 'tree' | 'boulder' | 'log' | 'ledge'> }
  | { kind: 'bank'; side: 'left' | 'right' }
  | { kind: 'water' }
  | { kind: 'land'; side: 'left' | 'right' };

export interface StalkLeg {
  posture: Posture;
  wading: boolean;
  places: Place[];
  lengthM: number;
  seconds: number;
  worst: Worst;
  along: Along;
  /** Mostly up-current, down-current, to the water or away from it. */
  toward: 'up' | 'down' | 'water' | 'away';
  /** Why it ends in a lower posture: which fish would see the angler upright from there, and how well. */
  lowerFor: { fishId: string; exposure: number } | null;
}

/** One moment of the way. */
export interface Moment {
  atM: number;
  atS: number;
  place: Place;
  posture: Posture;
  exposure: number;
  fishId: string | null;
}

export interface Walked {
  legs: StalkLeg[];
  moments: Moment[];
  seconds: number;
  lengthM: number;
  wadedM: number;
  deepestM: number;
  /** Integral of what each fish noticed above the threshold, s. */
  doses: number[];
}

/**
 * A way told: each step's exposure is asked of the ray itself, not read from the grid it was searched
 * on. `path`: nodes posture * cells + cell, stages taken off.
 */
export function walk(
  scene: Scene,
  grid: WalkGrid,
  seen: SeenField,
  path: readonly number[],
  input: Walker,
  footfall: number,
): Walked {
  const cells = grid.nx * grid.ny;
  const out: Walked = {
    legs: [],
    moments: [],
    seconds: 0,
    lengthM: 0,
    wadedM: 0,
    deepestM: 0,
    doses: seen.fish.map(() => 0),
  };
  const look = (cell: number, p: number) => lookAt(scene, grid, seen, cell, p, input, footfall);
  let leg: StalkLeg | null = null;
  let last = look(path[0]! % cells, Math.floor(path[0]! / cells));
  keepMoment(out, grid, path[0]! % cells, Math.floor(path[0]! / cells), last.worst);
  for (let n = 1; n < path.length; n++) {
    const p = Math.floor(path[n]! / cells);
    const from = path[n - 1]! % cells;
    const to = path[n]! % cells;
    const here = look(to, p);
    const place = cellPlace(grid, to);
    if (from === to) {
      out.seconds += CHANGE_S;
      for (let f = 0; f < here.noticed.length; f++)
        out.doses[f]! += CHANGE_S * Math.max(here.noticed[f]!, last.noticed[f]!);
      if (leg) leg.lowerFor = lowerFor(scene, grid, seen, to, leg.posture, POSTURES[p]!, input);
      leg = null;
      last = here;
      keepMoment(out, grid, to, p, here.worst);
      continue;
    }
    const wading = grid.wade[to]! > 0;
    if (!leg || leg.wading !== wading) {
      leg = newLeg(POSTURES[p]!, wading, cellPlace(grid, from), last.worst);
      out.legs.push(leg);
    }
    const lengthM = Math.hypot(...between(cellPlace(grid, from), place));
    const seconds = stepSeconds(grid, from, to, p, lengthM);
    leg.places.push(place);
    leg.lengthM += lengthM;
    leg.seconds += seconds;
    if (here.worst.exposure > leg.worst.exposure) leg.worst = here.worst;
    out.seconds += seconds;
    out.lengthM += lengthM;
    if (wading) out.wadedM += lengthM;
    if (wading) out.deepestM = Math.max(out.deepestM, grid.depthM[to]!);
    for (let f = 0; f < here.noticed.length; f++)
      out.doses[f]! += 0.5 * seconds * (here.noticed[f]! + last.noticed[f]!);
    last = here;
    keepMoment(out, grid, to, p, here.worst);
  }
  for (const l of out.legs) describe(scene, l);
  return out;
}

function newLeg(posture: Posture, wading: boolean, from: Place, worst: Worst): StalkLeg {
  return {
    posture,
    wading,
    places: [from],
    lengthM: 0,
    seconds: 0,
    worst: { ...worst },
    along: { kind: 'water' },
    toward: 'up',
    lowerFor: null,
  };
}

function keepMoment(out: Walked, grid: WalkGrid, cell: number, p: number, worst: Worst): void {
  out.moments.push({
    atM: out.lengthM,
    atS: out.seconds,
    place: cellPlace(grid, cell),
    posture: POSTURES[p]!,
    exposure: worst.exposure,
    fishId: worst.fishId,
  });
}

/** What every fish notices of a moving angler here, above the threshold, and the worst of them. */
function lookAt(
  scene: Scene,
  grid: WalkGrid,
  seen: SeenField,
  cell: number,
  p: number,
  input: Walker,
  footfall: number,
): { worst: Worst; noticed: number[] } {
  const place = cellPlace(grid, cell);
  const worst: Worst = { exposure: 0, fishId: null, place };
  const posture = POSTURES[p]!;
  const at = {
    ...place,
    posture,
    heightM: input.angler.heightM,
    motionMps: POSTURE[posture].walkSpeedMps,
  };
  const noticed = seen.fish.map(({ view }, f) => {
    const e = exposureAt(scene, view, at, input.conditions) * (seen.mud?.[f]![cell] ?? 1);
    if (e > worst.exposure) {
      worst.exposure = e;
      worst.fishId = view.fish.id;
    }
    const d = Math.hypot(place.xM - view.fish.xM, place.yM - view.fish.yM);
    const heard = gaitOf(posture) * heardFrom(grid.loud[cell]!, d, view.roughness, footfall);
    return Math.max(0, e + heard - ALARM.threshold);
  });
  return { worst, noticed };
}

/** Which fish makes the angler go lower here: the one that would notice the old posture best. */
function lowerFor(
  scene: Scene,
  grid: WalkGrid,
  seen: SeenField,
  cell: number,
  was: Posture,
  next: Posture,
  input: Walker,
): StalkLeg['lowerFor'] {
  if (POSTURE[next].topShare >= POSTURE[was].topShare) return null;
  const p = POSTURES.indexOf(was);
  const { worst } = lookAt(scene, grid, seen, cell, p, input, 0);
  return worst.fishId === null || worst.exposure < ALARM.threshold
    ? null
    : { fishId: worst.fishId, exposure: worst.exposure };
}

/** A leg goes by a thing that is this near to its middle third, or by the bank, m. */
const BESIDE_M = 2.5;
const THINGS = ['bush', 'tree', 'boulder', 'log', 'ledge'] as const;

function describe(scene: Scene, leg: StalkLeg): void {
  const middle = leg.places[Math.floor(leg.places.length / 2)]!;
  const [first, end] = [leg.places[0]!, leg.places[leg.places.length - 1]!];
  const { channel } = scene.ground;
  const side = channel.across(middle.xM, middle.yM) < 0.5 ? 'left' : 'right';
  const edge = side === 'left' ? channel.leftYM(middle.xM) : channel.rightYM(middle.xM);
  const thing = leg.wading ? null : nearestThing(scene, middle);
  leg.along = leg.wading
    ? { kind: 'water' }
    : thing
      ? { kind: thing }
      : Math.abs(middle.yM - edge) < BESIDE_M
        ? { kind: 'bank', side }
        : { kind: 'land', side };
  const dx = end.xM - first.xM;
  const inward = (end.yM - first.yM) * (side === 'left' ? 1 : -1);
  leg.toward =
    Math.abs(dx) > Math.abs(inward) ? (dx > 0 ? 'up' : 'down') : inward > 0 ? 'water' : 'away';
}

function nearestThing(scene: Scene, at: Place): (typeof THINGS)[number] | null {
  let best: (typeof THINGS)[number] | null = null;
  let nearest = BESIDE_M;
  for (const kind of THINGS) {
    for (const f of featuresOf(scene.plan, kind)) {
      const half = 'crownM' in f ? (f.crownM ?? 2) / 2 : 0;
      for (const p of shapePlaces(f.shape)) {
        const d = Math.hypot(p.xM - at.xM, p.yM - at.yM) - half;
        if (d < nearest) {
          nearest = d;
          best = kind;
        }
      }
    }
  }
  return best;
}

const between = (a: Place, b: Place): [number, number] => [b.xM - a.xM, b.yM - a.yM];
