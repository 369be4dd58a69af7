import base from './playwright.config';
import { join } from 'node:path';
import { DEMO_NOW } from './demo/names';
import { RUN } from './e2e/run';

const PORT = process.env.PEBBLE_SHOTS_PORT ?? '4179';
const url = `http://127.0.0.1:${PORT}`;

/** `./pebble shots`: a server with the whole demo, its two seasons too, another folder of scripts. */
export default {
  ...base,
  testMatch: 'shots.ts',
  globalSetup: undefined,
  workers: 1,
  reporter: 'list' as const,
  use: { ...base.use, baseURL: url },
  webServer: {
    command: 'npx tsx demo/seed.ts && npx tsx serving/main.ts',
    url,
    timeout: 180000,
    env: {
      PORT,
      HOST: '127.0.0.1',
      PEBBLE_LANE_DATA: join(RUN, 'shots'),
      PEBBLE_NOW: DEMO_NOW,
      NEXT_TELEMETRY_DISABLED: '1',
      PEBBLE_DEMO_SHARPEN: 'when-asked',
    },
  },
};
