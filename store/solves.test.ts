import { freshBook, onPostgres } from './fixtures/books';
import {
  listSolves,
  openStore,
  queueSolve,
  saySolve,
  stopQueuedSolve,
  takeSolve,
  type Db,
} from './index';

let db: Db;
let other: Db;
beforeEach(async () => {
  const place = freshBook('pebble-solves-');
  db = await openStore(place);
  // SQLite holds its caller up while it waits: there both speak through one connection.
  other = onPostgres() ? await openStore(place) : db;
});
afterEach(async () => {
  await db.destroy();
  if (other !== db) await other.destroy();
});
const asked = (hash: string) => ({ hash, beatId: 'b', level: 'Fair', dischargeM3s: 0.4 });

it('two processes at one queue: each level goes to one of them, in the order of asking', async () => {
  for (let n = 0; n < 6; n++) await queueSolve(n % 2 ? db : other, asked(`h${n}`));
  const taken = await Promise.all(
    Array.from({ length: 6 }, (_, n) => takeSolve(n % 2 ? db : other, n % 2 ? 'a' : 'b', 1000)),
  );
  expect(taken.map((t) => t!.hash).sort()).toEqual(['h0', 'h1', 'h2', 'h3', 'h4', 'h5']);
  expect(await takeSolve(db, 'a', 1000)).toBeNull();
  expect((await queueSolve(db, asked('h2'))).state).toBe('solving');
});

it('what a process that fell silent was solving is taken by another, whose word alone counts from then on', async () => {
  await queueSolve(db, asked('h'));
  await takeSolve(db, 'a', 1000);
  expect(await saySolve(db, 'h', 'a', 2000, { progress: 0.4 })).toBe(true);
  expect(await takeSolve(other, 'b', 16_000)).toBeNull();
  expect(await takeSolve(other, 'b', 17_001)).toMatchObject({ hash: 'h', state: 'solving' });
  expect(await saySolve(db, 'h', 'a', 17_100, { state: 'done' })).toBe(false);
  expect(await saySolve(other, 'h', 'b', 17_100, { state: 'done', progress: 1 })).toBe(true);
  expect(await listSolves(db)).toMatchObject([{ state: 'done', progress: 1 }]);
});

it('who solves hears that it was stopped by another; asked again, it waits again', async () => {
  await queueSolve(db, asked('h'));
  await takeSolve(db, 'a', 1000);
  expect(await stopQueuedSolve(other, 'h')).toBe(true);
  expect(await stopQueuedSolve(other, 'none')).toBe(false);
  expect(await saySolve(db, 'h', 'a', 1100, { progress: 0.5 })).toBe(false);
  expect((await queueSolve(db, asked('h'))).state).toBe('waiting');
});

it('finished ones are forgotten beyond two hundred, what waits never', async () => {
  for (let n = 0; n < 230; n++) {
    await queueSolve(db, asked(`h${n}`));
    if (n === 7) continue;
    await stopQueuedSolve(db, `h${n}`);
  }
  const left = await listSolves(db);
  expect(left.filter((q) => q.state === 'stopped').length).toBeLessThanOrEqual(201);
  expect(left[0]).toMatchObject({ hash: 'h7', state: 'waiting' });
});
