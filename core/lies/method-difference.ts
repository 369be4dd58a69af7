import { territoryM2 } from '../fish/index';
import type { BeatPlan } from '../formats/index';
import type { FlowField } from '../water/index';
import { fishDay, type FishOptions } from './fish-day';
import { kindAt, type LieKind } from './kinds';
import { pulls, shelterBy, type Method, type WeighedName } from './methods';
import { createPlaceNeeds, placeNeedsInto } from './needs';
import { needsField, ratingField } from './needs-field';
import { choosePeaks } from './peaks';
import { withAltitude } from './rate-lies';
import { waterForFish } from './water-for-fish';

/** A place where two methods part. Ratings 0-100. */
export interface Parting {
  xM: number;
  yM: number;
  kind: LieKind;
  /** Whose list holds it: the other's has nothing within a territory. */
  chosenBy: Method;
  ratings: Record<'own' | 'other', number>;
  /** What the other method asks more of than this one, and how much of it there is here. */
  because: WeighedName;
  value: number;
}

export interface MethodDifference {
  /** How many of the ten best of the first lie within a territory of one of the other's ten best. */
  shared: number;
  of: number;
  partings: Parting[];
}

const BEST = 10;

/**
 * Where two methods' ten best lies part, and why. Both weigh the same needs, so most are shared:
 * what is worth seeing is the few that are not.
 */
export function methodDifference(
  plan: BeatPlan,
  flow: FlowField,
  options: FishOptions,
  a: Method,
  b: Method,
): MethodDifference {
  const water = waterForFish(plan, flow);
  // Shelter within reach is reckoned only for who asks.
  const method = a === 'thin-seams' || b === 'thin-seams' ? 'thin-seams' : a;
  const day = fishDay(water, { ...withAltitude(plan, options), method });
  const needs = needsField(water, day);
  const fields = { a: ratingField(water, needs, a), b: ratingField(water, needs, b) };
  const best = (field: Float64Array) =>
    choosePeaks(water, day, field)
      .sort((p, q) => field[q]! - field[p]!)
      .slice(0, BEST);
  const mine = best(fields.a);
  const theirs = best(fields.b);
  const radius = Math.sqrt(territoryM2(day.base.body.forkLengthCm));
  const at = (k: number) => ({
    xM: flow.x0M + (k % flow.nx) * flow.cellM,
    yM: flow.y0M + Math.floor(k / flow.nx) * flow.cellM,
  });
  const near = (k: number, list: number[]) =>
    list.some((o) => Math.hypot(at(k).xM - at(o).xM, at(k).yM - at(o).yM) < radius);
  const place = createPlaceNeeds();
  const parting = (k: number, own: Method, other: Method, swap: boolean): Parting => {
    const n = placeNeedsInto(water, day, k, place);
    const asksOwn = pulls(n, own);
    const asksOther = pulls(n, other);
    const names = Object.keys(asksOwn) as WeighedName[];
    const because = names.sort(
      (p, q) => asksOther[q] - asksOwn[q] - (asksOther[p] - asksOwn[p]),
    )[0]!;
    const ratings = {
      own: (swap ? fields.b : fields.a)[k]!,
      other: (swap ? fields.a : fields.b)[k]!,
    };
    return {
      ...at(k),
      kind: kindAt(plan, water, k),
      chosenBy: own,
      ratings: { own: 100 * ratings.own, other: 100 * ratings.other },
      because,
      value: because === 'shelter' ? shelterBy(n, own) : n[because],
    };
  };
  return {
    shared: mine.filter((k) => near(k, theirs)).length,
    of: mine.length,
    partings: [
      ...mine.filter((k) => !near(k, theirs)).map((k) => parting(k, a, b, false)),
      ...theirs.filter((k) => !near(k, mine)).map((k) => parting(k, b, a, true)),
    ],
  };
}
