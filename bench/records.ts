import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { demoBeats } from '../demo/beats';
import { appendEvent, listTries, listTryLog, openStore, openTry, putBeat } from '../store/index';

/** What a beat page waits for with many tries: `npx tsx bench/records.ts [tries]`. */
const TRIES = Number(process.argv[2] ?? 20_000);
const EVENTS = 4;

async function run(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-bench-'));
  const db = await openStore(folder);
  const { plan } = demoBeats()[0]!;
  await putBeat(db, { id: 'b', streamName: 'Bench', plan, madeFrom: null, nowMs: 1 }, null);
  const outing = { id: 'o', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
  const began = performance.now();
  for (let n = 0; n < TRIES; n++) {
    const id = `t${n}`;
    await openTry(
      db,
      {
        id,
        outingId: 'o',
        beatId: 'b',
        markId: null,
        fly: 'Ant',
        openedMs: n,
        zoneOffsetMin: 0,
        snapshot: EMPTY_SNAPSHOT,
      },
      outing,
    );
    for (let seq = 1; seq <= EVENTS; seq++)
      await appendEvent(db, id, {
        id: `${id}-${seq}`,
        device: 'd',
        seq,
        code: 'cast',
        clientMs: n,
        zoneOffsetMin: 0,
      });
  }
  const kept = performance.now() - began;
  const listed: number[] = [];
  for (let n = 0; n < 5; n++) {
    const start = performance.now();
    const tries = await listTries(db, 'b');
    if (tries.length !== TRIES) throw new Error(`${tries.length} of ${TRIES} tries came back`);
    listed.push(performance.now() - start);
  }
  for (const [name, filter] of [
    ['all', {}],
    ['of one end', { state: 'open' }],
    ['by a fly', { fly: 'an', fromMs: 0.5 * TRIES }],
  ] as const) {
    const times: number[] = [];
    for (let n = 0; n < 9; n++) {
      const at = performance.now();
      await listTryLog(db, filter, 300);
      times.push(performance.now() - at);
    }
    times.sort((a, b) => a - b);
    console.log(`log of ${TRIES} tries, ${name}: median ${times[4]!.toFixed(0)} ms`);
  }
  await db.destroy();
  rmSync(folder, { recursive: true });
  const median = [...listed].sort((a, b) => a - b)[2]!;
  console.log(
    `${TRIES} tries of ${EVENTS} events: listed in ${median.toFixed(0)} ms (median of 5); ` +
      `each event kept in ${(kept / TRIES / (EVENTS + 1)).toFixed(2)} ms`,
  );
}
void run();
