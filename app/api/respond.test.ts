import { jsonOf, respondToAll } from './respond.server';

const thrown = async (error: unknown) => {
  const response = await respondToAll(async () => {
    throw error;
  });
  return {
    status: response.status,
    ...((await response.json()) as { error: { message: string } }),
  };
};

/** What the book refuses is said so: a 500 would be sent again for ever. */
it.each([
  ['SQLITE_CONSTRAINT_FOREIGNKEY', 422, 'not in the book'],
  ['SQLITE_CONSTRAINT_UNIQUE', 409, 'another thing'],
  ['SQLITE_CONSTRAINT_PRIMARYKEY', 409, 'another thing'],
  ['SQLITE_CONSTRAINT_CHECK', 422, 'not possible'],
  ['SQLITE_CONSTRAINT_NOTNULL', 422, 'missing'],
  ['23503', 422, 'not in the book'],
  ['23505', 409, 'another thing'],
  ['23514', 422, 'not possible'],
])('%s is %i with a sentence', async (code, status, words) => {
  const said = await thrown(Object.assign(new Error('x'), { code }));
  expect(said.status).toBe(status);
  expect(said.error.message).toContain(words);
});

it.each([
  { code: 'ECONNREFUSED' },
  { code: '57P01' },
  { code: '25006' },
  { code: 'ENOENT', syscall: 'connect' },
  { message: 'Connection terminated unexpectedly' },
])('a book that is away (%p) is a 503: what is sent again then is not lost', async (error) => {
  const log = jest.spyOn(console, 'error').mockImplementation(() => {});
  const said = await thrown(Object.assign(new Error('x'), error));
  expect(said.status).toBe(503);
  expect(said.error.message).toContain('kept on this device');
  log.mockRestore();
});

it.each([
  ['SQLITE_FULL', 'full', 'The disk is full'],
  ['ENOSPC', 'full', 'The disk is full'],
  ['SQLITE_BUSY', 'held', 'Another program holds the book'],
  ['SQLITE_READONLY_DIRECTORY', 'away', 'cannot be reached'],
  ['SQLITE_CORRUPT', 'damaged', 'cannot be read or written'],
])('%s mends with time: a 503 that says why', async (code, word, words) => {
  const log = jest.spyOn(console, 'error').mockImplementation(() => {});
  const said = await thrown(Object.assign(new Error('x'), { code }));
  expect(said.status).toBe(503);
  expect(said.error).toMatchObject({ code: word, message: expect.stringContaining(words) });
  expect(said.error.message).toContain('kept on this device and sent again');
  log.mockRestore();
});

it('what is nobody’s refusal stays a 500', async () => {
  const log = jest.spyOn(console, 'error').mockImplementation(() => {});
  expect((await thrown(new Error('disk on fire'))).status).toBe(500);
  expect(log).toHaveBeenCalled();
  log.mockRestore();
});

describe('a body', () => {
  const said = async (text: string) => {
    const request = new Request('http://localhost/x', { method: 'PUT', body: text });
    const response = await respondToAll(async () => Response.json(await jsonOf(request)));
    return { status: response.status, body: (await response.json()) as unknown };
  };
  it('nested without end is refused before it is parsed; brackets in words do not count', async () => {
    const deep = await said('['.repeat(20_000) + ']'.repeat(20_000));
    expect(deep.status).toBe(400);
    expect(JSON.stringify(deep.body)).toContain('nested more than 64 deep');
    const words = { note: `\\"${'['.repeat(500)}`, list: [[1]] };
    expect(await said(JSON.stringify(words))).toEqual({ status: 200, body: words });
    const just = '['.repeat(64) + ']'.repeat(64);
    expect((await said(just)).status).toBe(200);
    expect((await said(`[${just}]`)).status).toBe(400);
  });
  it('that is no JSON is 400 with a sentence', async () => {
    expect((await said('{"a":')).status).toBe(400);
    expect((await said('')).status).toBe(400);
  });
});
