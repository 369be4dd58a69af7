import {
  DEFAULT_SETTINGS,
  EMPTY_SNAPSHOT,
  type TempSource,
  type TrySnapshot,
} from '../core/log/index';
import { meanSpeedOfRead, type BeatPack, type PackTarget } from '../core/outing/index';
import { NO_CAST, snapshotOf, snapshotWith } from '../core/planning/index';
import type { BankView } from '../sync/bank';
import type { OutingActions } from './outing-actions';
import { READING_HOLDS_MS } from './reading-holds';

/** What a try may be opened on. */
export type Opened =
  | { kind: 'target'; pack: BeatPack; target: PackTarget }
  | { kind: 'place'; readId: string; beatId: string | null }
  | { kind: 'here'; beatId: string | null };

/**
 * Opens a try, with what the plan says at this moment; gives its id. `curveC`: the water by the day's curve as
 * the view that opens it has it, C; null: no curve.
 */
export function beginTry(
  actions: OutingActions,
  opened: Opened,
  curveC: number | null,
  fly = '',
): string {
  const at =
    opened.kind === 'target'
      ? {
          beatId: opened.pack.beatId,
          markId: opened.target.markId,
          readId: null,
          timeZone: opened.pack.timeZone ?? undefined,
        }
      : {
          beatId: opened.beatId,
          markId: null,
          readId: opened.kind === 'place' ? opened.readId : null,
          timeZone: undefined,
        };
  const { view, nowMs } = actions.seen();
  return actions.openTry(
    at,
    fly,
    snapshotNow(view, opened, { atMs: nowMs, timeZone: at.timeZone, curveC }),
  );
}

/** What the plan says now: of what was taken along, under the constants that it was made with. */
function snapshotNow(
  view: BankView,
  opened: Opened,
  now: { atMs: number; timeZone: string | undefined; curveC: number | null },
): TrySnapshot {
  const { atMs, timeZone, curveC } = now;
  const { bank: book } = view;
  const water = waterHere(view, atMs, curveC);
  const target = opened.kind === 'place' ? placeTarget(view, opened.readId) : null;
  if (opened.kind === 'target' || !book)
    return snapshotWith(
      opened.kind === 'target' ? opened.target.snapshot : { ...EMPTY_SNAPSHOT, target },
      book?.settings ?? DEFAULT_SETTINGS,
      { atMs, timeZone, ...(water && { water }) },
    );
  const { settings } = book;
  return snapshotOf({
    atMs,
    timeZone,
    beat: null,
    water: water ?? { tempC: null, source: null },
    settings,
    // A read's rating has no constant of a water in it.
    homeOffset: null,
    fishLengthCm: settings.fishLengthCm,
    target,
    cast: null,
    predicted: NO_CAST,
    constants: book.constants ?? { constantsHash: null },
  });
}

/** A place as what is worked: what its read said. Off any beat it has no place on a plan. */
function placeTarget({ log }: BankView, readId: string): TrySnapshot['target'] {
  const read = log.reads.find((r) => r.id === readId);
  if (!read || (read.beatId !== null && read.xM === null)) return null;
  return {
    id: null,
    kind: read.result.kind,
    xM: read.xM ?? 0,
    yM: read.yM ?? 0,
    rating: read.result.rating,
    needs: read.result.needs,
    depthM: read.answers.depthM,
    surfaceSpeedMps: read.answers.surfacePaceMps,
    meanSpeedMps: meanSpeedOfRead(read),
    behaviour: null,
  };
}

/** The water at this moment: as read while that is fresh, else by the day's curve; null: neither. */
function waterHere(
  { log }: BankView,
  nowMs: number,
  curveC: number | null,
): { tempC: number; source: TempSource } | null {
  const read = [...log.readings]
    .filter((r) => r.waterTempC !== null && nowMs - r.takenMs < READING_HOLDS_MS)
    .sort((a, b) => b.takenMs - a.takenMs)[0];
  if (read) return { tempC: read.waterTempC!, source: 'read' };
  return curveC === null ? null : { tempC: curveC, source: 'curve' };
}
