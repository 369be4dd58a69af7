/** What was done with a rig since its knots were tied, and since its fly was last looked at. */
export interface Use {
  casts: number;
  fish: number;
  snags: number;
  castsSinceLook: number;
}

/** A fly gathers weed, and is looked at, every so many casts (common practice). */
export const WEED_EVERY = 15;

export type Due = 'knots' | 'weed';
/** A knot wants a look after so much of each (common practice; our guesses). */
const KNOT = { fish: 3, snags: 2, casts: 120 } as const;

/** What is due for a look: knots by fish, snags and casts since they were tied, weed every so many casts. */
export function dueFor(use: Use, weedEvery: number): Due[] {
  const worn = use.fish / KNOT.fish + use.snags / KNOT.snags + use.casts / KNOT.casts;
  return [
    ...(worn >= 1 ? (['knots'] as const) : []),
    ...(weedEvery > 0 && use.castsSinceLook >= weedEvery ? (['weed'] as const) : []),
  ];
}
