import { randomBytes, randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import { sealData, unsealData } from 'iron-session';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { changePhone, findPhone, listPhones, putPhone, type Phone } from '../store/index';
import { book } from './book';
import { done, refused, type Outcome } from './outcome';
import { sharedKey, swapSharedKey } from './shared-keys';

/** What a stranger is told. */
export const NOT_PAIRED =
  'This phone is not paired with the book. Pair it again: what waits is kept on the phone.';
/** The cookie by which a paired phone is known. */
export const PHONE_COOKIE = 'pebble-lane-phone';
/** A phone stays paired so long after it was paired, s. */
export const PAIRED_FOR_S = 180 * 86_400;

const CODE = 'code';
const SEAL = 'phones';
/** What seals: anything shorter is damaged, and every phone is paired anew. */
const SEALS = /^[0-9a-f]{64}$/;
/** A code that was not used by then is replaced, ms. */
const CODE_FOR_MS = 10 * 60_000;
/**
 * Guesses in ten minutes: from one network, and from all of them together. Whoever guesses much shuts
 * the door for his own network; when many networks guess, it stays open for others, and the code
 * grows from 10^8 to 10^12 instead.
 */
const GUESSES = { one: 5, all: 30, everyS: 600 } as const;
/** Figures of a code, usually, and while it is being guessed at. */
const FIGURES = { usual: 8, guessed: 12 } as const;
/** What one subscriber is given of the address space of IPv6, in groups of 16 bit. */
const GROUPS_OF_A_NETWORK = 4;
/** A phone's last visit is written no oftener than this, ms. */
const SEEN_EVERY_MS = 60_000;

interface Code {
  code: string;
  endsMs: number;
}
interface Pairing {
  one: RateLimiterMemory;
  all: RateLimiterMemory;
  /** Told when a new code is made (the terminal prints it), and when a phone is thrown out. */
  listeners: Set<(code: string) => void>;
  gone: Set<(id: string) => void>;
}
const KEY = Symbol.for('pebble-lane.pairing');
type Held = typeof globalThis & { [KEY]?: Pairing };

/** One for the process, whoever asks: the door of the server and the pages are built apart. */
function pairing(): Pairing {
  const held = globalThis as Held;
  held[KEY] ??= {
    one: new RateLimiterMemory({ points: GUESSES.one, duration: GUESSES.everyS }),
    all: new RateLimiterMemory({ points: GUESSES.all, duration: GUESSES.everyS }),
    listeners: new Set(),
    gone: new Set(),
  };
  return held[KEY];
}

/** The code that pairs the next phone, eight figures or, while many guess, twelve; a new one when the last was used or is too old. */
export async function pairingCode(nowMs: number): Promise<Code> {
  for (;;) {
    const known = await sharedKey(CODE);
    const shown = known === null ? null : codeIn(known);
    if (shown && nowMs < shown.endsMs) return shown;
    await newCode(known, nowMs);
  }
}

/** A code as it is kept; null where that is damaged: a new one is made then. */
function codeIn(text: string): Code | null {
  try {
    const { code, endsMs } = JSON.parse(text) as Partial<Code>;
    return typeof code === 'string' && /^\d{8,12}$/.test(code) && typeof endsMs === 'number'
      ? { code, endsMs }
      : null;
  } catch {
    return null;
  }
}

/** A code as a person reads it off and types it. */
export const inFours = (code: string): string => code.replace(/\d{4}(?=\d)/g, '$& ');

export function onNewCode(listener: (code: string) => void): void {
  pairing().listeners.add(listener);
}

export function onThrownOut(listener: (id: string) => void): void {
  pairing().gone.add(listener);
}

/** Puts a new code in place of the known one; false where somebody else has done so: a code serves once. */
async function newCode(known: string | null, nowMs: number): Promise<boolean> {
  const figures = (await guessedAt()) ? FIGURES.guessed : FIGURES.usual;
  const code = String(randomInt(0, 10 ** figures)).padStart(figures, '0');
  const value = JSON.stringify({ code, endsMs: nowMs + CODE_FOR_MS } satisfies Code);
  if (!(await swapSharedKey(CODE, known, value))) return false;
  for (const listener of pairing().listeners) listener(code);
  return true;
}

/** Whether more wrong codes came in than one household types. */
const guessedAt = async (): Promise<boolean> =>
  ((await pairing().all.get('all'))?.consumedPoints ?? 0) > GUESSES.all;

/** Addresses that one guesser has at will count as one: a network of IPv6. */
export function networkOf(address: string): string {
  if (!address.includes(':') || address.includes('.')) return address;
  const [head = '', tail = ''] = address.split('::');
  const before = head.split(':').filter(Boolean);
  const after = tail.split(':').filter(Boolean);
  const zeros = Array<string>(Math.max(0, 8 - before.length - after.length)).fill('0');
  return [...before, ...zeros, ...after].slice(0, GROUPS_OF_A_NETWORK).join(':');
}

/** Lets a phone in by the code, once. Guessing is slow: five tries in ten minutes from one network. */
export async function pairPhone(
  told: { code: string; name: string },
  address: string,
  nowMs: number,
): Promise<Outcome<{ phone: Phone; token: string }>> {
  const p = pairing();
  const from = networkOf(address);
  try {
    await p.one.consume(from);
  } catch {
    return refused(
      'too-many',
      `Too many codes were tried. Wait ten minutes, then type the code that the computer shows now.`,
      'code',
    );
  }
  const typed = told.code.replace(/\D/g, '');
  const { code, endsMs } = await pairingCode(nowMs);
  const kept = JSON.stringify({ code, endsMs } satisfies Code);
  if (
    typed.length !== code.length ||
    !timingSafeEqual(Buffer.from(typed), Buffer.from(code)) ||
    !(await newCode(kept, nowMs))
  ) {
    await p.all.penalty('all');
    // A short code does not outlive many guesses; a long one stands, or guessing would shut the door.
    if (code.length < FIGURES.guessed && (await guessedAt())) await newCode(kept, nowMs);
    return refused(
      'invalid',
      `The code is not the one that the computer shows now; that has ${(await pairingCode(nowMs)).code.length} figures.`,
      'code',
    );
  }
  await p.one.delete(from);
  const phone: Phone = {
    id: randomUUID(),
    name: told.name,
    pairedMs: nowMs,
    seenMs: nowMs,
    thrownOutMs: null,
  };
  await putPhone(await book(), phone);
  const token = await sealData({ id: phone.id }, { password: await secret(), ttl: PAIRED_FOR_S });
  return done({ phone, token });
}

/** The phone that a cookie belongs to; null when it is not paired, or was thrown out. */
export async function phoneOfToken(
  token: string | undefined,
  nowMs: number,
): Promise<Phone | null> {
  if (!token) return null;
  const { id } = await unsealData<{ id?: string }>(token, {
    password: await secret(),
    ttl: PAIRED_FOR_S,
  }).catch(() => ({ id: undefined }));
  if (id === undefined) return null;
  const db = await book();
  const phone = await findPhone(db, id);
  if (!phone || phone.thrownOutMs !== null) return null;
  if (nowMs - phone.seenMs > SEEN_EVERY_MS) await changePhone(db, id, { seenMs: nowMs });
  return phone;
}

/** Which of these phones have been thrown out, by whichever server of the book. */
export async function thrownOutOf(ids: readonly string[]): Promise<string[]> {
  const phones = await listPhones(await book());
  return phones.filter((p) => p.thrownOutMs !== null && ids.includes(p.id)).map((p) => p.id);
}

export async function phonesInBook(): Promise<Phone[]> {
  return listPhones(await book());
}

export async function alterPhone(
  id: string,
  change: { name?: string; thrownOut?: true },
  nowMs: number,
): Promise<Outcome<null>> {
  const { thrownOut, ...rest } = change;
  const known = await changePhone(await book(), id, {
    ...rest,
    ...(thrownOut && { thrownOutMs: nowMs }),
  });
  if (known && thrownOut) for (const listener of pairing().gone) listener(id);
  return known ? done(null) : refused('not-found', `There is no phone "${id}" in this book.`);
}

/** What cookies are sealed with: made once for whoever serves this book. */
async function secret(): Promise<string> {
  for (;;) {
    const known = await sharedKey(SEAL);
    if (known !== null && SEALS.test(known)) return known;
    await swapSharedKey(SEAL, known, randomBytes(32).toString('hex'));
  }
}
