import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { deleteDB } from 'idb';
import type { QueuedRequest, Reply } from './client';
import { createQueue, type Queue, type QueueReport, type WithLock } from './queue';
import { openQueueDb, type QueueDb } from './queue-store';
import { createSentLog } from './sent-log';
import { openSentDb } from './sent-store';

/** One device: its store, its lock, its pages, and a server that may be cut off. */
function device(name: string) {
  const taken: string[] = [];
  const names = new Set<string>();
  let online = true;
  let chain: Promise<void> = Promise.resolve();
  const pages = new Set<Queue>();
  const lock: WithLock = (work) => {
    chain = chain.then(work, work);
    return chain;
  };
  let answer: (r: QueuedRequest) => Reply<unknown> = () => ({ ok: true, value: null });
  let clockMs = 1e12;
  return {
    taken,
    names,
    wait: (ms: number) => (clockMs += ms),
    cut: (off: boolean) => (online = !off),
    answerWith: (a: typeof answer) => (answer = a),
    page(open = () => openQueueDb(name)) {
      const reports: QueueReport[] = [];
      const queue: Queue = createQueue({
        open,
        sentLog: async () =>
          createSentLog(
            () => openSentDb(`${name}-sent`),
            async (ids) => ({ ok: true, value: ids.filter((id) => !names.has(id)) }),
          ),
        nowMs: () => clockMs,
        send: async (r) => {
          await new Promise((resolve) => setTimeout(resolve, 0));
          if (!online) return { ok: false, kind: 'unreachable', status: 0, message: '' };
          const reply = answer(r);
          // As the book does: the same id twice is kept once.
          if (reply.ok && !taken.includes(r.path)) taken.push(r.path);
          if (reply.ok && r.id) names.add(r.id);
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
  while (!ok()) await new Promise((resolve) => setTimeout(resolve, 5));
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

const failing: Reply<unknown> = {
  ok: false,
  kind: 'failed',
  status: 500,
  message: 'Something went wrong.',
};

it('what the server fails over waits by itself after two minutes, holds nothing up, and arrives once the server is well', async () => {
  const d = device(`d${n++}`);
  const p = d.page();
  let isWell = false;
  d.answerWith((r) => {
    if (r.path === '/tries/t' && !isWell) return failing;
    // Its event is refused as long as the try itself is not there.
    if (r.path === '/tries/t/events/e' && !d.taken.includes('/tries/t'))
      return { ok: false, kind: 'refused', status: 422, message: 'There is no such try.' };
    return { ok: true, value: null };
  });
  for (const path of ['/tries/t', '/tries/t/events/e', '/next']) await p.queue.post(press(path));
  for (let i = 0; i < 6; i++) await p.queue.flush();
  // Six failures at once are no reason: it is the time that counts.
  expect(d.taken).toEqual([]);
  expect(p.last()).toMatchObject({ waiting: 3, refused: [] });
  d.wait(121_000);
  await p.queue.flush();
  await until(() => d.taken.includes('/next'));
  await until(() => p.last().waiting === 2);
  expect(p.last()).toMatchObject({ refused: [] });
  expect(p.last().problem).toContain('sent as soon as it can be');
  await p.close();
  // Another page, another day: nobody has to send anything by hand.
  isWell = true;
  d.wait(86_400_000);
  const later = d.page();
  await later.queue.flush();
  await until(() => d.taken.length === 3 && later.last().waiting === 0);
  expect(d.taken).toEqual(['/next', '/tries/t', '/tries/t/events/e']);
  await later.close();
});

it('a server that fails is not asked again with every press', async () => {
  const d = device(`d${n++}`);
  const p = d.page();
  let asked = 0;
  d.answerWith(() => {
    asked++;
    return failing;
  });
  for (let i = 0; i < 8; i++) await p.queue.post(press(`/${i}`));
  await until(() => p.last().waiting === 8);
  expect(asked).toBe(1);
  d.answerWith(() => ({ ok: true, value: null }));
  await p.queue.flush();
  await until(() => d.taken.length === 8 && p.last().waiting === 0);
  await p.close();
});

it.each([
  ['closed', (db: QueueDb) => db.close()],
  [
    'cleared',
    async (db: QueueDb, name: string) => {
      db.close();
      await deleteDB(name);
    },
  ],
])(
  'a store that was %s under the page is opened again: each press is kept, counted and sent',
  async (_how, harm) => {
    const name = `d${n++}`;
    const d = device(name);
    let opened: QueueDb | null = null;
    const p = d.page(async () => (opened = await openQueueDb(name)));
    d.cut(true);
    expect(await p.queue.post(press('/before'))).toBe(true);
    await harm(opened!, name);
    for (const path of ['/1', '/2', '/3']) expect(await p.queue.post(press(path))).toBe(true);
    await until(() => p.last().waiting === 4);
    expect(p.last().problem).toContain('Not with the book yet');
    d.cut(false);
    await p.queue.flush();
    await until(() => d.taken.length === 4 && p.last().waiting === 0);
    expect([...d.taken].sort()).toEqual(['/1', '/2', '/3', '/before']);
    await p.close();
  },
);

it('a store that cannot be opened any more: nobody is told that all is sent', async () => {
  const name = `d${n++}`;
  const d = device(name);
  let opened: QueueDb | null = null;
  const p = d.page(async () => {
    if (opened) throw new DOMException('A newer page has it.', 'VersionError');
    return (opened = await openQueueDb(name));
  });
  d.cut(true);
  await p.queue.post(press('/0'));
  opened!.close();
  expect(await p.queue.post(press('/1'))).toBe(false);
  expect(p.last()).toMatchObject({ waiting: 2 });
  expect(p.last().problem).toContain('would not keep');
  expect(p.queue.wouldLose()).toBe(true);
  d.cut(false);
  await p.queue.flush();
  // Also what the lost store held is sent, from the page's memory.
  await until(() => d.taken.length === 2 && p.last().waiting === 0);
  expect(d.taken).toEqual(['/0', '/1']);
  await p.close();
});

it('what was sent lately is sent again, under the same names, when the book is an older one', async () => {
  const d = device(`d${n++}`);
  const p = d.page();
  const names: (string | undefined)[] = [];
  d.answerWith((r) => {
    names.push(r.id);
    return { ok: true, value: null };
  });
  await p.queue.post({ ...press('/a'), id: 'one', was: { note: 'x' } });
  await p.queue.post({ ...press('/b'), id: 'two' });
  await until(() => p.last().waiting === 0 && d.taken.length === 2);
  await p.queue.sendWhatIsMissing();
  expect(names).toEqual(['one', 'two']);
  // Put back to a copy that has the first alone, then to one that has neither.
  d.names.delete('two');
  await p.queue.sendWhatIsMissing();
  await until(() => names.length === 3 && p.last().waiting === 0);
  d.names.clear();
  await p.queue.sendWhatIsMissing();
  await until(() => names.length === 5 && p.last().waiting === 0);
  expect(names).toEqual(['one', 'two', 'two', 'one', 'two']);
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
