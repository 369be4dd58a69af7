import { ANSWERS, COLD, COVER_S } from './guesses';

/** No fish answers surer. */
const MOST_ANSWERS = 0.98;

/**
 * Chance that a willing fish answers one good cover: quick water leaves it no time to choose. `own`: how
 * often this angler's record says that it does, times what is guessed.
 */
export function answersIn(meanSpeedMps: number | null, waterTempC: number | null, own = 1): number {
  const pace = meanSpeedMps ?? ANSWERS[1].fromMps;
  const a = ANSWERS.find((row) => pace >= row.fromMps)!.a;
  const cold = waterTempC !== null && waterTempC < COLD.belowC ? COLD.share : 1;
  return Math.min(MOST_ANSWERS, own * cold * a);
}

/** Seconds of one cover whose fly is led by so much at so quick a surface. */
export function coverSeconds(leadM: number | null, surfaceSpeedMps: number | null): number {
  const toFish =
    leadM !== null && surfaceSpeedMps ? leadM / Math.max(0.1, surfaceSpeedMps) : COVER_S.unknown;
  return COVER_S.before + Math.min(COVER_S.most, toFish + COVER_S.beyondFish) + COVER_S.after;
}
