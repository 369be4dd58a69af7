import type { CastKind, Lay, Mend } from '../cast/index';
import type { Species } from '../fish/index';
import type { LevelName } from '../formats/index';
import type { Place } from '../grid/index';
import type { LieKind, Method, Needs } from '../lies/index';
import type { FlyKind } from '../rig/index';
import type { Posture, Sky } from '../sight/index';
import type { Behaviour } from './marks';
import type { Applied } from './priors';
import type { WindFrom } from './settings';

/** How the water temperature of a moment is known; curve: by the day's curve through readings. */
export type TempSource = 'read' | 'curve' | 'tried-on' | 'assumed';

/** Which constants a prediction rests on, and what the record had changed of them; absent: nothing. */
export interface ConstantsMark {
  constantsHash: string | null;
  applied?: Applied;
}

/**
 * What the plan said at the moment a try was opened: everything Learn holds against what happened.
 * SI units. null: not known then. Once written it is never changed.
 */
export interface TrySnapshot extends ConstantsMark {
  version: 1;
  planHash: string | null;
  level: LevelName | null;
  dischargeM3s: number | null;
  /** The beat's civil time, "2026-06-13T09:40". */
  hour: string | null;
  water: { tempC: number | null; tempSource: TempSource | null; turbidityNtu: number | null };
  weather: { sky: Sky | null; windMps: number | null; windFrom: WindFrom | null };
  /** The fish that lies were rated for. */
  rated: {
    species: Species | null;
    totalLengthCm: number | null;
    method: Method | null;
    /** The water's constant in the chance of a fish at home; absent or null where ratings were no chances yet. */
    homeOffset?: number | null;
    /** Slope over the rating in its logit; absent where it was as guessed, 1. */
    homeSlope?: number | null;
  };
  target: {
    /** Of the mark, or of the lie. */
    id: string | null;
    kind: LieKind | null;
    xM: number;
    yM: number;
    rating: number | null;
    needs: Needs | null;
    depthM: number | null;
    surfaceSpeedMps: number | null;
    meanSpeedMps: number | null;
    behaviour: Behaviour | null;
  } | null;
  cast: {
    stand: Place;
    posture: Posture;
    landing: Place | null;
    lay: Lay;
    mend: Mend | null;
    leadM: number | null;
    castKind: CastKind | null;
    rig: { id: string | null; fly: FlyKind | null; leaderM: number | null };
  } | null;
  predicted: {
    cleanS: { low: number; best: number; high: number } | null;
    /** Chance that the fish is calm on arrival, 0-1. */
    calm: number | null;
    /** Chance that the angler at the stand is noticed, 0-1. */
    exposure: number | null;
    /** Chance of an honest look and its parts, 0-1. */
    chance: { value: number; parts: Record<string, number> } | null;
    /** Chance that the drift ticks the bed or hangs on it, 0-1; absent where nothing sinks, or nobody asked. */
    ticks?: number | null;
    /** Chance that a good cover is answered, with what the record had changed of it, 0-1. */
    answers?: number | null;
  };
}

/** A snapshot that says nothing but that it is one. */
export const EMPTY_SNAPSHOT: TrySnapshot = {
  version: 1,
  planHash: null,
  constantsHash: null,
  level: null,
  dischargeM3s: null,
  hour: null,
  water: { tempC: null, tempSource: null, turbidityNtu: null },
  weather: { sky: null, windMps: null, windFrom: null },
  rated: {
    species: null,
    totalLengthCm: null,
    method: null,
    homeOffset: null,
    homeSlope: null,
  },
  target: null,
  cast: null,
  predicted: { cleanS: null, calm: null, exposure: null, chance: null, answers: null },
};

/** What tries kept before snapshots had a version; every part may be missing. */
interface Unversioned {
  level?: LevelName;
  dischargeM3s?: number;
  hour?: string;
  waterTempC?: number | null;
  ratedAtTempC?: number;
  target?: { id?: string; xM: number; yM: number; totalLengthCm?: number } | null;
  lie?: { kind?: LieKind; rating?: number; needs?: Needs } | null;
  water?: { depthM?: number; paceMps?: number } | null;
  stand?: Place | null;
  posture?: Posture;
  landing?: Place | null;
  lay?: Lay;
  predictedCleanS?: { low: number; best: number; high: number } | null;
  exposure?: number | null;
  ratedLengthFlCm?: number;
}

/** The one reader: older snapshots come with what they lack as null; what is no object says nothing. */
export function readSnapshot(json: unknown): TrySnapshot {
  if (typeof json !== 'object' || json === null) return EMPTY_SNAPSHOT;
  if ('version' in json) return { ...EMPTY_SNAPSHOT, ...(json as Partial<TrySnapshot>) };
  const old = json as Unversioned;
  const tempC = old.waterTempC ?? old.ratedAtTempC ?? null;
  return {
    ...EMPTY_SNAPSHOT,
    level: old.level ?? null,
    dischargeM3s: old.dischargeM3s ?? null,
    hour: old.hour ?? null,
    water: {
      tempC,
      tempSource: tempC === null ? null : old.waterTempC == null ? 'assumed' : 'read',
      turbidityNtu: null,
    },
    rated: {
      ...EMPTY_SNAPSHOT.rated,
      totalLengthCm: old.target?.totalLengthCm ?? null,
    },
    target: old.target
      ? {
          id: old.target.id ?? null,
          kind: old.lie?.kind ?? null,
          xM: old.target.xM,
          yM: old.target.yM,
          rating: old.lie?.rating ?? null,
          needs: old.lie?.needs ?? null,
          depthM: old.water?.depthM ?? null,
          surfaceSpeedMps: null,
          meanSpeedMps: old.water?.paceMps ?? null,
          behaviour: null,
        }
      : null,
    cast:
      old.stand && old.posture && old.lay
        ? {
            stand: old.stand,
            posture: old.posture,
            landing: old.landing ?? null,
            lay: old.lay,
            mend: null,
            leadM: null,
            castKind: null,
            rig: { id: null, fly: null, leaderM: null },
          }
        : null,
    predicted: {
      ...EMPTY_SNAPSHOT.predicted,
      cleanS: old.predictedCleanS ?? null,
      exposure: old.exposure ?? null,
    },
  };
}
