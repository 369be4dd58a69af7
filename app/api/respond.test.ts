import { respond } from './respond.server';

const thrown = async (error: unknown) => {
  const response = await respond(async () => {
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
])('%s is %i with a sentence', async (code, status, words) => {
  const said = await thrown(Object.assign(new Error('x'), { code }));
  expect(said.status).toBe(status);
  expect(said.error.message).toContain(words);
});

it('what is nobody’s refusal stays a 500', async () => {
  const log = jest.spyOn(console, 'error').mockImplementation(() => {});
  expect((await thrown(new Error('disk on fire'))).status).toBe(500);
  expect(log).toHaveBeenCalled();
  log.mockRestore();
});
