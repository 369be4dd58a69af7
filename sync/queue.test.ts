import 'fake-indexeddb/auto';
import fc from 'fast-check';
import type { QueuedRequest, Reply } from './client';
import { createQueue, type Queue, type QueueReport, type WithLock } from './queue';
import { openQueueDb } from './queue-store';

/** One device: its store, its lock, its pages, and a server that may be cut off. */
function device(name: string) {
  const taken: string[] = [];
  let online = true;
  let chain: Promise<void> = Promise.resolve();
  const pages = new Set<Queue>();
  const lock: WithLock = (work) => {
    chain = chain.then(work, work);
    return chain;
  };
  let answer: (r: QueuedRequest) => Reply<unknown> = () => ({ ok: true, value: null });
  return {
    taken,
    cut: (off: boolean) => (online = !off),
    answerWith: (a: typeof answer) => (answer = a),
    page(open = () => openQueueDb(name)) {
      const reports: QueueReport[] = [];
      const queue: Queue = createQueue({
        open,
        send: async (r) => {
          await new Promise((resolve) => setTimeout(resolve, 0));
          if (!online) return { ok: false, kind: 'unreachable', status: 0, message: '' };
          const reply = answer(r);
          // As the book does: the same id twice is kept once.
          if (reply.ok && !taken.includes(r.path)) taken.push(r.path);
          return reply;
        },
        withLock: lock,
        announce: () => pages.forEach((p) => p !== queue && void p.lookAgain()),
        report: (r) => reports.push(r),
      });
      pages.add(queue);
      const close = async () => {
        pages.delete(queue);
        await queue.close();
      };
      return { queue, reports, last: () => reports[reports.length - 1]!, close };
    },
  };
}

let n = 0;
const press = (path: string): QueuedRequest => ({
  kind: 'press',
  method: 'PUT',
  path,
  body: { note: path },
});
const until = async (ok: () => boolean) => {
  for (let i = 0; i < 400 && !ok(); i++) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(ok()).toBe(true);
};

it('sends in the order of the presses and says when all is with the book', async () => {
  const d = device(`d${n++}`);
  const p = d.page();
  await Promise.all(['/1', '/2', '/3'].map((path) => p.queue.post(press(path))));
  await until(() => d.taken.length === 3 && p.last().waiting === 0);
  expect(d.taken).toEqual(['/1', '/2', '/3']);
  expect(p.last()).toEqual({ waiting: 0, refused: [], problem: null });
  await p.close();
});

it.each([
  ['the first page closes first', [0, 1]],
  ['the second page closes first', [1, 0]],
] as const)(
  'two pages, no network, each pressing; %s: every press arrives once',
  async (_, order) => {
    const d = device(`d${n++}`);
    const pages = [d.page(), d.page()];
    d.cut(true);
    for (let i = 0; i < 6; i++) await pages[i % 2]!.queue.post(press(`/${i}`));
    await until(() => pages[0]!.last().waiting === 6);
    expect(pages[0]!.last().problem).toContain('Not with the book yet');
    await pages[order[0]]!.close();
    d.cut(false);
    await pages[order[1]]!.queue.flush();
    await until(() => d.taken.length === 6);
    expect([...d.taken].sort()).toEqual(['/0', '/1', '/2', '/3', '/4', '/5']);
    expect(d.taken).toEqual([...d.taken].sort());
    await pages[order[1]]!.close();
  },
);

it('both pages close before the network is back: a later page sends it all', async () => {
  const d = device(`d${n++}`);
  d.cut(true);
  for (const path of ['/a', '/b']) {
    const page = d.page();
    await page.queue.post(press(path));
    await page.close();
  }
  d.cut(false);
  const later = d.page();
  await later.queue.flush();
  await until(() => d.taken.length === 2);
  expect(d.taken).toEqual(['/a', '/b']);
  await later.close();
});

it('what is refused is set aside with its sentence, holds nothing up, and can be mended or thrown away', async () => {
  const d = device(`d${n++}`);
  const p = d.page();
  const sentence = 'Length of the fish must be 5 to 102 cm.';
  d.answerWith((r) =>
    r.body?.lengthCm === 200
      ? { ok: false, kind: 'refused', status: 400, message: sentence, field: 'lengthCm' }
      : { ok: true, value: null },
  );
  await p.queue.post({ ...press('/bad'), body: { lengthCm: 200 } });
  await p.queue.post(press('/good'));
  await until(() => d.taken.length === 1);
  await until(() => p.last().refused.length === 1 && p.last().waiting === 0);
  const [aside] = p.last().refused;
  expect(aside).toMatchObject({ path: '/bad', message: sentence, field: 'lengthCm' });
  await p.queue.sendAgain(aside!.seq, { lengthCm: 20 });
  await until(() => d.taken.length === 2 && p.last().refused.length === 0);
  await p.queue.post({ ...press('/bad2'), body: { lengthCm: 200 } });
  await until(() => p.last().refused.length === 1);
  await p.queue.throwAway(p.last().refused[0]!.seq);
  expect(p.last().refused).toEqual([]);
  await p.close();
});

it('a request that the server fails over again and again is set aside, not retried for ever', async () => {
  const d = device(`d${n++}`);
  const p = d.page();
  d.answerWith((r) =>
    r.path === '/poison'
      ? { ok: false, kind: 'failed', status: 500, message: 'Something went wrong.' }
      : { ok: true, value: null },
  );
  await p.queue.post(press('/poison'));
  await p.queue.post(press('/next'));
  for (let i = 0; i < 6; i++) await p.queue.flush();
  await until(() => d.taken.includes('/next'));
  expect(p.last().refused.map((r) => r.path)).toEqual(['/poison']);
  await p.close();
});

it('a device that keeps nothing says so, still sends in order, and would lose what waits', async () => {
  const d = device(`d${n++}`);
  const p = d.page(() => Promise.reject(new Error('denied')));
  d.cut(true);
  await p.queue.post(press('/1'));
  await p.queue.post(press('/2'));
  expect(p.last().waiting).toBe(2);
  expect(p.last().problem).toContain('would not keep');
  expect(p.queue.wouldLose()).toBe(true);
  d.cut(false);
  await p.queue.flush();
  await until(() => d.taken.length === 2);
  expect(d.taken).toEqual(['/1', '/2']);
  expect(p.queue.wouldLose()).toBe(false);
  await p.close();
});

it('whatever pages press, close and lose the network: each press arrives once, in order (seeded)', async () => {
  const step = fc.oneof(
    fc.record({ do: fc.constant('press' as const), page: fc.integer({ min: 0, max: 2 }) }),
    fc.record({ do: fc.constant('reload' as const), page: fc.integer({ min: 0, max: 2 }) }),
    fc.record({ do: fc.constant('network' as const), page: fc.integer({ min: 0, max: 1 }) }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 14 }), async (steps) => {
      const d = device(`d${n++}`);
      const pages = [d.page(), d.page(), d.page()];
      const pressed: string[] = [];
      for (const s of steps) {
        if (s.do === 'network') d.cut(s.page === 0);
        else if (s.do === 'press') {
          const path = `/${String(pressed.length).padStart(2, '0')}`;
          pressed.push(path);
          await pages[s.page]!.queue.post(press(path));
        } else {
          await pages[s.page]!.close();
          pages[s.page] = d.page();
        }
      }
      d.cut(false);
      await Promise.all(pages.map((p) => p.queue.flush()));
      await until(() => d.taken.length >= pressed.length);
      expect(d.taken).toEqual(pressed);
      for (const p of pages) await p.close();
    }),
    { numRuns: 25, seed: 5 },
  );
});
