import { closeBook, keepFlow, takeAlong } from '../services/index';
import { encodeFlow, flowInputHash } from '../core/water/index';
import { demoBeats } from '../demo/beats';
import { DEMO_BEAT_ID } from '../demo/names';
import { seeded } from '../demo/seed';
import { keptFlow } from '../testing/solved';

/** Between two looks at whether a beat is worked out, ms. */
const LOOK_MS = 200;

/**
 * The demo's book with none of its seasons, the water of every beat at every level solved, and two
 * beats worked out for the bank.
 */
async function make(): Promise<void> {
  await seeded;
  for (const { id, plan } of demoBeats())
    for (const { dischargeM3s } of plan.levels)
      await keepFlow(
        id,
        flowInputHash(plan, dischargeM3s),
        encodeFlow(keptFlow(plan, { dischargeM3s })),
      );
  for (const id of [DEMO_BEAT_ID, 'kettle-slot'])
    for (;;) {
      const asked = await takeAlong(id);
      if (!asked.ok) throw new Error(asked.message);
      if (asked.value.state === 'done') break;
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  await closeBook();
}
void make();
