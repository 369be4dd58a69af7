/** Hand above the water when a fish is brought in, and the reach of arm and net, m (our guesses). */
const HAND_M = 1;
const IN_REACH_M = 0.9;
/** Share of a rod's length that its chord keeps at the deepest bend. */
export const DEEPEST_BEND = 0.6;
const FISHING_HAND_M = 1.2;

/** How far out a fixed line fishes from the hand, m: tip raised by `riseRad`, fly at the water. */
export function fixedReachM(rodM: number, lineM: number, riseRad: number): number {
  const tip = FISHING_HAND_M + rodM * Math.sin(riseRad);
  return rodM * Math.cos(riseRad) + Math.sqrt(Math.max(0, lineM * lineM - tip * tip));
}

export type RodHeld = 'back' | 'upright' | 'forward';
const HELD_RAD: Record<RodHeld, number> = {
  back: Math.PI / 4,
  upright: Math.PI / 2,
  forward: Math.PI / 3,
};

/**
 * How near to the hand a fish comes with the float (or the end of a fixed line) at the tip, m: `hungM`
 * of line from the bent rod's tip to the fish.
 */
export function nearestM(rodM: number, hungM: number, held: RodHeld, bend = DEEPEST_BEND): number {
  const chord = bend * rodM;
  const e = HELD_RAD[held];
  const tip = HAND_M + chord * Math.sin(e);
  const out = Math.sqrt(Math.max(0, hungM * hungM - tip * tip));
  const aside = chord * Math.cos(e);
  return Math.max(0, held === 'back' ? out - aside : held === 'forward' ? out + aside : out);
}

export const inReach = (m: number): boolean => m <= IN_REACH_M;
