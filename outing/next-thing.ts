import {
  EMPTY_SNAPSHOT,
  SWIMS_AT,
  triesAt,
  type Mark,
  type OutingLog,
  type Settings,
  type Try,
} from '../core/log/index';
import {
  castComeTo,
  castOfShot,
  homeOfMark,
  lieState,
  type BeatPack,
  type LieState,
  type PackTarget,
} from '../core/outing/index';
import { lieAt, NO_CAST, snapshotWith, targetFacts } from '../core/planning/index';
import { answersIn, coverSeconds, TAKE_S } from '../core/moves/index';

/** Targets of a beat as they stand now: as taken along, with fish that were marked since; struck ones gone. */
export function targetsNow(
  pack: BeatPack,
  log: OutingLog,
  settings: Settings,
  nowMs: number,
): PackTarget[] {
  const here = log.marks.filter((m) => m.beatId === pack.beatId && m.behaviour !== 'gone');
  const known = new Set(pack.targets.map((t) => t.markId));
  const standing = pack.targets.filter(
    (t) => t.markId === null || here.some((m) => m.id === t.markId),
  );
  const since = here
    .filter((m) => !known.has(m.id))
    .map((m) => markedSince(m, pack, settings, nowMs));
  return [...standing, ...since];
}

/** A fish that was marked since the beat was taken along: where its lie was worked out, by that lie's cast. */
function markedSince(m: Mark, pack: BeatPack, settings: Settings, nowMs: number): PackTarget {
  const rated = pack.targets.flatMap((t) =>
    t.markId === null && t.rating !== null ? [{ ...t, rating: t.rating }] : [],
  );
  const lie = lieAt(rated, m);
  const cast =
    lie?.shot &&
    castComeTo(lie.shot, {
      home: homeOfMark(m, rated, nowMs),
      calm: lie.shot.calm,
      waySeconds: lie.shot.waySeconds,
    });
  const water = lie?.snapshot.target;
  return {
    id: m.id,
    markId: m.id,
    // The phone counts by its own log.
    fishNumber: null,
    kind: lie?.kind ?? null,
    xM: m.xM,
    yM: m.yM,
    headingRad: m.headingRad,
    totalLengthCm: m.totalLengthCm,
    depthM: water?.depthM ?? m.fishDepthM / SWIMS_AT[m.behaviour],
    rating: lie?.rating ?? null,
    shot: cast?.shot ?? null,
    noShot: null,
    snapshot: snapshotWith(pack.targets[0]?.snapshot ?? EMPTY_SNAPSHOT, settings, {
      fishLengthCm: m.totalLengthCm,
      // The water and the rating are its lie's; where it lies, and what it does, its own.
      target: {
        ...(water ?? targetFacts(m, null, m, null)),
        id: m.id,
        xM: m.xM,
        yM: m.yM,
        behaviour: m.behaviour,
      },
      cast: cast ? castOfShot(cast.shot, settings) : null,
      predicted: cast?.predicted ?? NO_CAST,
    }),
  };
}

/** The number of a fish, as the book counts those of its beat; null for a lie, and for a fish that was struck. */
export function fishNumber(markId: string | null, log: OutingLog): number | null {
  const mark = log.marks.find((m) => m.id === markId);
  return mark ? log.marks.filter((m) => m.beatId === mark.beatId).indexOf(mark) + 1 : null;
}

/** What each target has come to today, by its id; untried ones are absent. */
export function statesNow(
  beatId: string | null,
  targets: readonly PackTarget[],
  tries: readonly Try[],
  lambda: number,
  nowMs: number,
): Map<string, LieState> {
  const out = new Map<string, LieState>();
  for (const t of targets) {
    const state = lieState({
      tries: triesAt({ beatId, markId: t.markId, place: t }, tries),
      home: homeOf(t),
      cover: coverOf(t),
      lambda,
      detourMin: DETOUR_MIN,
      nowMs,
    });
    if (state) out.set(t.id, state);
  }
  return out;
}
/** There and back to a lie of the same beat, min (our guess). */
const DETOUR_MIN = 2;
/** A marked fish whose lie nobody rated. */
const UNRATED = 0.5;

/** Chance that the lie of a target is held, 0-1. */
export const homeOf = (t: PackTarget): number => (t.rating === null ? UNRATED : t.rating / 100);

const coverOf = ({ snapshot, shot }: PackTarget) => ({
  a:
    snapshot.predicted.answers ??
    answersIn(snapshot.target?.meanSpeedMps ?? null, snapshot.water.tempC),
  coverS: coverSeconds(shot?.leadM ?? null, snapshot.target?.surfaceSpeedMps ?? null),
  takeS: TAKE_S,
});

/** Whether a target is to be fished (again) now: untried, rested long enough, or vacant long enough to be held again. */
export const isDue = (state: LieState | undefined, nowMs: number): boolean =>
  state === undefined ||
  state.kind === 'rested' ||
  (state.kind === 'vacant' && state.backMs !== null && state.backMs <= nowMs);

/**
 * The next to be fished: a fish whose rest is over first, then in working order; what has a cast
 * before what has none.
 */
export function nextTarget(
  targets: readonly PackTarget[],
  states: ReadonlyMap<string, LieState>,
  passed: ReadonlySet<string>,
  nowMs: number,
): PackTarget | null {
  const left = targets.filter((t) => !passed.has(t.id) && isDue(states.get(t.id), nowMs));
  return (
    left.find((t) => states.get(t.id)?.kind === 'rested') ??
    left.find((t) => t.shot !== null) ??
    left[0] ??
    null
  );
}
