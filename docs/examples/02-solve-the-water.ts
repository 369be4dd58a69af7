// Solve the water of a beat, and ask it at a place
import { readFileSync } from 'node:fs';
import { readBeat } from '../../core/formats/index';
import { sampleFlow, solveFlow } from '../../core/water/index';

const read = readBeat(JSON.parse(readFileSync('public/practice-beat.json', 'utf8')));
if (!read.ok) throw new Error(read.problems[0]!.message);
const { plan } = read;
const level = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
// Half a metre is coarse, and takes a second; the program itself goes by a tenth.
const flow = solveFlow(plan, { dischargeM3s: level.dischargeM3s, cellM: 0.5 });
const here = sampleFlow(flow, plan.lengthM / 2, 0, { depthM: 0, u: 0, v: 0 });
console.log(
  `in the middle ${here.depthM.toFixed(1)} m deep, ${(-here.u).toFixed(1)} m/s down-current`,
);
const wet = flow.depthM.filter((d) => d > 0.02);
console.log(`mean depth ${(wet.reduce((a, b) => a + b, 0) / wet.length).toFixed(1)} m`);
