import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

/** A free port and a folder of their own, the same in every process of the run. */
process.env.PEBBLE_E2E_PORT ??= execFileSync(process.execPath, [
  '-e',
  'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})',
])
  .toString()
  .trim();
process.env.PEBBLE_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'pebble-e2e-'));
export const port = process.env.PEBBLE_E2E_PORT;

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
  ],
};

export const NOW = '2026-06-13T07:40:00Z';

/** The server that checks run against, with the demo's beats and none of its seasons. */
export const SERVER = {
  command: `npx tsx demo/seed.ts && npx tsx serving/main.ts`,
  url: `http://127.0.0.1:${port}`,
  timeout: 180000,
  env: {
    PORT: port,
    HOST: '127.0.0.1',
    PEBBLE_LANE_DATA: process.env.PEBBLE_E2E_DATA,
    PEBBLE_NOW: NOW,
    NEXT_TELEMETRY_DISABLED: '1',
    // The sharper picture takes minutes: it is asked for where it is tried.
    PEBBLE_DEMO_SHARPEN: 'when-asked',
    // Checks count what they try themselves; Learn's has a server of its own.
    PEBBLE_DEMO_HISTORY: 'none',
  },
};

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  retries: 0,
  workers: 1,
  timeout: 120000,
  expect: { timeout: 30000 },
  reporter: [['list'], ['json', { outputFile: '.pebble/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    timezoneId: 'UTC',
  },
  webServer: SERVER,
});
