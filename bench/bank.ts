import { chromium } from '@playwright/test';

/** How quick the outing is on a middling phone: `npx tsx bench/bank.ts http://127.0.0.1:4173` beside a running demo. The processor is slowed down four times. */
const SLOWER = 4;
const PRESSES = 30;
const STARTS = 7;

/** As text: what runs in the page must not be touched by the loader. One press, timed until the store counts it. */
const PRESS = `(async () => {
  const db = await new Promise((resolve, reject) => {
    const asked = indexedDB.open('pebble-lane');
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error);
  });
  const count = () => new Promise((resolve) => {
    const asked = db.transaction('journal').objectStore('journal').count();
    asked.onsuccess = () => resolve(asked.result);
  });
  const before = await count();
  const button = [...document.querySelectorAll('button')].find((b) => b.textContent === 'Nothing');
  const at = performance.now();
  button.click();
  while ((await count()) === before);
  const took = performance.now() - at;
  db.close();
  return took;
})()`;

const median = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

async function run(address: string): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  // When the first words of the page stand.
  await context.addInitScript(() => {
    new MutationObserver((_, seen) => {
      if (!document.querySelector('main h1')) return;
      (window as { firstWords?: number }).firstWords = performance.now();
      seen.disconnect();
    }).observe(document, { childList: true, subtree: true });
  });
  const page = await context.newPage();
  await page.goto(`${address}/outing#/take`);
  await page.getByRole('button', { name: 'Take along' }).first().click();
  await page.getByText(/: fresh$/).waitFor({ timeout: 120_000 });
  await page.locator('[data-offline=ready]').waitFor();
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await context.setOffline(true);
  const opened: number[] = [];
  for (let n = 0; n < STARTS; n++) {
    await page.goto('about:blank');
    await page.goto(`${address}/outing#/now`);
    await page.locator('main h1').waitFor();
    opened.push(
      await page.evaluate(() => (window as unknown as { firstWords: number }).firstWords),
    );
  }
  await page.getByRole('button', { name: /^Cast here|^Go on/ }).click();
  await page.getByRole('button', { name: 'Nothing', exact: true }).waitFor();
  const kept: number[] = [];
  for (let n = 0; n < PRESSES; n++) kept.push(await page.evaluate<number>(PRESS));
  const largest = Math.max(...kept);
  console.log(
    `opened without a network, first words: median ${median(opened).toFixed(0)} ms of ${STARTS}, worst ${Math.max(...opened).toFixed(0)}`,
  );
  console.log(
    `a press kept in the phone's store: median ${median(kept).toFixed(0)} ms of ${PRESSES}, worst ${largest.toFixed(0)}`,
  );
  await browser.close();
}
void run(process.argv[2] ?? 'http://127.0.0.1:4173');
