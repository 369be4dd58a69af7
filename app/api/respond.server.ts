import { ValidationError, type Schema } from 'yup';
import {
  bookRefusal,
  NOT_PAIRED,
  noteTrouble,
  requestName,
  TROUBLE_WORDS,
  visitorNow,
  type BookTrouble,
  type Change,
  type Outcome,
} from '@/services/index';

const STATUS = { invalid: 400, 'not-found': 404, conflict: 409, 'too-many': 429 } as const;
const JSON_LIMIT = 4_000_000;

const problem = (status: number, code: string, message: string, field?: string) =>
  Response.json({ error: { code, message, ...(field !== undefined && { field }) } }, { status });

/** Outcome to answer. */
export function answer<T>(outcome: Outcome<T>): Response {
  if (outcome.ok) return Response.json(outcome.value);
  return problem(STATUS[outcome.code], outcome.code, outcome.message, outcome.field);
}

/**
 * Runs a handler for this machine and for paired phones; what it throws becomes one shape of error.
 * The door has asked who comes; this asks again, of what is really being answered.
 */
export async function respond(run: () => Promise<Response>): Promise<Response> {
  if (visitorNow() === 'stranger') return problem(401, 'not-paired', NOT_PAIRED);
  return respondToAll(run);
}

/** The same for anybody: the pairing itself, and whether the program answers. */
export async function respondToAll(run: () => Promise<Response>): Promise<Response> {
  try {
    return await run();
  } catch (error) {
    if (error instanceof ValidationError) return problem(400, 'invalid', error.message, error.path);
    if (error instanceof BadBody) return problem(error.status, 'invalid', error.message, 'body');
    const refused = refusedByBook(error);
    if (refused) return refused;
    console.error(`${requestName()} failed:`, error);
    return problem(
      500,
      'internal',
      'Something went wrong on this machine; nothing was saved. The log says more.',
    );
  }
}

/**
 * What the book itself refuses: never the server's fault, and never worth repeating, so not a 500.
 * The use cases say it better where they can foresee it. A book that is away is worth repeating.
 */
function refusedByBook(error: unknown): Response | null {
  const refusal = bookRefusal(error);
  switch (refusal) {
    case 'no such thing':
      return problem(
        422,
        'invalid',
        'This speaks of something that is not in the book: a beat, a fish, a photograph or an outing.',
      );
    case 'another has it':
      return problem(
        409,
        'conflict',
        'The book already holds another thing under that name or id.',
      );
    case 'not possible':
      return problem(
        422,
        'invalid',
        'The book cannot hold this: a part of it is missing or not possible.',
      );
    case 'away':
    case 'full':
    case 'held':
    case 'damaged':
      return inTrouble(refusal, error);
    default:
      return null;
  }
}

/** It mends with time: a phone keeps what it has and sends it again. */
export function inTrouble(trouble: BookTrouble, error?: unknown): Response {
  if (error !== undefined) {
    noteTrouble(trouble);
    console.error(`${requestName()}: ${TROUBLE_WORDS[trouble]}`, error);
  }
  return problem(
    503,
    trouble,
    `${TROUBLE_WORDS[trouble]} What you did is kept on this device and sent again.`,
  );
}

class BadBody extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Body as bytes, at most `limit`. */
export async function bytesOf(request: Request, limit: number): Promise<Uint8Array> {
  const bytes = new Uint8Array(await request.arrayBuffer());
  if (bytes.length > limit)
    throw new BadBody(413, `The body holds ${bytes.length} bytes; at most ${limit} are taken.`);
  return bytes;
}

/** Body as JSON, unchecked. */
export async function jsonOf(request: Request, limit = JSON_LIMIT): Promise<unknown> {
  const text = new TextDecoder().decode(await bytesOf(request, limit));
  if (depthOf(text) > DEEPEST)
    throw new BadBody(
      400,
      `The body is nested more than ${DEEPEST} deep; nothing here needs that.`,
    );
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new BadBody(400, 'The body is not JSON.');
  }
  const odd = oddName(json);
  if (odd !== null) throw new BadBody(400, `A field is called "${odd}"; nothing here is.`);
  return json;
}

/** What every object has already: told anew, it would answer in its place wherever a value is put into words. */
const NOT_A_FIELD = new Set([...Object.getOwnPropertyNames(Object.prototype), 'toJSON', 'then']);

function oddName(json: unknown): string | null {
  if (typeof json !== 'object' || json === null) return null;
  for (const [key, value] of Object.entries(json)) {
    if (NOT_A_FIELD.has(key)) return key;
    const within = oddName(value);
    if (within !== null) return within;
  }
  return null;
}

/** A beat's file is some ten deep. What is deeper would end in the stack of whatever walks it. */
const DEEPEST = 64;

/** How deep brackets nest in a text, outside of strings; no further than is asked for. */
function depthOf(text: string): number {
  let depth = 0;
  let deepest = 0;
  let inString = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (inString) {
      if (c === 92) i++;
      else if (c === 34) inString = false;
    } else if (c === 34) inString = true;
    else if (c === 91 || c === 123) {
      deepest = Math.max(deepest, ++depth);
      if (deepest > DEEPEST) return deepest;
    } else if (c === 93 || c === 125) depth--;
  }
  return deepest;
}

/** A change's own name, as a device gives it. */
const CHANGE_NAME = /^[A-Za-z0-9-]{1,64}$/;

/** What a request says of a change beside its body: its name, in the header `Idempotency-Key`. */
export function namedChange(request: Request): Change {
  const id = request.headers.get('idempotency-key');
  if (id !== null && !CHANGE_NAME.test(id))
    throw new BadBody(
      400,
      `The name of the change (Idempotency-Key) is "${id.slice(0, 80)}"; it must be 1 to 64 letters, digits or dashes.`,
    );
  return { id, was: null };
}

/**
 * A change: the body through a schema, and apart from it `was`, what the fields that it changes held
 * before as the device saw them. `was` is compared with what the book holds, and never kept.
 */
export async function changeOf<T>(
  request: Request,
  schema: Schema<T>,
): Promise<{ told: T; change: Change }> {
  const named = namedChange(request);
  const json = await jsonOf(request);
  if (typeof json !== 'object' || json === null || !('was' in json))
    return { told: await schema.validate(json, { strict: true }), change: named };
  const { was, ...rest } = json;
  if (typeof was !== 'object' || was === null || Array.isArray(was))
    throw new BadBody(400, 'What the fields were before ("was") must be an object.');
  const told = await schema.validate(rest, { strict: true });
  return { told, change: { ...named, was: was as Record<string, unknown> } };
}

/** Body as JSON through a schema; throws what `respond` words. */
export async function bodyOf<T>(request: Request, schema: Schema<T>): Promise<T> {
  return schema.validate(await jsonOf(request), { strict: true, stripUnknown: false });
}
