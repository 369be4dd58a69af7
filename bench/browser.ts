import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { DEMO_BEAT_ID } from '../demo/names';
import { DEMO_NOW } from '../demo/names';
import { CHROMIUM } from '../playwright.config';

/** Measures in Chromium: JavaScript of the first load, frames and answers while the stand is dragged. */
const PORT = '4188';
const env = {
  ...process.env,
  PEBBLE_LANE_DATA: mkdtempSync(join(tmpdir(), 'pebble-bench-')),
  PEBBLE_NOW: DEMO_NOW,
};

async function measure(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  let bytes = 0;
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const scripts = new Set<string>();
  session.on('Network.responseReceived', (e) => {
    if (e.response.mimeType.includes('javascript') && !e.response.url.includes('worker'))
      scripts.add(e.requestId);
  });
  session.on('Network.loadingFinished', (e) => {
    if (scripts.has(e.requestId)) bytes += e.encodedDataLength;
  });
  await page.goto(`http://127.0.0.1:${PORT}/b/${DEMO_BEAT_ID}/spot?mark=demo-mark-1`);
  await page.locator('[class*=_lie]').first().waitFor();
  console.log(
    `first load of the workspace: ${(bytes / 1024).toFixed(0)} KB of JavaScript over the wire (gzip), target 250${bytes > 250 * 1024 ? '  MISSED' : ''}`,
  );
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  const stand = page.getByRole('button', { name: /^Stand, x/ });
  await stand.waitFor();
  await page.locator('[class*=_trackClean]').first().waitFor();
  const box = (await stand.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  // As text: the loader's helpers do not exist in the page.
  await page.evaluate(`
    window.frames_ = [];
    window.going_ = true;
    let last = performance.now();
    requestAnimationFrame(function tick(now) {
      window.frames_.push(now - last);
      last = now;
      if (window.going_) requestAnimationFrame(tick);
    });
  `);
  const skip = await page.evaluate<number>('window.pebbleLane.answerMs().length');
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let n = 0; n < 240; n++)
    await page.mouse.move(x + 60 * Math.sin(n / 30), y + 8 * Math.cos(n / 20));
  const { frames, answers } = await page.evaluate<{ frames: number[]; answers: number[] }>(
    '(window.going_ = false, { frames: window.frames_, answers: window.pebbleLane.answerMs() })',
  );
  await page.mouse.up();
  const at = (values: number[], p: number) =>
    [...values].sort((a, b) => a - b)[Math.floor(p * (values.length - 1))]!;
  const asked = answers.slice(skip);
  console.log(
    `frames while the stand is dragged: median ${at(frames, 0.5).toFixed(1)} ms, 95th percentile ${at(frames, 0.95).toFixed(1)} ms (${frames.length})`,
  );
  console.log(
    `answers while it is dragged: median ${at(asked, 0.5).toFixed(1)} ms, 95th percentile ${at(asked, 0.95).toFixed(1)} ms (${asked.length}), target 16`,
  );
  await browser.close();
}

execFileSync('npx', ['tsx', 'demo/seed.ts'], { env, stdio: 'ignore' });
const server = spawn('npx', ['next', 'start', '--hostname', '127.0.0.1', '--port', PORT], {
  env,
  stdio: 'pipe',
  detached: true,
});
server.stdout.on('data', (text: Buffer) => {
  if (!String(text).includes('Ready')) return;
  measure()
    .catch((error: unknown) => {
      console.error(error);
      process.exitCode = 1;
    })
    .finally(() => {
      process.kill(-server.pid!, 'SIGTERM');
      process.exit();
    });
});
