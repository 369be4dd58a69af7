import { MATERIALS, surfaceFactor } from '../water/index';
import {
  foldTry,
  hadFly,
  isOver,
  lookOfTry,
  standing,
  type KeptRead,
  type PatternPrior,
  type PlaceWater,
  type Try,
} from '../log/index';
import {
  afterDone,
  alongStream,
  metresBetween,
  nextLieCovers,
  ownConversion,
  paysNow,
  placeLies,
  placeWorth,
  PLACE,
  todaysPattern,
  type Along,
  type DayLook,
  type PaceBy,
  type PlaceAhead,
  type PlaceDone,
  type PlaceLies,
  type TodaysPattern,
} from '../places/index';

/** A read that was told as a place. */
export type PlaceRead = KeptRead & { place: NonNullable<KeptRead['place']> };
export const isPlace = (r: KeptRead): r is PlaceRead => r.place != null;

/** What water a read describes, before anybody says so. */
export function waterOfRead({ answers, result }: Pick<KeptRead, 'answers' | 'result'>): PlaceWater {
  const { depthM, surfacePaceMps: pace } = answers;
  if (result.kind === 'undercut') return 'undercut';
  if (result.kind === 'pocket' || result.kind === 'cushion') return 'pocket';
  if (pace < SLOW_MPS) return depthM > POOL_M ? 'pool' : 'glide';
  return depthM < SHALLOW_M && pace > QUICK_MPS ? 'riffle' : 'run';
}
const SLOW_MPS = 0.3;
const QUICK_MPS = 0.5;
const POOL_M = 0.9;
const SHALLOW_M = 0.45;

/** Mean pace of the water a read describes, m/s. */
export const meanSpeedOfRead = ({ answers: a }: Pick<KeptRead, 'answers'>): number =>
  a.surfacePaceMps / surfaceFactor(a.depthM, MATERIALS[a.bottom].d84M);

export interface PlanNow {
  nowMs: number;
  waterTempC: number | null;
  /** Metres of water still to come, and until when; null: not said. */
  waterLeftM: number | null;
  untilMs: number | null;
  /** Where fish were found in such a season before. */
  pattern?: PatternPrior | undefined;
}

export interface PlannedPlace {
  read: PlaceRead;
  along: Along;
  lies: PlaceLies;
  done: PlaceDone;
  /** Lies that are left. */
  left: number;
  /** Covers at the next lie; 0: walk on. */
  covers: number;
  /** What it comes to from here: takes, and seconds. */
  takes: number;
  seconds: number;
  /** Over the mean of what was looked at; null: no pattern yet. */
  fit: number | null;
}

export interface PlacePlan {
  /** In order along the stream; the newest is where one stands. */
  places: PlannedPlace[];
  here: PlannedPlace | null;
  lambda: number;
  by: PaceBy;
  pattern: TodaysPattern | null;
  /** Places ahead that are known from earlier days, nearest first. */
  ahead: { read: PlaceRead; aheadM: number; fit: number | null }[];
}

/** What was looked at and found, of places and beats alike. */
export function looksOf(
  tries: readonly Try[],
  reads: readonly KeptRead[],
  earlier = false,
): DayLook[] {
  return tries.flatMap((t) => {
    const read = reads.find((r) => r.id === t.readId);
    const look = lookOfTry(
      t,
      read && { depthM: read.answers.depthM, meanSpeedMps: meanSpeedOfRead(read) },
    );
    return look ? [{ ...look, ...(earlier && { earlier }) }] : [];
  });
}

/** What was done at one place: covers of each lie without an answer, and takes. */
export function doneAt(tries: readonly Try[]): PlaceDone & { worked: number } {
  const blanks: number[] = [];
  let takes = 0;
  let worked = 0;
  for (const t of tries) {
    const fold = foldTry(t.fly, t.events);
    const took = standing(t).some(({ means }) => hadFly(means));
    if (took) takes++;
    else if (fold.casts > 0) blanks.push(fold.casts);
    if (isOver(fold.state)) worked++;
  }
  return { blanks, takes, worked };
}

/** Own success in each kind of water over what reads promised, from every try at a place; 1 where none was worked. */
export function ownFactors(
  tries: readonly Try[],
  reads: readonly KeptRead[],
): Partial<Record<PlaceWater, number>> {
  const sums: Partial<Record<PlaceWater, { lies: number; took: number; promised: number }>> = {};
  for (const t of tries) {
    const read = reads.find((r) => r.id === t.readId);
    const { blanks, takes } = doneAt([t]);
    if (!read || blanks.length + takes === 0) continue;
    const water = read.place?.water ?? waterOfRead(read);
    const lies = placeLies({
      water,
      count: 1,
      rating: read.result.rating,
      waterTempC: t.snapshot.water.tempC,
    });
    const casts = foldTry(t.fly, t.events).casts;
    const sum = (sums[water] ??= { lies: 0, took: 0, promised: 0 });
    sum.lies++;
    sum.took += takes;
    sum.promised += lies.p * (1 - (1 - lies.answers) ** casts);
  }
  const worked = Object.fromEntries(
    Object.entries(sums).map(([water, k]) => [water, { ...k, promised: k.promised / k.lies }]),
  );
  return Object.fromEntries(
    Object.entries(ownConversion(worked)).map(([water, rate]) => [water, rate.factor]),
  );
}

