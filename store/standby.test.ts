import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { newCluster, newStandby, promote, type Cluster } from './fixtures/cluster';
import { appendEvent, openStore, openTry, type Db } from './index';

/** Outright: the first process and every one that it has begun. */
function kill(cluster: Cluster): void {
  const own = cluster.server.pid!;
  const begun = execFileSync('pgrep', ['-P', String(own)], { encoding: 'utf8' })
    .trim()
    .split('\n');
  for (const pid of [own, ...begun.map(Number)]) process.kill(pid, 'SIGKILL');
}

const attempt = (id: string) => ({
  id,
  outingId: 'o',
  beatId: null,
  markId: null,
  fly: '',
  openedMs: 1,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
});
const outing = { id: 'o', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
const cast = (id: string, device: string, seq: number) => ({
  id,
  device,
  seq,
  code: 'cast' as const,
  clientMs: seq,
  zoneOffsetMin: 0,
});

// `bench/club.ts` does the same with servers, fifty phones and two minutes.
it('the primary is killed outright while six log: all that was acknowledged is on the promoted standby, once', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-standby-'));
  chmodSync(folder, 0o755);
  const primary = await newCluster(join(folder, 'primary'), {
    synchronous_standby_names: `'club'`,
  });
  const standby = await newStandby(primary, join(folder, 'standby'), 'club');
  primary.sql('create database club');
  // Two doors, as two servers have.
  const doors = [await openStore(primary.url('club')), await openStore(primary.url('club'))] as [
    Db,
    Db,
  ];
  const acknowledged: string[] = [];
  let over = false;
  const log = async (n: number) => {
    const door = doors[n % 2]!;
    await openTry(door, attempt(`t${n}`), outing);
    for (let seq = 1; !over; seq++) {
      const id = `t${n}-${seq}`;
      if ((await appendEvent(door, `t${n}`, cast(id, `d${n}`, seq))) === 'kept')
        acknowledged.push(id);
    }
  };
  // Whoever was not answered hears of a connection that is gone.
  const logging = Array.from({ length: 6 }, (_, n) => log(n).catch(() => null));
  const lost = jest.spyOn(console, 'error').mockImplementation(() => {});
  // In the middle of it, however long that much takes.
  while (acknowledged.length <= 200) await pause(10);
  kill(primary);
  over = true;
  await Promise.all(logging);
  await Promise.all(doors.map((d) => d.destroy().catch(() => null)));
  promote(standby);
  const there = await openStore(standby.url('club'));
  const kept = (await there.selectFrom('try_events').select('id').execute()).map((e) => e.id);
  expect(acknowledged.length).toBeGreaterThan(200);
  expect(acknowledged.filter((id) => !kept.includes(id))).toEqual([]);
  expect(new Set(kept).size).toBe(kept.length);
  await there.destroy();
  await standby.stop();
  lost.mockRestore();
  rmSync(folder, { recursive: true, force: true });
});
