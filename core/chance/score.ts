/** How often what was said happened: for a set of tries. */
export interface Score {
  tries: number;
  /** Mean squared error of the chance (Brier 1950). */
  brier: number;
  /** Slope and offset of the outcomes' logit on the told one's: 1 and 0 where the figures mean what they say. */
  slope: number;
  offset: number;
  bins: { said: number; happened: number; tries: number }[];
}

const BINS = 5;
const ROUNDS = 30;

/** Brier score, and the logistic fit of outcomes on what was said (Cox 1958, by Newton's method). */
export function scoreOf(said: readonly { chance: number; happened: boolean }[]): Score {
  const tries = said.length;
  const brier =
    said.reduce((sum, s) => sum + (s.chance - (s.happened ? 1 : 0)) ** 2, 0) / Math.max(1, tries);
  let [offset, slope] = [0, 1];
  const points = said.map((s) => {
    const p = Math.min(0.999, Math.max(0.001, s.chance));
    return { x: Math.log(p / (1 - p)), y: s.happened ? 1 : 0 };
  });
  for (let n = 0; n < ROUNDS; n++) {
    let [g0, g1, h00, h01, h11] = [0, 0, 1e-9, 0, 1e-9];
    for (const { x, y } of points) {
      const p = 1 / (1 + Math.exp(-(offset + slope * x)));
      const w = p * (1 - p);
      g0 += y - p;
      g1 += (y - p) * x;
      h00 += w;
      h01 += w * x;
      h11 += w * x * x;
    }
    const det = h00 * h11 - h01 * h01;
    if (!(Math.abs(det) > 1e-12)) break;
    offset += (h11 * g0 - h01 * g1) / det;
    slope += (h00 * g1 - h01 * g0) / det;
  }
  const sorted = [...said].sort((a, b) => a.chance - b.chance);
  const bins = Array.from({ length: BINS }, (_, b) => {
    const part = sorted.slice(Math.floor((b * tries) / BINS), Math.floor(((b + 1) * tries) / BINS));
    const mean = (of: (s: (typeof part)[number]) => number) =>
      part.reduce((sum, s) => sum + of(s), 0) / Math.max(1, part.length);
    return {
      said: mean((s) => s.chance),
      happened: mean((s) => (s.happened ? 1 : 0)),
      tries: part.length,
    };
  });
  return { tries, brier, slope, offset, bins };
}
