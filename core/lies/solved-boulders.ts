/** A boulder narrower than this many cells leaves a dead pocket without an eddy: not solved. */
export const LEAST_CELLS_ACROSS = 5;

/** Boulders that are drawn but too small for the grid to solve their pockets. */
export function boulderIsSolved(diameterM: number, cellM: number): boolean {
  return diameterM >= LEAST_CELLS_ACROSS * cellM - 1e-9;
}
