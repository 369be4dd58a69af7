/** Water a hundred metres higher is so much colder, C (our guess until pairs of readings say better). */
export const USUAL_LAPSE: Lapse = { best: 0.45, sd: 0.2 };
/** Two readings at one hour, moved to one height, differ by this, C (thermometers .28, the places the rest). */
const PAIR_SD_C = 0.4;
/** Heights nearer than this say nothing of it, m. */
const LEAST_APART_M = 20;

export interface Lapse {
  best: number;
  sd: number;
}
/** Two readings of one stream at one hour. */
export interface LapsePair {
  lowM: number;
  lowC: number;
  highM: number;
  highC: number;
}

/** How the water of a stream cools with height: normal prior, a pair at a time. */
export function fitLapse(pairs: readonly LapsePair[], prior: Lapse = USUAL_LAPSE): Lapse {
  let precision = prior.sd ** -2;
  let sum = prior.best * precision;
  for (const { lowM, lowC, highM, highC } of pairs) {
    const hundreds = (highM - lowM) / 100;
    if (Math.abs(hundreds) * 100 < LEAST_APART_M) continue;
    const weight = (hundreds / PAIR_SD_C) ** 2;
    precision += weight;
    sum += weight * ((lowC - highC) / hundreds);
  }
  return { best: sum / precision, sd: Math.sqrt(1 / precision) };
}

/** Readings of one hour at two heights as pairs; within half an hour of each other. */
export function lapsePairs(
  readings: readonly { atMs: number; tempC: number; altitudeM: number | null }[],
): LapsePair[] {
  const at = readings.filter((r) => r.altitudeM !== null).sort((a, b) => a.atMs - b.atMs) as {
    atMs: number;
    tempC: number;
    altitudeM: number;
  }[];
  const pairs: LapsePair[] = [];
  // Each reading stands in one pair: many lines of one logger are not many pairs.
  const used = new Set<number>();
  at.forEach((a, i) => {
    if (used.has(i)) return;
    for (let j = i + 1; j < at.length && at[j]!.atMs - a.atMs <= PAIR_WITHIN_MS; j++) {
      const b = at[j]!;
      if (used.has(j) || Math.abs(b.altitudeM - a.altitudeM) < LEAST_APART_M) continue;
      const [low, high] = a.altitudeM < b.altitudeM ? [a, b] : [b, a];
      pairs.push({
        lowM: low.altitudeM,
        lowC: low.tempC,
        highM: high.altitudeM,
        highC: high.tempC,
      });
      used.add(i).add(j);
      break;
    }
  });
  return pairs;
}
const PAIR_WITHIN_MS = 30 * 60_000;
