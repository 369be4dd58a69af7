/**
 * What a machine does, so that a figure taken on one can be held against another's: a fixed piece
 * of arithmetic over typed arrays, of small objects made and of sorting, as the models are made of.
 */
export function yardstick(): number {
  const n = 60_000;
  const field = new Float64Array(n);
  for (let pass = 0; pass < 12; pass++)
    for (let k = 0; k < n; k++)
      field[k] = Math.sqrt(1 + field[(k * 7 + pass) % n]! ** 2) + Math.exp(-((k % 97) / 50));
  const things = Array.from({ length: 40_000 }, (_, k) => ({ k, at: field[(k * 31) % n]! }));
  things.sort((a, b) => a.at - b.at || a.k - b.k);
  return things.reduce((sum, t, i) => sum + (i % 7) * t.at, 0);
}

const timed = (work: () => unknown): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

/** How many yardsticks a piece of work is long, and its ms: medians of `rounds`, the two turn about. */
export function inYardsticks(work: () => unknown, rounds = 9): { ratio: number; ms: number } {
  yardstick();
  work();
  const pairs = Array.from({ length: rounds }, () => {
    const yard = timed(yardstick);
    const ms = timed(work);
    return { ratio: ms / ((yard + timed(yardstick)) / 2), ms };
  });
  const middle = (of: 'ratio' | 'ms') =>
    pairs.map((p) => p[of]).sort((a, b) => a - b)[rounds >> 1]!;
  return { ratio: middle('ratio'), ms: middle('ms') };
}
