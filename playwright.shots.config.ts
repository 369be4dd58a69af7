import base, { SERVER } from './playwright.config';

const { PEBBLE_DEMO_HISTORY: _, ...env } = SERVER.env;

/** `./pebble shots`: the same server with the whole demo, its two seasons too, another folder of scripts. */
export default {
  ...base,
  testMatch: 'shots.ts',
  reporter: 'list' as const,
  webServer: { ...SERVER, env },
};
