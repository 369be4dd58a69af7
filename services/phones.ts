import { randomBytes, randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sealData, unsealData } from 'iron-session';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { changePhone, findPhone, listPhones, putPhone, type Phone } from '../store/index';
import { book, dataFolder } from './book';
import { done, refused, type Outcome } from './outcome';

/** The cookie by which a paired phone is known. */
export const PHONE_COOKIE = 'pebble-lane-phone';
/** A phone stays paired so long after it was paired, s. */
export const PAIRED_FOR_S = 180 * 86_400;

/** A code that was not used by then is replaced, ms. */
const CODE_FOR_MS = 10 * 60_000;
/** Guesses: from one address, and from all of them, in ten minutes. 10^8 codes. */
const GUESSES = { one: 5, all: 30, everyS: 600 } as const;
/** A phone's last visit is written no oftener than this, ms. */
const SEEN_EVERY_MS = 60_000;

interface Pairing {
  code: string;
  endsMs: number;
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
    code: '',
    endsMs: 0,
    one: new RateLimiterMemory({ points: GUESSES.one, duration: GUESSES.everyS }),
    all: new RateLimiterMemory({ points: GUESSES.all, duration: GUESSES.everyS }),
    listeners: new Set(),
    gone: new Set(),
  };
  return held[KEY];
}

/** The code that pairs the next phone, eight figures; a new one when the last was used or is too old. */
export function pairingCode(nowMs: number): { code: string; endsMs: number } {
  const p = pairing();
  if (nowMs >= p.endsMs) newCode(p, nowMs);
  return { code: p.code, endsMs: p.endsMs };
}

export function onNewCode(listener: (code: string) => void): void {
  pairing().listeners.add(listener);
}

export function onThrownOut(listener: (id: string) => void): void {
  pairing().gone.add(listener);
}

function newCode(p: Pairing, nowMs: number): void {
  p.code = String(randomInt(0, 1e8)).padStart(8, '0');
  p.endsMs = nowMs + CODE_FOR_MS;
  for (const listener of p.listeners) listener(p.code);
}

/** Lets a phone in by the code, once. Guessing is slow: five tries in ten minutes from one address. */
export async function pairPhone(
  told: { code: string; name: string },
  address: string,
  nowMs: number,
): Promise<Outcome<{ phone: Phone; token: string }>> {
  const p = pairing();
  try {
    await p.one.consume(address);
    await p.all.consume('all');
  } catch {
    return refused(
      'too-many',
      `Too many codes were tried. Wait ten minutes, then type the code that the computer shows now.`,
      'code',
    );
  }
  const typed = told.code.replace(/\D/g, '');
  const { code } = pairingCode(nowMs);
  if (typed.length !== code.length || !timingSafeEqual(Buffer.from(typed), Buffer.from(code)))
    return refused(
      'invalid',
      `The code is not the one that the computer shows now; it has eight figures.`,
      'code',
    );
  newCode(p, nowMs);
  await p.one.delete(address);
  const phone: Phone = {
    id: randomUUID(),
    name: told.name,
    pairedMs: nowMs,
    seenMs: nowMs,
    thrownOutMs: null,
  };
  await putPhone(await book(), phone);
  const token = await sealData({ id: phone.id }, { password: secret(), ttl: PAIRED_FOR_S });
  return done({ phone, token });
}

/** The phone that a cookie belongs to; null when it is not paired, or was thrown out. */
export async function phoneOfToken(
  token: string | undefined,
  nowMs: number,
): Promise<Phone | null> {
  if (!token) return null;
  const { id } = await unsealData<{ id?: string }>(token, {
    password: secret(),
    ttl: PAIRED_FOR_S,
  }).catch(() => ({ id: undefined }));
  if (id === undefined) return null;
  const db = await book();
  const phone = await findPhone(db, id);
  if (!phone || phone.thrownOutMs !== null) return null;
  if (nowMs - phone.seenMs > SEEN_EVERY_MS) await changePhone(db, id, { seenMs: nowMs });
  return phone;
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

let kept: string | null = null;

/** What cookies are sealed with: made on this machine, kept with the data, readable by the owner only. */
function secret(): string {
  if (kept !== null) return kept;
  const path = join(dataFolder(), 'phones.key');
  if (!existsSync(path)) {
    mkdirSync(dataFolder(), { recursive: true });
    writeFileSync(`${path}.new`, randomBytes(32).toString('hex'), { mode: 0o600 });
    renameSync(`${path}.new`, path);
  }
  return (kept = readFileSync(path, 'utf8'));
}
