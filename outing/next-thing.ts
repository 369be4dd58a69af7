import type { OutingLog, Try } from '../core/log/index';
import { SWIMS_AT, EMPTY_SNAPSHOT } from '../core/log/index';
import type { BeatPack, PackTarget } from '../core/outing/index';

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

/** What was worked already in these tries. */
export const workedIds = (tries: readonly Try[]): Set<string> =>
  new Set(tries.flatMap((t) => t.snapshot.target?.id ?? t.markId ?? []));

/** The next to be fished, in working order: not worked, not passed by; what has a cast before what has none. */
export function nextTarget(
  targets: readonly PackTarget[],
  worked: ReadonlySet<string>,
  passed: ReadonlySet<string>,
): PackTarget | null {
  const left = targets.filter((t) => !worked.has(t.id) && !passed.has(t.id));
  return left.find((t) => t.shot !== null) ?? left[0] ?? null;
}
