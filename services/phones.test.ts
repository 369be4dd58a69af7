import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';

startFreshBook('pebble-phones-');
import { changePhone, findSecret } from '../store/index';
import { book } from './book';
import { onPostgres, startFreshBook } from '../store/fixtures/books';
import {
  alterPhone,
  closeBook,
  onNewCode,
  onThrownOut,
  pairingCode,
  pairPhone,
  phoneOfToken,
  phonesInBook,
  thrownOutOf,
} from './index';

afterAll(closeBook);
const T = 1e12;
const MIN = 60_000;

it('a code lets one phone in, once; the phone is known by its cookie until it is thrown out', async () => {
  const made: string[] = [];
  const gone: string[] = [];
  onNewCode((code) => made.push(code));
  onThrownOut((id) => gone.push(id));
  const { code } = await pairingCode(T);
  expect(code).toMatch(/^\d{8}$/);
  const told = { code: `${code.slice(0, 4)} ${code.slice(4)}`, name: 'Waders' };
  const paired = await pairPhone(told, '192.0.2.9', T);
  if (!paired.ok) throw new Error(paired.message);
  expect(made).toHaveLength(2);
  const again = await pairPhone(told, '192.0.2.9', T);
  expect(again).toMatchObject({ ok: false, field: 'code' });

  const { token, phone } = paired.value;
  expect(token).not.toContain(phone.id);
  expect(await phoneOfToken(token, T + MIN)).toMatchObject({ id: phone.id, name: 'Waders' });
  const at = Math.floor(token.length / 2);
  const bent = `${token.slice(0, at)}${token[at] === 'a' ? 'b' : 'a'}${token.slice(at + 1)}`;
  expect(await phoneOfToken(bent, T)).toBeNull();
  expect(await phoneOfToken('nonsense', T)).toBeNull();
  expect(await phoneOfToken(undefined, T)).toBeNull();
  expect(await alterPhone(phone.id, { name: 'Vest' }, T)).toMatchObject({ ok: true });
  expect((await phonesInBook())[0]).toMatchObject({ name: 'Vest' });
  await alterPhone(phone.id, { thrownOut: true }, T + 2 * MIN);
  expect(await phoneOfToken(token, T + 3 * MIN)).toBeNull();
  expect(gone).toEqual([phone.id]);
  expect(await alterPhone('nobody', { name: 'x' }, T)).toMatchObject({ code: 'not-found' });
});

it('a code is replaced after ten minutes; guessing is slowed down, even with the right code', async () => {
  const first = (await pairingCode(T + 20 * MIN)).code;
  expect((await pairingCode(T + 29 * MIN)).code).toBe(first);
  const now = T + 31 * MIN;
  const right = (await pairingCode(now)).code;
  expect(right).not.toBe(first);
  const wrong = right === '00000000' ? '00000001' : '00000000';
  for (let n = 0; n < 5; n++)
    expect(await pairPhone({ code: wrong, name: 'x' }, '192.0.2.66', now)).toMatchObject({
      code: 'invalid',
    });
  expect(await pairPhone({ code: right, name: 'x' }, '192.0.2.66', now)).toMatchObject({
    code: 'too-many',
  });
  expect(await pairPhone({ code: right, name: 'x' }, '192.0.2.67', now)).toMatchObject({
    ok: true,
  });
});

it('many networks that guess do not shut the door for others: the code grows instead', async () => {
  const now = T + 60 * MIN;
  const usual = (await pairingCode(now)).code;
  expect(usual).toHaveLength(8);
  const guess = (n: number) =>
    pairPhone({ code: '1234 5678 9', name: 'x' }, `2001:db8:0:${n.toString(16)}::1`, now);
  for (let network = 1; network <= 6; network++)
    for (let n = 0; n < 5; n++) expect(await guess(network)).toMatchObject({ code: 'invalid' });
  // One network of IPv6 is one guesser, whatever address of it is used.
  expect(await pairPhone({ code: usual, name: 'x' }, '2001:db8:0:1:ffff::2', now)).toMatchObject({
    code: 'too-many',
  });
  expect(await guess(99)).toMatchObject({ code: 'invalid' });
  const grown = (await pairingCode(now)).code;
  expect(grown).toMatch(/^\d{12}$/);
  // More guesses do not change it any more: who reads it off has the time to type it.
  for (let network = 200; network < 240; network++) await guess(network);
  expect((await pairingCode(now)).code).toBe(grown);
  expect(await pairPhone({ code: grown, name: 'Vest' }, '192.0.2.80', now)).toMatchObject({
    ok: true,
  });
});

it('a phone that any server has thrown out is known to all of them', async () => {
  const now = T + 90 * MIN;
  const paired = await pairPhone({ code: (await pairingCode(now)).code, name: 'Net' }, '::1', now);
  if (!paired.ok) throw new Error(paired.message);
  const { id } = paired.value.phone;
  expect(await thrownOutOf([id])).toEqual([]);
  // As another server does it: in the book alone.
  await changePhone(await book(), id, { thrownOutMs: now });
  expect(await thrownOutOf([id, 'nobody'])).toEqual([id]);
});

it('what cookies are sealed with is for the owner alone: a file of the folder, or in the database', async () => {
  if (onPostgres()) {
    expect(existsSync(join(process.env.PEBBLE_LANE_DATA!, 'phones.key'))).toBe(false);
    expect(await findSecret(await book(), 'phones')).toMatch(/^[0-9a-f]{64}$/);
    return;
  }
  const mode = statSync(join(process.env.PEBBLE_LANE_DATA!, 'phones.key')).mode;
  expect(mode & 0o077).toBe(0);
});
