import {
  beatsInBook,
  cachedFlow,
  changeSettings,
  keepBeat,
  keepFlow,
  keepMark,
  nowMs,
} from '../services/index';
import { encodeFlow, flowInputHash, solveFlow } from '../core/water/index';
import { demoBeats } from './beats';
import { DEMO_STREAM } from './first-beat';
import { DEMO_BEAT_ID } from './names';

/**
 * Fills the demo's book once: four beats and two marks, and the first beat's flow at the surveyed
 * level. The rest of the water is solved in the background once the program runs.
 */
async function seed(): Promise<void> {
  const beats = demoBeats();
  const known = new Set((await beatsInBook()).map((b) => b.id));
  for (const { id, plan, sketch } of beats)
    if (!known.has(id)) await keepBeat(id, DEMO_STREAM, plan, sketch && { kind: 'sketch', sketch });
  if (!known.has(DEMO_BEAT_ID)) await firstMarks();
  const first = beats[0]!.plan;
  const level = first.levels.find((l) => l.name === first.surveyedLevel)!;
  const hash = flowInputHash(first, level.dischargeM3s);
  if ((await cachedFlow(hash)).ok) return;
  console.log('Solving the flow of the first demo beat once: usually 15 to 30 seconds.');
  const flow = solveFlow(first, { dischargeM3s: level.dischargeM3s });
  await keepFlow(DEMO_BEAT_ID, hash, encodeFlow(flow));
}

async function firstMarks(): Promise<void> {
  const sharpen = process.env.PEBBLE_DEMO_SHARPEN === 'when-asked' ? 'when-asked' : 'by-itself';
  await changeSettings({ waterTempC: 11.5, sharpen });
  const mark = {
    beatId: DEMO_BEAT_ID,
    headingRad: 0,
    surety: 'sure' as const,
    behaviour: 'holding' as const,
    note: '',
    photoId: null,
    seenMs: nowMs(),
  };
  await keepMark({
    ...mark,
    id: 'demo-mark-1',
    xM: 13.5,
    yM: 0.3,
    fishDepthM: 0.4,
    totalLengthCm: 27,
  });
  await keepMark({
    ...mark,
    id: 'demo-mark-2',
    xM: 23.7,
    yM: 3.4,
    fishDepthM: 0.5,
    totalLengthCm: 33,
    surety: 'likely',
  });
  console.log('Demo data made: one stream, four beats, two marks.');
}

seed().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
