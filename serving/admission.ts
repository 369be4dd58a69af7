import type { IncomingMessage, ServerResponse } from 'node:http';
import { nowMs, PHONE_COOKIE, phoneOfToken, thrownOutOf, type Visitor } from '../services/index';
import { isLoopback, namesItself } from './addresses';

/** How a program is reached: from this machine alone, over the local network, or by a proxy in front of it. */
export type Reach = 'machine' | 'network' | 'proxy';

/** What a proxy adds to a request that it passes on. */
const PASSED_ON = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip', 'via'] as const;
/** Phones that hear a long answer are looked up again this often, ms: another server may have thrown one out. */
const LOOK_AGAIN_MS = 2_000;

/** Answers being given to each phone: thrown out, it hears no more. */
const answering = new Map<string, Set<ServerResponse>>();

/**
 * Who asks. This machine itself is known by three things at once: the connection comes from
 * loopback, the request names the machine's own address, and nobody passed it on. Behind a proxy
 * everybody comes from loopback, so nobody is the machine.
 */
export async function visitorOf(
  request: IncomingMessage,
  response: ServerResponse,
  reach: Reach,
): Promise<Visitor> {
  if (reach !== 'proxy' && isThisMachine(request)) return 'machine';
  if (reach === 'machine') return 'stranger';
  const phone = await phoneOfToken(cookieOf(request), nowMs());
  if (!phone) return 'stranger';
  const open = answering.get(phone.id) ?? new Set();
  answering.set(phone.id, open.add(response));
  response.once('close', () => {
    open.delete(response);
    if (open.size === 0 && answering.get(phone.id) === open) answering.delete(phone.id);
  });
  return 'phone';
}

const isThisMachine = ({ socket, headers }: IncomingMessage): boolean =>
  isLoopback(socket.remoteAddress) &&
  namesItself(headers.host) &&
  PASSED_ON.every((name) => headers[name] === undefined);

const cookieOf = (request: IncomingMessage): string | undefined =>
  request.headers.cookie
    ?.split(/;\s*/)
    .find((c) => c.startsWith(`${PHONE_COOKIE}=`))
    ?.slice(PHONE_COOKIE.length + 1);

/** Ends what is being told to a phone. */
export function cutOff(phoneId: string): void {
  for (const response of answering.get(phoneId) ?? []) response.destroy();
}

/** Cuts off phones that any server of this book has thrown out; looks only while some phone hears something. */
export function watchThrownOut(): void {
  const look = async () => {
    const listening = [...answering.keys()];
    if (listening.length > 0) for (const id of await thrownOutOf(listening)) cutOff(id);
  };
  setInterval(() => void look().catch(() => undefined), LOOK_AGAIN_MS).unref();
}
