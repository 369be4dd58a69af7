import { ValidationError, type Schema } from 'yup';
import type { Outcome } from '@/services/index';

const STATUS = { invalid: 400, 'not-found': 404, conflict: 409 } as const;
const JSON_LIMIT = 4_000_000;

const problem = (status: number, code: string, message: string, field?: string) =>
  Response.json({ error: { code, message, ...(field !== undefined && { field }) } }, { status });

/** Outcome to answer. */
export function answer<T>(outcome: Outcome<T>): Response {
  if (outcome.ok) return Response.json(outcome.value);
  return problem(STATUS[outcome.code], outcome.code, outcome.message, outcome.field);
}

/** Runs a handler; what it throws becomes one shape of error. */
export async function respond(run: () => Promise<Response>): Promise<Response> {
  try {
    return await run();
  } catch (error) {
    if (error instanceof ValidationError) return problem(400, 'invalid', error.message, error.path);
    if (error instanceof BadBody) return problem(error.status, 'invalid', error.message, 'body');
    console.error(error);
    return problem(
      500,
      'internal',
      'Something went wrong on this machine; nothing was saved. The log says more.',
    );
  }
}

class BadBody extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Body as JSON through a schema; throws what `respond` words. */
export async function bodyOf<T>(request: Request, schema: Schema<T>): Promise<T> {
  const text = await request.text();
  if (text.length > JSON_LIMIT)
    throw new BadBody(413, `The body holds ${text.length} bytes; at most ${JSON_LIMIT} are taken.`);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new BadBody(400, 'The body is not JSON.');
  }
  return schema.validate(json, { strict: true, stripUnknown: false });
}
