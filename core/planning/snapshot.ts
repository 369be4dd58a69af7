import type { LevelName } from '../formats/index';
import type { Place } from '../grid/index';
import type { Lie } from '../lies/index';
import {
  priorsOf,
  type ConstantsMark,
  type Mark,
  type Settings,
  type TempSource,
  type TrySnapshot,
} from '../log/index';
import { sameLie } from '../terms/index';
import { toCivil } from '../units/index';
import { answersAt, predictedOf, type Prediction } from './prediction';

/** All that a try is opened with: where, in what water, at what, how, and what the plan says of it. */
export interface PlannedTry {
  /** The beat as it is drawn, at a level; null: off any beat. */
  beat: { planHash: string; level: LevelName; dischargeM3s: number | null } | null;
  atMs: number;
  timeZone: string | undefined;
  water: { tempC: number | null; source: TempSource | null };
  settings: Settings;
  /** The water's own constant in the chance of a fish at home; null: the rating was no such chance. */
  homeOffset: number | null;
  fishLengthCm: number;
  target: TrySnapshot['target'];
  cast: TrySnapshot['cast'];
  predicted: Prediction;
  /** Under which constants all of it was reckoned. */
  constants: ConstantsMark;
}

/** The one composer of what a try keeps. What is not known is null, and every key is there. */
export function snapshotOf(p: PlannedTry): TrySnapshot {
  const { settings, target } = p;
  const priors = priorsOf(settings);
  return {
    version: 1,
    ...p.constants,
    planHash: p.beat?.planHash ?? null,
    level: p.beat?.level ?? null,
    dischargeM3s: p.beat?.dischargeM3s ?? null,
    hour: toCivil(p.atMs, p.timeZone),
    water: {
      tempC: p.water.tempC,
      tempSource: p.water.source,
      turbidityNtu: settings.turbidityNtu,
    },
    weather: { sky: settings.sky, windMps: settings.windMps, windFrom: settings.windFrom },
    rated: {
      species: settings.species,
      totalLengthCm: p.fishLengthCm,
      method: settings.methods.holding,
      homeOffset: p.homeOffset,
      homeSlope: p.homeOffset === null ? null : priors.home.slope,
    },
    target,
    cast: p.cast,
    predicted: predictedOf(p.predicted, answersAt(target, p.water.tempC, settings)),
  };
}

/** What a prediction was made for may be come to otherwise: another cast, another fish of the same water, another hour. */
type Otherwise = Partial<
  Pick<PlannedTry, 'target' | 'cast' | 'predicted' | 'fishLengthCm' | 'water' | 'atMs' | 'timeZone'>
>;

/** A snapshot that was made before, as it is when the try is opened. */
export function snapshotWith(
  kept: TrySnapshot,
  settings: Pick<Settings, 'priors'>,
  now: Otherwise,
): TrySnapshot {
  const target = now.target === undefined ? kept.target : now.target;
  const water = now.water
    ? { ...kept.water, tempC: now.water.tempC, tempSource: now.water.source }
    : kept.water;
  const answers = answersAt(target, water.tempC, settings);
  return {
    ...kept,
    hour: now.atMs === undefined ? kept.hour : toCivil(now.atMs, now.timeZone),
    water,
    rated: {
      ...kept.rated,
      totalLengthCm: now.fishLengthCm ?? kept.rated.totalLengthCm,
    },
    target,
    cast: now.cast === undefined ? kept.cast : now.cast,
    predicted: now.predicted ? predictedOf(now.predicted, answers) : { ...kept.predicted, answers },
  };
}

/** The lie that a place is in; null: in none that was rated. */
export const lieAt = <T extends Place>(lies: readonly T[], place: Place): T | null =>
  lies.find((l) => sameLie(l, place)) ?? null;

/** What is worked, as a try keeps it: the fish or lie, its lie's rating and needs, and the water there. */
export const targetFacts = (
  at: Place & { id: string },
  lie: Pick<Lie, 'kind' | 'rating' | 'needs'> | null,
  mark: Pick<Mark, 'behaviour'> | null,
  water: { depthM: number; surfaceSpeedMps: number; meanSpeedMps: number } | null,
): NonNullable<TrySnapshot['target']> => ({
  id: at.id,
  kind: lie?.kind ?? null,
  xM: at.xM,
  yM: at.yM,
  rating: lie?.rating ?? null,
  needs: lie?.needs ?? null,
  depthM: water?.depthM ?? null,
  surfaceSpeedMps: water?.surfaceSpeedMps ?? null,
  meanSpeedMps: water?.meanSpeedMps ?? null,
  behaviour: mark?.behaviour ?? null,
});
