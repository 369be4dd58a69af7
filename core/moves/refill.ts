import type { Emptied } from '../log/index';
import { WILLING_PRIOR } from './guesses';
import { bestCovers, netOf, type Coverable } from './covers';

/** Hours until a lie of even rating is held again, by how it was emptied (our guesses, a factor of two either way). */
const REFILLS_H: Record<Emptied, number> = { taken: 18, pricked: 6, bolted: 1.2 };
/** The chance of a fish at home in a lie for which those hours hold: better lies fill sooner. */
const EVEN_HOME = 0.36;

/** Chance that an emptied lie is held again after so long: home (1 - e^(-t/T)), T by its own rating. */
export function refilled(home: number, emptied: Emptied, hours: number): number {
  if (home <= 0 || hours <= 0) return 0;
  const tauH = (REFILLS_H[emptied] * EVEN_HOME) / home;
  return home * (1 - Math.exp(-hours / tauH));
}

/** Later than this is another day. */
const MOST_H = 24;

/**
 * Hours until an emptied lie pays another look, where elsewhere pays λ and the way there and back
 * costs `detourMin`; null: not within a day.
 */
export function worthAnotherLookH(
  home: number,
  emptied: Emptied,
  cover: Pick<Coverable, 'a' | 'coverS' | 'takeS'>,
  lambda: number,
  detourMin: number,
): number | null {
  const paysAt = (hours: number) => {
    const lie = { ...cover, p: WILLING_PRIOR.blind * refilled(home, emptied, hours) };
    const n = bestCovers(lie, lambda);
    return n > 0 && netOf(lie, n, lambda) >= (lambda * detourMin) / 60;
  };
  if (!paysAt(MOST_H)) return null;
  let [no, yes] = [0, MOST_H];
  for (let i = 0; i < 30; i++) {
    const mid = (no + yes) / 2;
    if (paysAt(mid)) yes = mid;
    else no = mid;
  }
  return yes;
}
