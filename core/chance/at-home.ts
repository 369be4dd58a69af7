import type { Fish } from '../sight/index';
import { CHANCE } from './constants';

/**
 * Chance that a marked fish still is where it was seen: by how sure it was, falling to a share of its
 * lie's own rating (0-1; 0 where no lie is known) with a half-time that is short for a riser.
 */
export function markAtHome(
  surety: Fish['surety'],
  minutes: number,
  rising: boolean,
  lieChance: number,
): number {
  const first = CHANCE.home[surety];
  const floor = Math.min(first, CHANCE.homeFloor * lieChance);
  const half = rising ? CHANCE.halfMin.rising : CHANCE.halfMin.other;
  return floor + (first - floor) * 0.5 ** (Math.max(0, minutes) / half);
}

/** After covers that nothing answered: each says that it is home a little less (Bayes). */
export function homeAfter(home: number, looks: readonly number[], answers: number): number {
  const none = looks.reduce((n, look) => n * (1 - look * answers), 1);
  return (home * none) / (1 - home + home * none);
}
