import type { LevelName } from '../formats/index';
import type { LieKind } from '../lies/index';
import {
  CASTS_A_WORKING,
  foldTry,
  SHOWS,
  type EventCode,
  type LossCause,
  type MissCause,
  type Try,
} from '../log/index';
import type { FlyKind } from '../rig/index';
import type { Posture } from '../sight/index';

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
  /** P(home) of a lie in which nobody had seen a fish, 0-1; and how often it was worked through. */
  homeSaid: number | null;
  workings: number;
  /** Something showed that a fish was there. */
  shown: boolean;
  /** Chance of an honest look, 0-1. */
  lookSaid: number | null;
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
  misses: MissCause[];
  loss: LossCause | null;
}

const LOOKS: readonly EventCode[] = ['look', 'refusal', 'miss', 'hook', 'let-be', 'foul'];
const HOUR_MS = 3_600_000;

/** What a try says; null: nothing happened in it, and it says nothing. */
export function tryFact(t: Try): TryFact | null {
  const fold = foldTry(t.fly, t.events);
  const events = fold.timeline.filter((e) => !e.undone).map((e) => e.event);
  const had = (codes: readonly EventCode[]) => events.some((e) => codes.includes(e.code));
  const shown = had(SHOWS);
  if (fold.casts === 0 && !shown) return null;
  const { target, rated, water, cast, predicted, level } = t.snapshot;
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
    homeSaid,
    workings: Math.max(1, fold.casts / CASTS_A_WORKING),
    shown,
    lookSaid: predicted.chance?.value ?? null,
    calmSaid: predicted.calm,
    casts: fold.casts,
    looked: had(LOOKS),
    took: had(['miss', 'hook']),
    hooked: had(['hook']),
    landed: had(['landing']),
    spooked: had(['spook']),
    misses: events.flatMap((e) => (e.code === 'miss' && e.missed ? [e.missed] : [])),
    loss: events.find((e) => e.code === 'loss')?.lost ?? null,
  };
}
