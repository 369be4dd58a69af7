import { DEFAULT_RIG } from '../core/rig/index';
import { castFigures } from './cast';
import { driftBand, RUNS, simulateDrift } from '../core/cast/index';
import { TOTAL_PER_FORK } from '../core/fish/index';
import { quickRead, rateLies, sensitivity, type QuickAnswers } from '../core/lies/index';
import {
  createScene,
  fishView,
  lookouts,
  shadeField,
  sightRing,
  windowView,
} from '../core/sight/index';
import { createStalkKeep, planStalkOn, stalkContext, type StalkInput } from '../core/stalk/index';
import {
  beatFromSketch,
  calibrate,
  createFlowRun,
  misfits,
  readWater,
  solveShallowWater,
} from '../core/water/index';
import { demoBeats } from '../demo/beats';
import { FIRST_SKETCH, firstBeat } from '../demo/first-beat';

/** Measures the models on this machine. Targets are the study's; a miss is said, not failed. */
interface Figure {
  what: string;
  value: number;
  unit: string;
  target: number | null;
}
const figures: Figure[] = [];

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}

/** Median of `runs` after a warm-up, ms a call. */
function time(runs: number, calls: number, work: () => void): number {
  work();
  const times: number[] = [];
  for (let r = 0; r < runs; r++) {
    const began = performance.now();
    for (let c = 0; c < calls; c++) work();
    times.push((performance.now() - began) / calls);
  }
  return median(times);
}

const say = (what: string, value: number, unit: string, target: number | null = null) =>
  figures.push({ what, value, unit, target });

function cellStep(): number {
  const [nx, ny] = [200, 50];
  const bedM = Float64Array.from({ length: nx * ny }, (_, k) => {
    const [i, j] = [k % nx, Math.floor(k / nx)];
    return 0.002 * i + 0.3 * Math.abs(j / ny - 0.5) + (i % 20 < 4 && j % 15 < 4 ? 0.6 : 0);
  });
  const times: number[] = [];
  for (let r = 0; r < 5; r++) {
    const began = performance.now();
    const out = solveShallowWater({
      nx,
      ny,
      cellM: 0.2,
      bedM,
      manningN: 0.04,
      inflow: { edge: 'xMax', dischargeM3s: 1.5 },
      outflow: { edge: 'xMin', kind: 'normal-depth', slope: 0.01 },
      initial: { surfaceM: 0.8 },
      options: { untilS: 10 },
    });
    times.push(((performance.now() - began) * 1e6) / (out.iterations * nx * ny));
  }
  return median(times);
}

say('solver, one cell and step (200 x 50, all wet)', cellStep(), 'ns', 180);

const plan = firstBeat();
const { dischargeM3s } = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
const began = performance.now();
const run = createFlowRun(plan, { dischargeM3s });
let coarseMs = 0;
while (!run.advance(40)) if (coarseMs === 0 && run.coarse()) coarseMs = performance.now() - began;
say('demo beat, first (coarse) picture', coarseMs / 1000, 's', 1);
say('demo beat, .2 m answer', (performance.now() - began) / 1000, 's', 5);
const flow = run.result();
say('demo beat, mass error', flow.massError, '', 0.001);

say(
  'what the eye reads: pieces, seams, foam, leaves',
  time(3, 1, () => void readWater(flow)),
  'ms',
);
say(
  'a sketch built anew (each key while it is told)',
  time(5, 3, () => void beatFromSketch(FIRST_SKETCH)),
  'ms',
  16,
);
const glide = demoBeats()[1]!.plan;
say(
  'misfit at 67 places',
  time(5, 3, () => void misfits(glide, flow)),
  'ms',
  16,
);
const fitted = performance.now();
calibrate(glide);
say('calibration, 24 speeds', (performance.now() - fitted) / 1000, 's');

const trout = { species: 'brown', forkLengthCm: 25 / TOTAL_PER_FORK, waterTempC: 11 } as const;
const found = rateLies(plan, flow, trout).lies[0]!;
const best =
  Math.round((found.yM - flow.y0M) / flow.cellM) * flow.nx +
  Math.round((found.xM - flow.x0M) / flow.cellM);
const told: QuickAnswers = {
  ...trout,
  depthM: 0.5,
  surfacePaceMps: 0.4,
  edge: 'quicker',
  cover: 'boughs',
  coverDistanceM: 0,
  bottom: 'gravel',
  foam: true,
  colour: 'clear',
  shaded: false,
};
/** A flow that nothing was prepared for. */
const fresh = () => ({ ...flow });
say(
  'lies, whole field and list, from a new flow',
  time(5, 1, () => void rateLies(plan, fresh(), trout)),
  'ms',
  150,
);
let degree = 0;
say(
  'lies at another temperature',
  time(5, 1, () => void rateLies(plan, flow, { ...trout, waterTempC: 4 + (degree += 0.13) })),
  'ms',
  50,
);
const shade = new Float64Array(flow.depthM.length);
say(
  'lies at another hour (shade)',
  time(5, 1, () => void rateLies(plan, flow, { ...trout, shade: shade.fill((degree += 0.01)) })),
  'ms',
  50,
);
say(
  'sensitivity of one lie, seven inputs',
  time(5, 1, () => void sensitivity(plan, flow, trout, best)),
  'ms',
);
say(
  'quick read',
  time(5, 20, () => void quickRead(told)),
  'ms',
  16,
);

