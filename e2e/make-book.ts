import { closeBook, keepFlow } from '../services/index';
import { encodeFlow, flowInputHash } from '../core/water/index';
import { demoBeats } from '../demo/beats';
import { seeded } from '../demo/seed';
import { keptFlow } from '../testing/solved';

/** The demo's book with none of its seasons, and with the water of every beat at its surveyed level. */
async function make(): Promise<void> {
  await seeded;
  for (const { id, plan } of demoBeats()) {
    const { dischargeM3s } = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
    const flow = keptFlow(plan, { dischargeM3s });
    await keepFlow(id, flowInputHash(plan, dischargeM3s), encodeFlow(flow));
  }
  await closeBook();
}
void make();
