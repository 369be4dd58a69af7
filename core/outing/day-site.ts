import { depthAtLevel, feedingAt, type DaySite } from '../day/index';
import { featuresOf, type BeatPlan, type LevelName } from '../formats/index';
import type { KeptRead } from '../log/index';
import { placeLies, placeWorth, PLACE } from '../places/index';
import { run, workingOf } from '../route/index';
import type { Species } from '../fish/index';
import { atHour } from '../units/index';
import { channelShade } from './channel-shade';
import { conditionsAt } from './light';
import type { BeatPack } from './pack-shape';
import { isPlace } from './place-plan';

/** A beat, or the places of a stream, as the book has it for one date; what was told of it stands apart. */
export interface BookSite extends Pick<
  DaySite,
  'id' | 'name' | 'kind' | 'streamId' | 'streamName' | 'altitudeM' | 'looks' | 'looksKnown'
> {
  place: { latDeg: number; lonDeg: number } | null;
  timeZone: string | null;
  /** Mean depth at each level that is known, m. */
  depthM: Partial<Record<LevelName, number>>;
  surveyedLevel: LevelName;
  /** By hour of this date. */
  shadeByHour: number[];
}

/** Where nothing was worked out: honest looks a metre of beat (our guess; the demo's four have .1 to .3). */
const LOOKS_A_METRE = 0.15;
/** Depth where none was taken, m. */
const PLAIN_DEPTH_M = 0.4;
/** Of a string of places as much as so many hours see. */
const PLACES_H = 3;

/** A drawn beat on a date; `dayMs` is any moment of it. */
export function beatSite(
  beat: { id: string; streamId: string; streamName: string; plan: BeatPlan },
  dayMs: number,
  pack: BeatPack | null,
  species: Species,
): BookSite {
  const { plan } = beat;
  const worked = pack && looksOfPack(pack, species);
  const taken = meanDepthM(plan);
  const surveyed = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
  return {
    id: beat.id,
    name: plan.name,
    kind: 'beat',
    streamId: beat.streamId,
    streamName: beat.streamName,
    altitudeM: plan.altitudeM ?? null,
    place: plan.anchor ? { latDeg: plan.anchor.lat, lonDeg: plan.anchor.lon } : null,
    timeZone: plan.timeZone ?? null,
    depthM: Object.fromEntries(
      plan.levels.map((l) => [l.name, depthAtLevel(taken, surveyed.dischargeM3s, l.dischargeM3s)]),
    ),
    surveyedLevel: plan.surveyedLevel,
    shadeByHour: Array.from({ length: 24 }, (_, h) =>
      channelShade(plan, conditionsAt(plan, atHour(dayMs, h + 0.5, plan.timeZone))),
    ),
    looks: worked ?? LOOKS_A_METRE * plan.lengthM,
    looksKnown: worked === null ? 'length' : 'route',
  };
}

/** The places of a stream that were read; null: none was. */
export function placesSite(
  stream: { id: string; name: string },
  reads: readonly KeptRead[],
): BookSite | null {
  const places = reads.filter(isPlace).filter((r) => r.place.streamName === stream.name);
  if (places.length === 0) return null;
  const lies = places.map((r) =>
    placeLies({
      water: r.place.water,
      count: r.place.count,
      rating: r.result.rating,
      waterTempC: null,
    }),
  );
  const worked = lies.map((l) => ({ l, worth: placeWorth(l, PLACE.leastLambda) }));
  const seconds = worked.reduce((s, w) => s + w.worth.seconds + PLACE.apartM / PLACE.walkMps, 0);
  const looks = worked.reduce((s, w) => s + (w.worth.covers > 0 ? w.l.count * w.l.p : 0), 0);
  const share = Math.min(1, (PLACES_H * 3600) / seconds);
  const depths = places.map((r) => r.answers.depthM);
  return {
    id: `places-${stream.id}`,
    name: `Places on ${stream.name}`,
    kind: 'places',
    streamId: stream.id,
    streamName: stream.name,
    altitudeM: null,
    place: null,
    timeZone: null,
    depthM: { Fair: depths.reduce((s, d) => s + d, 0) / depths.length },
    surveyedLevel: 'Fair',
    shadeByHour: Array.from({ length: 24 }, () => 0.3),
    looks: looks * share,
    looksKnown: 'places',
  };
}

/** Honest looks of the whole route that was worked out, at the temperature of best feeding; null: it has no route. */
export function looksOfPack(pack: BeatPack, species: Species): number | null {
  const { route } = pack;
  if (!route || route.stops.length === 0) return null;
  const ask = {
    at: null,
    lambda: 0,
    budgetS: null,
    turn: false,
    direction: 'free' as const,
    ticks: [],
  };
  const { steps } = run(workingOf(route.ground, ask, 1), route.stops);
  const looks = steps.reduce(
    (sum, s) =>
      sum +
      s.lies.reduce(
        (of, { lie, covers, p }) =>
          of + p * (1 - (1 - route.ground.casts[s.stand]![lie]!.cover.look) ** covers),
        0,
      ),
    0,
  );
  const tempC = pack.targets[0]?.snapshot.water.tempC ?? null;
  const feeding = tempC === null ? 1 : feedingAt(tempC, species);
  return looks / feeding;
}

/** Mean of every depth that was taken, m. */
function meanDepthM(plan: BeatPlan): number {
  const depths = [
    ...featuresOf(plan, 'sounding').map((s) => s.depthM),
    ...featuresOf(plan, 'section').flatMap((s) => s.stations.map((x) => x.depthM)),
  ].filter((d) => d > 0);
  return depths.length === 0 ? PLAIN_DEPTH_M : depths.reduce((s, d) => s + d, 0) / depths.length;
}
