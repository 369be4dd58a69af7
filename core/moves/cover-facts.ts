import { ANSWERS, COLD, COVER_S } from './guesses';

/** Chance that a willing fish answers one good cover: quick water leaves it no time to choose. */
export function answersIn(meanSpeedMps: number | null, waterTempC: number | null): number {
  const pace = meanSpeedMps ?? ANSWERS[1].fromMps;
  const a = ANSWERS.find((row) => pace >= row.fromMps)!.a;
  return waterTempC !== null && waterTempC < COLD.belowC ? a * COLD.share : a;
}

/** Seconds of one cover whose fly is led by so much at so quick a surface. */
export function coverSeconds(leadM: number | null, surfaceSpeedMps: number | null): number {
  const toFish =
    leadM !== null && surfaceSpeedMps ? leadM / Math.max(0.1, surfaceSpeedMps) : COVER_S.unknown;
  return COVER_S.before + Math.min(COVER_S.most, toFish + COVER_S.beyondFish) + COVER_S.after;
}
