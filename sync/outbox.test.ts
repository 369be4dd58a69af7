import { createOutbox, type OutboxReport } from './outbox';

function storage() {
  const held = new Map<string, string>();
  return {
    held,
    getItem: (k: string) => held.get(k) ?? null,
    setItem: (k: string, v: string) => void held.set(k, v),
  };
}
const answer = (status: number, body: unknown = null) =>
  ({ status, ok: status < 400, json: async () => body }) as unknown as Response;
const settle = async () => {
  for (let n = 0; n < 20; n++) await Promise.resolve();
};

it('sends in order and reports when all is kept', async () => {
  const sent: string[] = [];
  const reports: OutboxReport[] = [];
  const box = createOutbox(
    (r) => reports.push(r),
    (async (path: string) => {
      sent.push(path);
      return answer(200);
    }) as typeof fetch,
    storage(),
  );
  box.post({ method: 'PUT', path: '/a', body: 1 });
  box.post({ method: 'PUT', path: '/b', body: 2 });
  await settle();
  expect(sent).toEqual(['/a', '/b']);
  expect(reports[reports.length - 1]).toEqual({ waiting: 0, problem: null });
});

it('keeps what cannot be sent, over a reload, and sends it later', async () => {
  const store = storage();
  jest.useFakeTimers();
  const box = createOutbox(
    () => {},
    (async () => {
      throw new Error('no network');
    }) as unknown as typeof fetch,
    store,
  );
  box.post({ method: 'PUT', path: '/a', body: 1 });
  await settle();
  expect(JSON.parse(store.held.get('pebble-lane.outbox')!)).toHaveLength(1);
  const sent: string[] = [];
  const after = createOutbox(
    () => {},
    (async (path: string) => {
      sent.push(path);
      return answer(200);
    }) as typeof fetch,
    store,
  );
  await after.flush();
  await settle();
  expect(sent).toEqual(['/a']);
  expect(JSON.parse(store.held.get('pebble-lane.outbox')!)).toHaveLength(0);
  jest.useRealTimers();
});

it('takes out what is refused and says why', async () => {
  const reports: OutboxReport[] = [];
  const box = createOutbox(
    (r) => reports.push(r),
    (async () =>
      answer(400, { error: { message: 'Depth of the fish is 9.' } })) as unknown as typeof fetch,
    storage(),
  );
  box.post({ method: 'PUT', path: '/a', body: 1 });
  await settle();
  expect(reports[reports.length - 1]).toEqual({ waiting: 0, problem: 'Depth of the fish is 9.' });
});
