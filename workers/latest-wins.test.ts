import { latestWins, whileIt } from './client';

it('drops all but the newest while one runs', async () => {
  const waits: (() => void)[] = [];
  const ran: number[] = [];
  const got: number[] = [];
  const ask = latestWins<number, number>(
    (n) =>
      new Promise((resolve) => {
        ran.push(n);
        waits.push(() => resolve(n));
      }),
    (n) => got.push(n),
    () => {},
  );
  for (const n of [1, 2, 3, 4]) ask(n);
  waits[0]!();
  await new Promise((r) => setTimeout(r, 0));
  waits[1]!();
  await new Promise((r) => setTimeout(r, 0));
  expect(ran).toEqual([1, 4]);
  expect(got).toEqual([1, 4]);
});

it('goes on after a failure', async () => {
  const errors: unknown[] = [];
  const got: number[] = [];
  const ask = latestWins<number, number>(
    async (n) => {
      if (n === 1) throw new Error('lost');
      return n;
    },
    (n) => got.push(n),
    (e) => errors.push(e),
  );
  ask(1);
  await new Promise((r) => setTimeout(r, 0));
  ask(2);
  await new Promise((r) => setTimeout(r, 0));
  expect(errors).toHaveLength(1);
  expect(got).toEqual([2]);
});

test('what a call says after its answer is not heard', async () => {
  const heard: number[] = [];
  let late: (value: number) => void = () => {};
  const answer = await whileIt({ onProgress: (n: number) => void heard.push(n) }, async (told) => {
    told.onProgress(0.5);
    // As from a worker: the callback's own way may be slower than the answer's.
    late = told.onProgress;
    return 'found';
  });
  late(0.98);
  expect([answer, heard]).toEqual(['found', [0.5]]);
});

test('nor after it has failed', async () => {
  const heard: number[] = [];
  let late: (value: number) => void = () => {};
  await expect(
    whileIt({ onProgress: (n: number) => void heard.push(n) }, async (told) => {
      late = told.onProgress;
      throw new Error('broke');
    }),
  ).rejects.toThrow('broke');
  late(0.2);
  expect(heard).toEqual([]);
});
