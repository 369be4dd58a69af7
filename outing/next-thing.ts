import type { OutingLog, Try } from '../core/log/index';
import { SWIMS_AT, EMPTY_SNAPSHOT, triesAt } from '../core/log/index';
import { lieState, type BeatPack, type LieState, type PackTarget } from '../core/outing/index';
import { answersIn, coverSeconds, TAKE_S } from '../core/moves/index';

/** Targets of a beat as they stand now: as taken along, with fish that were marked since; struck ones gone. */
export function targetsNow(pack: BeatPack, log: OutingLog): PackTarget[] {
  const here = log.marks.filter((m) => m.beatId === pack.beatId && m.behaviour !== 'gone');
  const known = new Set(pack.targets.map((t) => t.markId));
  const standing = pack.targets.filter(
    (t) => t.markId === null || here.some((m) => m.id === t.markId),
  );
  const since = here
    .filter((m) => !known.has(m.id))
    .map((m): PackTarget => ({
      id: m.id,
      markId: m.id,
      // The phone counts by its own log.
      fishNumber: null,
      kind: null,
      xM: m.xM,
      yM: m.yM,
      headingRad: m.headingRad,
      totalLengthCm: m.totalLengthCm,
      depthM: m.fishDepthM / SWIMS_AT[m.behaviour],
      rating: null,
      shot: null,
      noShot: null,
      snapshot: {
        ...EMPTY_SNAPSHOT,
        planHash: pack.planHash,
        level: pack.level,
        target: {
          id: m.id,
          kind: null,
          xM: m.xM,
          yM: m.yM,
          rating: null,
          needs: null,
          depthM: null,
          surfaceSpeedMps: null,
          meanSpeedMps: null,
          behaviour: m.behaviour,
        },
      },
    }));
  return [...standing, ...since];
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
