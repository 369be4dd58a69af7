import {
  beatsInBook,
  cachedFlow,
  changeSettings,
  closeBook,
  keepBeat,
  keepFact,
  keepFlow,
  keepHistory,
  keepMark,
  keepRead,
  nowMs,
} from '../services/index';
import { decodeFlow, encodeFlow, flowInputHash, solveFlow } from '../core/water/index';
import { demoBeats } from './beats';
import { DEMO_STREAM } from './first-beat';
import { demoHistory } from './history';
import { DEMO_BEAT_ID } from './names';
import { HOME, NO_DATE_FACTS, wayId, type DateFacts } from '../core/log/index';

/** A fair day, and a hot one a week later. */
const DAYS: Record<string, Partial<DateFacts>> = {
  '2026-06-13': { airLowC: 9, airHighC: 24 },
  '2026-06-20': { airLowC: 12, airHighC: 27, cloud: 0, thunder: { fromMin: 960, toMin: 1140 } },
};
/** Ways of the demo, door to water, min. */
const WAYS = {
  [wayId(HOME, 'withy-bend')]: 20,
  [wayId(HOME, DEMO_BEAT_ID)]: 30,
  [wayId('withy-bend', 'tansy-glide')]: 15,
  [wayId('tansy-glide', DEMO_BEAT_ID)]: 25,
  [wayId('kettle-slot', DEMO_BEAT_ID)]: 40,
};

/**
 * Fills the demo's book once: four beats and two marks, the first beat's flow at the surveyed
 * level, and two invented seasons. The rest of the water is solved in the background once the program runs.
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
  const kept = await cachedFlow(hash);
  let flow = kept.ok ? decodeFlow(kept.value) : null;
  if (!flow) {
    console.log('Solving the flow of the first demo beat once: usually 15 to 30 seconds.');
    flow = solveFlow(first, { dischargeM3s: level.dischargeM3s });
    await keepFlow(DEMO_BEAT_ID, hash, encodeFlow(flow));
  }
  // The end-to-end checks count their own tries: they go without.
  if (known.has(DEMO_BEAT_ID) || process.env.PEBBLE_DEMO_HISTORY === 'none') return;
  const solved = { beatId: DEMO_BEAT_ID, level: level.name, flow };
  const { reads, ...history } = demoHistory(beats, DEMO_STREAM, nowMs(), undefined, solved);
  for (const read of reads) {
    const kept = await keepRead(read);
    if (!kept.ok) throw new Error(`The demo’s place "${read.id}" was not taken: ${kept.message}`);
  }
  await keepHistory(history);
  console.log(
    `Two seasons made up: ${history.outings.length} outings, ${history.tries.length} tries, ${history.readings.length} readings.`,
  );
}

async function firstMarks(): Promise<void> {
  const sharpen = process.env.PEBBLE_DEMO_SHARPEN === 'when-asked' ? 'when-asked' : 'by-itself';
  await changeSettings({
    waterTempC: 11.5,
    waterTempAt: { beatId: DEMO_BEAT_ID, ms: nowMs() },
    sharpen,
  });
  for (const [date, weather] of Object.entries(DAYS))
    await keepFact('dates', date, { ...NO_DATE_FACTS, ...weather, weather: 'typed' });
  for (const [between, minutes] of Object.entries(WAYS))
    await keepFact('ways', between, { minutes });
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

/** Done, the book closed; what went wrong is said, and told by how the program ends. */
export const seeded: Promise<void> = seed()
  .catch((error: unknown) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(closeBook);