/** Places of one stream on this outing: what each is worth now, how fast to go, and what today's fish have said. */
export function placePlan(
  today: readonly PlaceRead[],
  tries: readonly Try[],
  reads: readonly KeptRead[],
  earlierDays: readonly (readonly PlaceRead[])[],
  earlierTries: readonly Try[],
  now: PlanNow,
): PlacePlan {
  // Earlier days are in the season's own pattern already, where the record tells one.
  const before = now.pattern ? [] : looksOf(earlierTries, reads, true);
  const pattern = todaysPattern([...looksOf(tries, reads), ...before], now.pattern);
  const fitOf = (r: PlaceRead) =>
    pattern ? pattern.fit(r.answers.depthM, meanSpeedOfRead(r)) : null;
  const own = ownFactors([...earlierTries, ...tries], reads);
  const liesOf = (r: PlaceRead): PlaceLies => {
    const fit = fitOf(r);
    const ownFactor = own[r.place.water];
    return placeLies({
      water: r.place.water,
      count: r.place.count,
      rating: r.result.rating,
      waterTempC: now.waterTempC,
      ...(fit !== null && { fit }),
      ...(ownFactor !== undefined && { ownFactor }),
    });
  };
  const line = alongStream(today.map((r) => ({ id: r.id, takenMs: r.takenMs, at: r.place.at })));
  const seen: PlaceAhead[] = line.map((along, i) => ({
    lies: liesOf(today.find((r) => r.id === along.id)!),
    apartM: i === 0 ? PLACE.apartM : Math.max(5, along.best - line[i - 1]!.best),
  }));
  // The first places of a day say little of the water to come: some usual ones stand beside them.
  const mix = seen.length > 0 ? [...usualPlaces(now.waterTempC), ...seen] : [];
  const timeS = now.untilMs === null ? null : Math.max(0, (now.untilMs - now.nowMs) / 1000);
  const { lambda, by } =
    mix.length > 0
      ? paysNow(mix, now.waterLeftM, timeS)
      : ({ lambda: PLACE.leastLambda, by: 'rate' } as const);
  const places = line.map((along): PlannedPlace => {
    const read = today.find((r) => r.id === along.id)!;
    const lies = liesOf(read);
    const done = doneAt(tries.filter((t) => t.readId === read.id));
    const left = Math.max(0, lies.count - done.worked);
    const later = { ...lies, p: afterDone(lies, done), count: left };
    const begun = done.worked > 0 || done.blanks.length > 0 || done.takes > 0;
    const worth = placeWorth(later, lambda);
    const covers = left === 0 ? 0 : begun ? nextLieCovers(later, lambda) : worth.covers;
    return {
      read,
      along,
      lies: later,
      done,
      left,
      covers,
      takes: worth.takes,
      seconds: worth.seconds,
      fit: fitOf(read),
    };
  });
  const newest = [...today].sort((a, b) => b.takenMs - a.takenMs)[0];
  const here = places.find((p) => p.read.id === newest?.id) ?? null;
  const ahead = here
    ? aheadOf(here.read, earlierDays).map((a) => ({ ...a, fit: fitOf(a.read) }))
    : [];
  return { places, here, lambda, by, pattern, ahead };
}

/** Places of usual water, as many as its first ones count for (our guess). */
const usualPlaces = (waterTempC: number | null): PlaceAhead[] =>
  Array.from({ length: USUAL.places }, () => ({
    lies: placeLies({ water: USUAL.water, count: 1, rating: USUAL.rating, waterTempC }),
    apartM: PLACE.apartM,
  }));
const USUAL = { places: 3, water: 'run', rating: 40 } as const;

/** Two days' places are the same stretch where phones stood so near one another, m. */
const SAME_STRETCH_M = 60;

/** Places of an earlier day beyond where one stands, along that day's own line. */
export function aheadOf(
  here: PlaceRead,
  days: readonly (readonly PlaceRead[])[],
): { read: PlaceRead; aheadM: number }[] {
  const at = here.place.at;
  if (at?.by !== 'phone') return [];
  for (const day of days) {
    const near = day
      .flatMap((r) => (r.place.at?.by === 'phone' ? [{ r, m: metresBetween(at, r.place.at) }] : []))
      .sort((a, b) => a.m - b.m)[0];
    if (!near || near.m > SAME_STRETCH_M) continue;
    const line = alongStream(day.map((r) => ({ id: r.id, takenMs: r.takenMs, at: r.place.at })));
    const from = line.find((l) => l.id === near.r.id)!.best;
    return line
      .filter((l) => l.best > from)
      .map((l) => ({ read: day.find((r) => r.id === l.id)!, aheadM: l.best - from }))
      .sort((a, b) => a.aheadM - b.aheadM);
  }
  return [];
}