const conditions = { sunAltitudeRad: 0.8, sunPlanRad: 1, sky: 'clear', windMps: 1 } as const;
const fish = {
  id: 'f',
  xM: 14.9,
  yM: -1.6,
  fishDepthM: 0.4,
  headingRad: 0,
  totalLengthCm: 27,
  surety: 'sure',
} as const;
/** Every half hour from sunrise to dusk. */
const day = Array.from({ length: 37 }, (_, i) => ({
  sunAltitudeRad: 1.1 * Math.sin((Math.PI * (i - 3)) / 33),
  sunPlanRad: i > 3 && i < 36 ? 3 - i / 6 : null,
  sky: 'clear' as const,
  windMps: 1,
}));
say(
  'scene of the beat',
  time(3, 1, () => void createScene(plan, flow)),
  'ms',
);
const scene = createScene(plan, flow);
const many = rateLies(plan, flow, trout)
  .lies.slice(0, 12)
  .map((l) => ({ ...fish, id: l.id, xM: l.xM, yM: l.yM, fishDepthM: 0.75 * l.depthM }));
const looking = { hours: day, posture: 'stand', heightM: 1.75, polarised: true } as const;
say(
  'lookouts, whole beat and day, 12 fish, 37 hours',
  time(3, 1, () => void lookouts(scene, { ...looking, targets: many })),
  'ms',
  1000,
);
say(
  'lookouts of one fish, whole day',
  time(3, 1, () => void lookouts(scene, { ...looking, targets: [fish] })),
  'ms',
  1000,
);
say(
  'what the fish sees, one hour',
  time(3, 5, () => void windowView(scene, fish, null, conditions)),
  'ms',
  16,
);
say(
  'shade on the water, one hour',
  time(3, 3, () => void shadeField(scene, conditions)),
  'ms',
);
const view = fishView(scene, fish, conditions);
say(
  'sight ring, 72 bearings',
  time(5, 5, () => void sightRing(scene, view, 'kneel', 1.75, conditions)),
  'ms',
  16,
);

const drift = {
  rig: DEFAULT_RIG,
  tip: { xM: 12.5, yM: -3.2, zM: 0.5 },
  landing: { xM: 16.6, yM: -1.6 },
  fish,
  lay: { kind: 'reach', toward: 'up-current', amountM: 1.5 },
  seconds: 10,
} as const;
say(
  'drift of 10 s, h .2 m, dt .1 s',
  time(7, 20, () => void simulateDrift(flow, drift)),
  'ms',
  1,
);
say(
  'drift and band while dragging (6 runs of 6 s)',
  time(7, 5, () => void driftBand(flow, { ...drift, seconds: 6 }, RUNS.dragging)),
  'ms',
  16,
);
say(
  'drift and band at rest (24 runs of 6 s)',
  time(5, 2, () => void driftBand(flow, { ...drift, seconds: 6 }, RUNS.settled)),
  'ms',
);
const cast = castFigures(scene, fish, conditions, time);
say('room, wind, lining, angle, false casts (with each drag)', cast.nowMs, 'ms', 4);
say('every lay, mends, covers, landing (at rest)', cast.studyMs, 'ms', 250);
say('search for shots, the first', cast.coldMs, 'ms');
say(
  `search for shots, warm: ${cast.candidates} casts, ${cast.simulated} simulated`,
  cast.warmMs,
  'ms',
  1000,
);
say('longest turn of the search, warm', cast.longestTurnMs, 'ms', 100);
say('candidates a second, warm', cast.perSecond, '');
const stalk: StalkInput = {
  from: { xM: 2.5, yM: -8.4 },
  to: { xM: 11, yM: -5 },
  endPosture: 'kneel',
  fish: [fish],
  angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.7 },
  conditions,
};
say(
  'stalk, four postures on .25 m, one fish, all anew',
  time(3, 1, () => void planStalkOn(stalkContext(scene, stalk), stalk)),
  'ms',
  300,
);
const kept = createStalkKeep();
const dragged = { ...stalk, cellM: 0.5, via: [{ xM: 6, yM: -6 }] };
stalkContext(scene, dragged, kept);
say(
  'stalk while a waypoint is dragged, .5 m',
  time(9, 3, () => void planStalkOn(stalkContext(scene, dragged, kept), dragged)),
  'ms',
  33,
);

console.log(`Node ${process.version}, ${new Date().toISOString().slice(0, 10)}`);
for (const f of figures) {
  const target =
    f.target === null
      ? ''
      : `  target ${f.target} ${f.unit}${f.value > f.target ? '  MISSED' : ''}`;
  console.log(
    `${f.what.padEnd(50)} ${f.value.toPrecision(3).padStart(9)} ${f.unit.padEnd(3)}${target}`,
  );
}
