import type { LevelName } from '../formats/index';
import { metresApart } from '../grid/index';
import type { Species } from '../fish/index';
import { seasonOfMonth, type LieKind, type Method, type Season } from '../lies/index';
import {
  CASTS_A_WORKING,
  hadFly,
  standing,
  type EventMeaning,
  type StandingEvent,
  appliedOf,
  NO_PRIORS,
  type Applied,
  type LossCause,
  type MissCause,
  type Try,
} from '../log/index';
import type { FlyKind } from '../rig/index';
import { answersIn } from '../moves/index';
import type { Posture, Sky } from '../sight/index';

/** One try as Learn counts it: what was said of it then, and what came. null: not known. */
export interface TryFact {
  id: string;
  beatId: string | null;
  openedMs: number;
  /** Hour of its own clock, 0-24. */
  hour: number;
  tempC: number | null;
  level: LevelName | null;
  kind: LieKind | null;
  depthM: number | null;
  surfaceSpeedMps: number | null;
  posture: Posture | null;
  lay: string | null;
  flyKind: FlyKind | null;
  rigId: string | null;
  /** The device that logged it, by its own id; '' where none is known. */
  device: string;
  species: Species | null;
  method: Method | null;
  sky: Sky | null;
  season: Season;
  /** Of its own clock, "2026-06". */
  month: string;
  /** Depth-mean pace, m/s. */
  meanSpeedMps: number | null;
  /** Stand to landing, and stand to fish, m. */
  castM: number | null;
  distanceM: number | null;
  /** P(home) of a lie in which nobody had seen a fish, 0-1; and how often it was worked through. */
  homeSaid: number | null;
  /** The water's constant and the slope that were in it. */
  homeOffset: number;
  homeSlope: number;
  workings: number;
  /** Something showed that a fish was there. */
  shown: boolean;
  /** What that chance was made of; null: the cast was not worked out. */
  parts: SaidParts | null;
  /** Chance that a good cover is answered, 0-1. */
  answersSaid: number;
  /** What the record had changed of the constants in all of these. */
  applied: Applied;
  /** Chance that a drift touches the bed, 0-1; null: nothing sank, or nobody asked. */
  ticksSaid: number | null;
  /** Chance that the still angler at the stand is noticed, 0-1. */
  exposure: number | null;
  /** Chance that it is calm on arrival, 0-1. */
  calmSaid: number | null;
  casts: number;
  /** A fish looked, turned away, missed or took: the fly was seen. */
  looked: boolean;
  /** It had the fly: missed or hooked. */
  took: boolean;
  hooked: boolean;
  landed: boolean;
  spooked: boolean;
  /** Covers until the fish first answered, and until it was put down (0: on the way); null: it never was. */
  answeredAt: number | null;
  downAt: number | null;
  /** Casts of which it was said: that fell within half a metre, or not; that dragged, or ran clean. */
  fell: { on: number; off: number };
  dragged: { yes: number; no: number };
  /** Drifts that were felt: touched the bed, or never. */
  felt: { touched: number; clear: number };
  misses: MissCause[];
  loss: LossCause | null;
  /** Its taps contradict one another: landed or lost, with the take taken back. It counts as taken. */
  odd: boolean;
}

/** Parts of the chance of an honest look that a refit needs. */
export interface SaidParts {
  home: number;
  calm: number;
  /** One cover's look, how much of a cover stays undisturbed, and the share of that which is being seen. */
  look: number;
  undisturbed: number;
  seen: number;
  /** Hooked, given a take. */
  hooked: number;
  drag: number;
  sigmaM: number;
  crossMps: number;
}

/** A fish that had been on: it was landed, or came off. */
const wasOn = (means: EventMeaning): boolean => means.ends === 'landed' || means.ends === 'lost';
const answered = (means: EventMeaning): boolean => means.answer !== null || wasOn(means);
const downed = (means: EventMeaning): boolean => means.ends === 'put down';

const HOUR_MS = 3_600_000;

const PLAIN = appliedOf(NO_PRIORS);

