/** @jest-environment node */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { underRequest, type Visitor } from '../services/index';

/** Every file of `app/` of one name, as paths from here. */
const every = (name: string): string[] =>
  readdirSync(__dirname, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith(`/${name}`) || file === name)
    .sort();

const OPEN_ROUTES = ['api/v1/health/route.ts', 'api/v1/pair/route.ts'];
const OPEN_PAGES = ['pair/page.tsx', 'trust/page.tsx'];
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;

type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

const asked = (visitor: Visitor, handler: Handler, method: string) =>
  underRequest({ name: `${method} test`, visitor }, () =>
    handler(
      new Request('http://localhost/x', {
        method,
        ...(!['GET', 'HEAD'].includes(method) && { body: '{' }),
      }),
      { params: Promise.resolve({ id: '%', kind: '%', hash: '%', file: '%', eventId: '%' }) },
    ),
  );

describe('a stranger that the door let through by mistake', () => {
  const routes = every('route.ts');
  it('finds routes and pages to try', () => {
    expect(routes.length).toBeGreaterThan(30);
    expect(every('page.tsx').length).toBeGreaterThan(10);
  });

  it.each(routes.filter((r) => !OPEN_ROUTES.includes(r)))('is refused by %s', async (file) => {
    const route = (await import(join(__dirname, file))) as Record<string, Handler>;
    const methods = METHODS.filter((m) => m in route);
    expect(methods.length).toBeGreaterThan(0);
    for (const method of methods) {
      const answer = await asked('stranger', route[method]!, method);
      expect([method, answer.status]).toEqual([method, 401]);
      expect((await answer.json()) as object).toMatchObject({ error: { code: 'not-paired' } });
    }
  });

  it.each(every('page.tsx').filter((p) => !OPEN_PAGES.includes(p)))(
    'is sent to the pairing by %s',
    async (file) => {
      const page = (await import(join(__dirname, file))) as Record<
        'default' | 'generateMetadata',
        ((props: object) => unknown) | undefined
      >;
      const props = { params: Promise.resolve({}), searchParams: Promise.resolve({}) };
      for (const show of [page.default, page.generateMetadata])
        if (show)
          await expect(
            underRequest({ name: 'GET test', visitor: 'stranger' }, async () => show(props)),
          ).rejects.toMatchObject({
            digest: expect.stringContaining('NEXT_REDIRECT;replace;/pair'),
          });
    },
  );

  it('is answered, with a sentence, where phones are paired', async () => {
    const { POST } = (await import(join(__dirname, 'api/v1/pair/route.ts'))) as { POST: Handler };
    expect((await asked('stranger', POST, 'POST')).status).toBe(400);
  });
});
