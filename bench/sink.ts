/* What sinks: a path, a lead, a ladder, the whole Bench and one drift of the record, CPU ms, warm. */
import { rigFrom, USUAL_BOX, usualRig } from '../core/rig/index';
import { levelRig } from '../core/sink/fixtures/by-force';
import {
  downLadder,
  evenLane,
  feltTable,
  hungRig,
  leadForDepthM,
  sinkPath,
  sunk,
} from '../core/sink/index';

const ROUNDS = 60;
function time(name: string, run: () => unknown): void {
  for (let n = 0; n < 20; n++) run();
  const took = Array.from({ length: ROUNDS }, () => {
    const began = process.cpuUsage();
    run();
    const { user, system } = process.cpuUsage(began);
    return (user + system) / 1000;
  }).sort((a, b) => a - b);
  const at = (share: number) => took[Math.floor(share * (ROUNDS - 1))]!.toFixed(2);
  console.log(`| ${name} | ${at(0.5)} | ${at(0.9)} | ${took.at(-1)!.toFixed(2)} |`);
}

const lane = evenLane(0.8, 0.5, 0.05, -8, 5);
const bare = hungRig(levelRig('nymph-14-t28', 5, null, 2.7), USUAL_BOX)!;
const float = hungRig(levelRig('nymph-14-t28', 5, 0.7), USUAL_BOX)!;
const flood = hungRig(rigFrom('flood'), USUAL_BOX)!;
const tackle = { box: USUAL_BOX };
const plan = { ...usualRig('sunk'), kind: 'streamer' as const };
console.log('| what | median ms | nine in ten | most |');
console.log('|---|---|---|---|');
time('bare, tucked', () => sinkPath({ lane, rig: bare, start: 'tucked', landingM: -1 }));
time('bare, up-current', () => sinkPath({ lane, rig: bare, start: 'up-current', landingM: -1 }));
time('float, 8 s, one fly', () =>
  sinkPath({ lane, rig: float, start: 'beyond-float', landingM: -4, seconds: 8 }),
);
time('the same while dragged', () =>
  sinkPath({ lane, rig: float, start: 'beyond-float', landingM: -4, seconds: 8, roughly: true }),
);
time('float, 8 s, three flies', () =>
  sinkPath({
    lane: evenLane(2.4, 0.6, 0.05, -8, 5),
    rig: flood,
    start: 'tucked',
    landingM: -5,
    seconds: 8,
  }),
);
time('lead for a depth', () => leadForDepthM({ lane, rig: bare, start: 'tucked' }, 0.6));
time('ladder', () =>
  downLadder({ plan, tackle, lane, start: 'up-current', leadM: 0.8, wantedM: 0.7, multiplier: 1 }),
);
time('the whole answer of one rig', () =>
  sunk({
    lane,
    plan: rigFrom('float'),
    tackle,
    start: 'beyond-float',
    leadM: 1,
    fishDepthM: 0.6,
    pastM: 1,
    belief: { lnM: 0, lnMSpread: 0.25 },
  }),
);
time('one drift of the record', () =>
  feltTable({
    placeId: 'a',
    lane,
    rigAt: (m) => hungRig(levelRig('nymph-14-t28', 5, null, 2.7), USUAL_BOX, m)!,
    start: 'tucked',
    leadM: 0.8,
    pastM: 0.5,
    felt: 'ticked',
  }),
);
