// Where a trout can hold in it, best first, and why
import { readFileSync } from 'node:fs';
import { readBeat } from '../../core/formats/index';
import { rateLies } from '../../core/lies/index';
import { solveFlow } from '../../core/water/index';

const read = readBeat(JSON.parse(readFileSync('public/practice-beat.json', 'utf8')));
if (!read.ok) throw new Error(read.problems[0]!.message);
const level = read.plan.levels.find((l) => l.name === read.plan.surveyedLevel)!;
const flow = solveFlow(read.plan, { dischargeM3s: level.dischargeM3s, cellM: 0.5 });
const { lies } = rateLies(read.plan, flow, { species: 'brown', forkLengthCm: 26, waterTempC: 12 });
console.log(`${lies.length > 2 ? 'several lies' : 'few lies'}; the best is a ${lies[0]!.kind}`);
console.log(
  `its reasons: ${lies[0]!.why
    .map((r) => r.what)
    .slice(0, 3)
    .join(', ')}`,
);
