import {
  beatsInBook,
  cachedFlow,
  changeSettings,
  keepBeat,
  keepFlow,
  keepMark,
} from '../services/index';
import { flowInputHash, encodeFlow, solveFlow } from '../core/water/index';
import { DEMO_STREAM, firstBeat } from './first-beat';
import { DEMO_BEAT_ID } from './names';

/** Fills the demo's book once: its beat, two marks, and the flow at the surveyed level. */
async function seed(): Promise<void> {
  const plan = firstBeat();
  if (!(await beatsInBook()).some((b) => b.id === DEMO_BEAT_ID)) {
    await keepBeat(DEMO_BEAT_ID, DEMO_STREAM, plan);
    await changeSettings({ waterTempC: 11.5 });
    const mark = { beatId: DEMO_BEAT_ID, headingRad: 0, surety: 'sure' as const };
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
    console.log('Demo data made: one stream, one beat, two marks.');
  }
  const level = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
  const hash = flowInputHash(plan, level.dischargeM3s);
  if ((await cachedFlow(hash)).ok) return;
  console.log('Solving the flow of the demo beat once: usually 10 to 20 seconds.');
  const flow = solveFlow(plan, { dischargeM3s: level.dischargeM3s });
  await keepFlow(DEMO_BEAT_ID, hash, encodeFlow(flow));
}

seed().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
