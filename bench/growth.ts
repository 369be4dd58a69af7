import { writeFileSync } from 'node:fs';
import { beatFromSketch, newPiece, newSketch, createFlowRun } from '../core/water/index';

/**
 * How the solver grows with the size of a reach: time and memory of a whole .2 m solve, from a
 * small beat to the largest that is taken (150 x 15 m). Writes docs/growth.svg.
 */
const SIZES: readonly (readonly [lengthM: number, widthM: number])[] = [
  [15, 5],
  [30, 7],
  [60, 9],
  [100, 12],
  [150, 15],
];

interface Point {
  lengthM: number;
  widthM: number;
  cells: number;
  seconds: number;
  coarseS: number;
  megabytes: number;
  steps: number;
  status: string;
  massError: number;
}

function measure(lengthM: number, widthM: number): Point {
  const kinds = ['riffle', 'run', 'pool', 'run', 'pocket water'] as const;
  const pieces = kinds.map((kind, i) => ({
    ...newPiece(String(i), kind, widthM),
    lengthM: lengthM / kinds.length,
  }));
  const built = beatFromSketch({ ...newSketch('Growth', 1.75), pieces });
  if (!built.ok) throw new Error(built.problems[0]!.message);
  const { dischargeM3s } = built.plan.levels.find((l) => l.name === 'Fair')!;
  const before = process.memoryUsage().arrayBuffers;
  let most = 0;
  let coarseS = 0;
  const began = performance.now();
  const run = createFlowRun(built.plan, { dischargeM3s });
  while (!run.advance(500)) {
    most = Math.max(most, process.memoryUsage().arrayBuffers - before);
    if (coarseS === 0 && run.coarse()) coarseS = (performance.now() - began) / 1000;
  }
  const flow = run.result();
  return {
    lengthM,
    widthM,
    cells: flow.nx * flow.ny,
    seconds: (performance.now() - began) / 1000,
    coarseS,
    megabytes: most / 1e6,
    steps: flow.iterations,
    status: flow.status,
    massError: flow.massError,
  };
}

const points = SIZES.map(([l, w]) => {
  const p = measure(l, w);
  console.log(
    `${l} x ${w} m: ${p.cells} cells, first picture ${p.coarseS.toFixed(1)} s, answer ${p.seconds.toFixed(1)} s, ${p.megabytes.toFixed(0)} MB, ${p.steps} steps, ${p.status}, mass ${p.massError.toExponential(1)}`,
  );
  return p;
});

const [W, H] = [560, 300];
const mostCells = Math.max(...points.map((p) => p.cells));
const mostSeconds = Math.max(...points.map((p) => p.seconds));
const x = (cells: number) => 60 + ((W - 90) * cells) / mostCells;
const y = (seconds: number) => H - 44 - ((H - 80) * seconds) / mostSeconds;
const line = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.cells)},${y(p.seconds)}`).join('');
const text = (at: string, words: string) =>
  `<text ${at} font-family="sans-serif" font-size="13" fill="#131B18">${words}</text>`;
writeFileSync(
  'docs/growth.svg',
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${W} ${H}"><rect width="${W}" height="${H}" fill="#F4F5EF"/>` +
    `<path d="M60,20V${H - 44}H${W - 20}" fill="none" stroke="#131B18"/>` +
    `<path d="${line}" fill="none" stroke="#2420C4" stroke-width="2"/>` +
    points
      .map(
        (p) =>
          `<circle cx="${x(p.cells)}" cy="${y(p.seconds)}" r="4" fill="#2420C4"/>` +
          text(
            `x="${x(p.cells) - 8}" y="${y(p.seconds) - 10}" text-anchor="end"`,
            `${p.lengthM} x ${p.widthM} m: ${p.seconds.toFixed(0)} s, ${p.megabytes.toFixed(0)} MB`,
          ),
      )
      .join('') +
    text(`x="${W / 2}" y="${H - 14}" text-anchor="middle"`, `cells of .2 m (most: ${mostCells})`) +
    text(`x="14" y="16"`, 'seconds to the .2 m answer') +
    `</svg>\n`,
);
