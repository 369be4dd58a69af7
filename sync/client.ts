import { changedFields } from '../core/log/index';
import { clientId } from './client-id';
import type {
  DayFacts,
  FactKind,
  KeptRead,
  LogChange,
  Outing,
  Reading,
  Settings,
} from '../core/log/index';

/** What the server said: a value, or why not, in a sentence for a person. */
export type Reply<T> =
  | { ok: true; value: T }
  | {
      ok: false;
      /** refused: sending it again as it is cannot help · failed: the server's own trouble · unreachable: no answer. */
      kind: 'refused' | 'failed' | 'unreachable';
      status: number;
      message: string;
      field?: string;
    };

/** The sentence of a refusal; null when it was taken. */
export const problemOf = (reply: Reply<unknown>): string | null =>
  reply.ok ? null : reply.message;

const UNREACHABLE: Reply<never> = {
  ok: false,
  kind: 'unreachable',
  status: 0,
  message: 'The program did not answer. Is it still running, and is there a network?',
};
/** Refusals that time or a hand may mend: not paired any more, too slow, another address, too early, too many. */
const FOR_NOW = [401, 408, 421, 425, 429];

interface Sent {
  method: 'GET' | 'PUT' | 'PATCH' | 'POST' | 'DELETE';
  path: string;
  /** JSON unless it is bytes. */
  body?: unknown;
  /** What bytes are, where they do not say so themselves. */
  type?: string;
  /** The name of a change that is to be taken once (draft-ietf-httpapi-idempotency-key-header). */
  once?: string;
  signal?: AbortSignal;
}

const isBytes = (body: unknown): body is Blob | ArrayBuffer =>
  body instanceof Blob || body instanceof ArrayBuffer;

const typeOfBytes = (body: Blob | ArrayBuffer) =>
  (body instanceof Blob && body.type) || 'application/octet-stream';

export async function request<T>(
  { method, path, body, type, once, signal }: Sent,
  read: (response: Response) => Promise<T>,
): Promise<Reply<T>> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      ...(body !== undefined && { body: isBytes(body) ? body : JSON.stringify(body) }),
      headers: {
        ...(body !== undefined && {
          'content-type': isBytes(body) ? (type ?? typeOfBytes(body)) : 'application/json',
        }),
        ...(once && { 'idempotency-key': once }),
      },
      ...(signal && { signal }),
    });
    if (response.ok) return { ok: true, value: await read(response) };
  } catch {
    return UNREACHABLE;
  }
  const said = (await response.json().catch(() => null)) as {
    error?: { message?: string; field?: string };
  } | null;
  const { status } = response;
  return {
    ok: false,
    kind: status >= 500 || FOR_NOW.includes(status) ? 'failed' : 'refused',
    status,
    message: said?.error?.message ?? `Not taken: the answer was ${status}.`,
    ...(said?.error?.field !== undefined && { field: said.error.field }),
  };
}

export const json = <T>(sent: Sent) => request(sent, (r) => r.json() as Promise<T>);
export const v1 = (path: string) => `/api/v1${path}`;

/** One change that must last: held on the device until the server has it. Repeating it is harmless. */
export interface QueuedRequest {
  /** What it is, for a person to know it by. */
  kind:
    | 'fish'
    | 'ring'
    | 'quick read'
    | 'setting'
    | 'outing'
    | 'reading'
    | 'try'
    | 'press'
    | 'photograph'
    | 'day';
  method: 'PUT' | 'DELETE';
  path: string;
  body?: Record<string, unknown>;
  /** A name of this one press: the book takes it once, however often it is sent. */
  id?: string;
  /** What the fields that it changes held before, as this device saw them; absent for what is told whole. */
  was?: Record<string, unknown>;
  /** Instead of a body: a picture. */
  bytes?: Blob;
  /** What it means for the log: kept beside it, so that this device knows it before the book does. */
  change?: LogChange;
}
/** What tells one press from another. */
export const newChange = (): { id: string } => ({ id: clientId() });

/** `before`: what the same thing was, as this device saw it; null, or absent, where it is new. */
export const put = (
  kind: QueuedRequest['kind'],
  path: string,
  body: object,
  { change, before }: { change?: LogChange; before?: object | null | undefined } = {},
): QueuedRequest => ({
  ...newChange(),
  kind,
  method: 'PUT',
  path: v1(path),
  body: body as Record<string, unknown>,
  ...(before && { was: changedFields(before, body) }),
  ...(change && { change }),
});
const del = (kind: QueuedRequest['kind'], path: string): QueuedRequest => ({
  ...newChange(),
  kind,
  method: 'DELETE',
  path: v1(path),
});

/** Every change that goes through the queue. Ids are made on the device. */
export const changes = {
  putMark: (id: string, body: object, before?: object | null) =>
    put('fish', `/marks/${id}`, body, { before }),
  dropMark: (id: string) => del('fish', `/marks/${id}`),
  putRise: (id: string, body: object) => put('ring', `/rises/${id}`, body),
  dropRise: (id: string) => del('ring', `/rises/${id}`),
  putRead: ({ id, ...body }: KeptRead, before?: KeptRead | null) =>
    put('quick read', `/reads/${id}`, body, {
      change: { kind: 'read', read: { id, ...body } },
      before,
    }),
  dropRead: (id: string) => del('quick read', `/reads/${id}`),
  putSettings: (change: Partial<Settings>, before: Partial<Settings>) =>
    put('setting', '/settings', change, { before }),
  putOuting: ({ id, ...body }: Outing, before?: Outing | null) =>
    put('outing', `/outings/${id}`, body, { before }),
  putReading: ({ id, ...body }: Reading) => put('reading', `/readings/${id}`, body),
  dropReading: (id: string) => del('reading', `/readings/${id}`),
  putFact: <K extends FactKind>(
    kind: K,
    id: string,
    body: DayFacts[K][string],
    before?: DayFacts[K][string] | null,
  ) => put('day', `/day/${kind}/${id}`, body, { before }),
  putTry: (id: string, body: object) => put('try', `/tries/${id}`, body),
  putEvent: (tryId: string, id: string, body: object) =>
    put('press', `/tries/${tryId}/events/${id}`, body),
};

/** Sends what the queue holds. */
export const sendQueued = ({
  method,
  path,
  body,
  bytes,
  id,
  was,
}: QueuedRequest): Promise<Reply<unknown>> => {
  const sent = bytes ?? (body && was ? { ...body, was } : body);
  return json({ method, path, ...(id && { once: id }), ...(sent !== undefined && { body: sent }) });
};
