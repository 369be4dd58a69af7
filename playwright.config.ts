import { defineConfig } from '@playwright/test';
import './e2e/run';

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

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  globalSetup: './e2e/set-up.ts',
  retries: 0,
  // Two browsers side by side; each has a server and a book of its own (e2e/test.ts).
  workers: 2,
  // What is waited for is a state: so long it takes only where it never comes.
  timeout: 900_000,
  expect: { timeout: 300_000 },
  reporter: [['list'], ['json', { outputFile: '.pebble/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    timezoneId: 'UTC',
  },
});