/** What a try says; null: nothing happened in it, and it says nothing. `isSouth`: its water lies south of the equator. */
export function tryFact(t: Try, isSouth = false): TryFact | null {
  const events = standing(t);
  const casts = events.filter(({ means }) => means.isCast).length;
  const had = (is: (means: EventMeaning) => boolean) => events.some(({ means }) => is(means));
  const shown = had((means) => means.showsFish);
  // A fish that was landed or lost was on, even where the tap that it took was taken back.
  const fought = had(wasOn);
  const hooked = had((means) => means.answer === 'took');
  if (casts === 0 && !shown) return null;
  const { target, rated, water, weather, cast, predicted, level } = t.snapshot;
  const month = new Date(t.openedMs + 60_000 * t.zoneOffsetMin).toISOString().slice(0, 7);
  // Ratings were no chances before the water had its constant.
  const homeSaid =
    t.markId === null && target?.rating != null && rated.homeOffset != null
      ? target.rating / 100
      : null;
  return {
    id: t.id,
    beatId: t.beatId,
    openedMs: t.openedMs,
    hour: ((t.openedMs + 60_000 * t.zoneOffsetMin) / HOUR_MS) % 24,
    tempC: water.tempSource === 'assumed' ? null : water.tempC,
    level,
    kind: target?.kind ?? null,
    depthM: target?.depthM ?? null,
    surfaceSpeedMps: target?.surfaceSpeedMps ?? null,
    posture: cast?.posture ?? null,
    lay: cast?.lay.kind ?? null,
    flyKind: cast?.rig.fly ?? null,
    rigId: cast?.rig.id ?? null,
    device: events[0]?.event.device ?? '',
    species: rated.species,
    method: rated.method,
    sky: weather.sky,
    season: seasonOfMonth(Number(month.slice(5)), isSouth),
    month,
    meanSpeedMps: target?.meanSpeedMps ?? null,
    castM: cast?.landing ? metresApart(cast.stand, cast.landing) : null,
    distanceM: cast && target ? metresApart(cast.stand, target) : null,
    homeSaid,
    homeOffset: rated.homeOffset ?? 0,
    homeSlope: rated.homeSlope ?? 1,
    workings: Math.max(1, casts / CASTS_A_WORKING),
    shown,
    parts: partsOf(predicted.chance?.parts, weather.windMps),
    answersSaid:
      predicted.answers ??
      answersIn(target?.meanSpeedMps ?? target?.surfaceSpeedMps ?? null, water.tempC),
    applied: t.snapshot.applied ?? PLAIN,
    ticksSaid: predicted.ticks ?? null,
    exposure: predicted.exposure,
    calmSaid: predicted.calm,
    casts,
    looked: had(answered),
    took: had(hadFly) || fought,
    hooked: hooked || fought,
    landed: had((means) => means.ends === 'landed'),
    spooked: had(downed),
    answeredAt: coversUntil(events, answered, 1),
    downAt: coversUntil(events, downed, 0),
    fell: {
      on: events.filter(({ event: e }) => e.fellAt === 'on').length,
      off: events.filter(({ event: e }) => e.fellAt && e.fellAt !== 'on').length,
    },
    dragged: {
      yes: events.filter(({ event: e }) => e.dragged === true).length,
      no: events.filter(({ event: e }) => e.dragged === false).length,
    },
    felt: {
      touched: events.filter(({ means: { bed } }) => bed === 'ticked' || bed === 'hung').length,
      clear: events.filter(({ means }) => means.bed === 'clear').length,
    },
    misses: events.flatMap(({ event, means }) =>
      means.answer === 'missed' && event.missed ? [event.missed] : [],
    ),
    loss: events.find(({ means }) => means.ends === 'lost')?.event.lost ?? null,
    odd: fought && !hooked,
  };
}

/** Covers up to the first of such events, that one's own among them where it is one; null: there was none. */
function coversUntil(
  events: readonly StandingEvent[],
  is: (means: EventMeaning) => boolean,
  least: number,
): number | null {
  const at = events.findIndex(({ means }) => is(means));
  if (at < 0) return null;
  return Math.max(least, events.slice(0, at + 1).filter(({ means }) => means.isCast).length);
}

/** Parts as they were kept; null: those of a try from before they were. */
function partsOf(
  kept: Record<string, number> | undefined,
  windMps: number | null,
): SaidParts | null {
  if (!kept) return null;
  const { home, calm, look, undisturbed, seen, hooked, drag, sigmaM, crossMps } = kept;
  if (home === undefined || look === undefined || undisturbed === undefined) return null;
  return {
    home,
    calm: calm ?? 1,
    look,
    undisturbed,
    seen: (seen ?? 1) ** 2,
    hooked: hooked ?? NaN,
    drag: drag ?? NaN,
    sigmaM: sigmaM ?? NaN,
    crossMps: crossMps ?? windMps ?? 0,
  };
}
