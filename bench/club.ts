import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { newCluster, newStandby, promote, type Cluster } from '../store/fixtures/cluster';

/**
 * `npx tsx bench/club.ts [phones=50] [seconds=120]`, after a build. Two servers on one book, phones
 * that log through both of them, a synchronous standby; at the end the primary is killed outright and
 * the standby promoted. Ends with 1 where one acknowledged event is not on it.
 */
const [phones, seconds] = [Number(process.argv[2] ?? 50), Number(process.argv[3] ?? 120)];
const PORTS = [4391, 4392];
const LATER_PORT = 4393;
/** A phone logs something so often, ms: an angler does so once a minute. */
const EVERY_MS = 500;

const folder = mkdtempSync(join(tmpdir(), 'pebble-club-'));
execFileSync('chmod', ['755', folder]);
const zone = { zoneOffsetMin: 0 };
const acknowledged = new Map<string, string>();
const refused = new Map<string, { url: string; body: object }>();
const tookMs: number[] = [];
let over = false;

const put = (port: number, path: string, body: object) =>
  fetch(`http://127.0.0.1:${port}${path}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', origin: `http://127.0.0.1:${port}` },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(8_000),
  });

async function serverOn(port: number, url: string): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'serving/main.ts'], {
    env: {
      ...process.env,
      DATABASE_URL: url,
      PORT: String(port),
      HOST: '127.0.0.1',
      PEBBLE_LANE_DATA: join(folder, String(port)),
    },
    stdio: 'ignore',
  });
  for (let n = 0; ; n++) {
    const here = await fetch(`http://127.0.0.1:${port}/api/v1/health`).catch(() => null);
    if (here?.ok) return child;
    if (n > 150) throw new Error(`The server on ${port} did not start.`);
    await pause(200);
  }
}

/** One angler: a try after another, a few casts each, by whichever server answers. */
async function phone(n: number): Promise<void> {
  for (let t = 0; !over; t++) {
    const tryId = `p${n}-t${t}`;
    const outing = { id: `p${n}-o`, startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
    await log(n, tryId, `/api/v1/tries/${tryId}`, {
      beatId: null,
      markId: null,
      readId: null,
      fly: '',
      openedMs: 1000 * t + n,
      ...zone,
      outing,
      snapshot: EMPTY_SNAPSHOT,
    });
    for (let seq = 1; seq <= 8 && !over; seq++) {
      const id = `${tryId}-e${seq}`;
      await pause(EVERY_MS * (0.5 + Math.random()));
      const code = seq < 8 ? 'cast' : 'miss';
      const body = { device: `p${n}`, seq, code, clientMs: seq, ...zone };
      await log(n, id, `/api/v1/tries/${tryId}/events/${id}`, body);
    }
  }
}

async function log(n: number, id: string, url: string, body: object): Promise<void> {
  const port = PORTS[n % PORTS.length]!;
  const began = performance.now();
  try {
    const answer = await put(port, url, body);
    if (!answer.ok) throw new Error(String(answer.status));
    await answer.arrayBuffer();
    tookMs.push(performance.now() - began);
    acknowledged.set(id, url);
  } catch {
    // As on a phone: it is kept there, and sent again.
    refused.set(id, { url, body });
  }
}

/** Outright: the postmaster and every process of it. */
function kill(cluster: Cluster): void {
  const pid = cluster.server.pid!;
  const children = execFileSync('pgrep', ['-P', String(pid)], { encoding: 'utf8' })
    .trim()
    .split('\n');
  for (const id of [pid, ...children.map(Number)]) process.kill(id, 'SIGKILL');
}

const keptIn = (cluster: Cluster) =>
  new Set(
    cluster
      .sql('select id from tries union all select id from try_events', 'club')
      .split('\n')
      .filter((id) => id !== ''),
  );

async function main(): Promise<number> {
  const primary = await newCluster(join(folder, 'primary'), {
    synchronous_standby_names: `'club'`,
    synchronous_commit: 'on',
  });
  const standby = await newStandby(primary, join(folder, 'standby'), 'club');
  primary.sql('create database club');
  const servers = await Promise.all(PORTS.map((port) => serverOn(port, primary.url('club'))));
  const sync = primary.sql('select sync_state from pg_stat_replication');
  console.log(`Two servers, ${phones} phones, a standby that is ${sync}; ${seconds} s.`);
  const logging = Array.from({ length: phones }, (_, n) => phone(n));
  await pause(seconds * 1000);
  kill(primary);
  const killedAt = acknowledged.size;
  await pause(1500);
  over = true;
  await Promise.all(logging);
  // The servers outlive their database, and say that it is away.
  const said = await Promise.all(
    PORTS.map((port) =>
      fetch(`http://127.0.0.1:${port}/api/v1/health`).then(
        (r) => r.status,
        () => 0,
      ),
    ),
  );
  for (const server of servers) server.kill('SIGKILL');
  promote(standby);
  const kept = keptIn(standby);
  const lost = [...acknowledged.keys()].filter((id) => !kept.has(id));
  tookMs.sort((a, b) => a - b);
  const at = (part: number) => tookMs[Math.floor(part * (tookMs.length - 1))]!.toFixed(0);
  console.log(
    `${acknowledged.size} acknowledged (${killedAt} when the primary was killed), ${(acknowledged.size / seconds).toFixed(0)} a second; ${at(0.5)} ms in the middle, ${at(0.95)} ms for 95 of 100, ${at(1)} ms at most.`,
  );
  console.log(
    `${refused.size} were not acknowledged; ${lost.length} acknowledged are not on the standby.`,
  );
  console.log(`The servers, whose database was gone, answered ${said.join(' and ')}.`);
  // What a phone kept is sent again, to a server on what was the standby: each once, whether it had come in or not.
  standby.sql(`alter system set synchronous_standby_names = ''`);
  standby.sql('select pg_reload_conf()');
  const later = await serverOn(LATER_PORT, standby.url('club'));
  let still = 0;
  for (const { url, body } of refused.values()) if (!(await put(LATER_PORT, url, body)).ok) still++;
  const whole = keptIn(standby);
  const missing = [...acknowledged.keys(), ...refused.keys()].filter((id) => !whole.has(id)).length;
  const twice = standby.sql('select count(*) - count(distinct id) from try_events', 'club');
  console.log(`Sent again: ${still} refused, ${missing} missing, ${twice} twice.`);
  later.kill('SIGTERM');
  await standby.stop();
  rmSync(folder, { recursive: true, force: true });
  return lost.length + still + missing + Number(twice) + said.filter((s) => s !== 503).length;
}

void main().then((bad) => process.exit(bad === 0 ? 0 : 1));
