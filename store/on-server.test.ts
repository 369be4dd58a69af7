import { setTimeout as pause } from 'node:timers/promises';
import pg from 'pg';
import { freshBook } from './fixtures/books';
import { listOutings, openStore, putOuting, type Db } from './index';
import { BOOK_LOCK } from './transact';

const outing = (id: string) => ({ id, startMs: 1, endMs: null, timeZone: 'UTC', note: '' });
let place: string;
let db: Db;
beforeEach(async () => {
  place = freshBook('pebble-server-');
  db = await openStore(place);
});
afterEach(() => db.destroy());

it('a change that is in a deadlock with a stranger is done again, and is whole', async () => {
  await putOuting(db, outing('a'));
  const stranger = new pg.Client({ connectionString: place });
  await stranger.connect();
  await stranger.query(`set deadlock_timeout = '20s'`);
  await stranger.query('begin');
  await stranger.query(`update outings set note = 'stranger' where id = 'a'`);
  const ours = putOuting(db, { ...outing('a'), note: 'ours' });
  // Until the change holds the lock, and waits for the row.
  const waits = () => stranger.query('select 1 from pg_locks where not granted');
  while ((await waits()).rowCount === 0) await pause(5);
  const locked = stranger.query('select pg_advisory_xact_lock($1)', [BOOK_LOCK]);
  await locked;
  await stranger.query('commit');
  await ours;
  expect(await listOutings(db, 9)).toMatchObject([{ note: 'ours' }]);
  await stranger.end();
});

it('a server that acknowledges before it has kept is refused, in a sentence; so is one that is away', async () => {
  const name = decodeURIComponent(new URL(place.replace('@/', '@x/')).pathname.slice(1));
  const client = new pg.Client({ connectionString: place });
  await client.connect();
  await client.query(`alter database ${name} set synchronous_commit = off`);
  await client.end();
  await expect(openStore(place)).rejects.toThrow(/synchronous_commit off: a fish/);
  const away = `postgresql://pebble:geheim@/${name}?host=%2Fnowhere`;
  await expect(openStore(away)).rejects.toThrow(/DATABASE_URL is "[^"]*…@/);
  await expect(openStore(away)).rejects.not.toThrow(/geheim/);
});

it('two servers may start on an empty database at once', async () => {
  const empty = freshBook('pebble-both-');
  const both = await Promise.all([openStore(empty), openStore(empty)]);
  await putOuting(both[0]!, outing('a'));
  expect(await listOutings(both[1]!, 9)).toHaveLength(1);
  await Promise.all(both.map((b) => b.destroy()));
});
