/** One thing to be kept on the server. Every request carries its own id, so repeating is harmless. */
export interface Letter {
  method: 'PUT' | 'DELETE';
  path: string;
  body?: unknown;
}

export interface OutboxReport {
  waiting: number;
  problem: string | null;
}

const KEY = 'pebble-lane.outbox';
const RETRY_MS = 4000;

/**
 * Sends letters in order and holds what could not be sent on this device until it can: nothing
 * that the angler entered is lost with the connection or the page. What the server refuses is
 * taken out and its sentence reported.
 */
export function createOutbox(
  report: (r: OutboxReport) => void,
  send: typeof fetch,
  storage: Pick<Storage, 'getItem' | 'setItem'>,
) {
  let letters: Letter[] = [];
  let sending = false;
  let timer: ReturnType<typeof setTimeout> | null = null;
  try {
    const held: unknown = JSON.parse(storage.getItem(KEY) ?? '[]');
    if (Array.isArray(held)) letters = held as Letter[];
  } catch {
    letters = [];
  }
  const hold = () => {
    try {
      storage.setItem(KEY, JSON.stringify(letters));
    } catch {
      report({
        waiting: letters.length,
        problem: 'This device is full: what is not yet saved will be lost with the page.',
      });
    }
  };
  async function run(): Promise<void> {
    if (sending || letters.length === 0) return;
    sending = true;
    let problem: string | null = null;
    while (letters.length > 0) {
      const letter = letters[0]!;
      try {
        const response = await send(letter.path, {
          method: letter.method,
          ...(letter.body !== undefined && {
            body: JSON.stringify(letter.body),
            headers: { 'content-type': 'application/json' },
          }),
        });
        if (response.status >= 500) throw new Error(`status ${response.status}`);
        if (!response.ok) {
          const body = (await response.json().catch(() => null)) as {
            error?: { message?: string };
          } | null;
          problem = body?.error?.message ?? `Not kept: the answer was ${response.status}.`;
        }
      } catch {
        problem = 'Not saved yet: kept on this device, tried again in a moment.';
        timer ??= setTimeout(() => {
          timer = null;
          void run();
        }, RETRY_MS);
        break;
      }
      letters = letters.slice(1);
      hold();
      report({ waiting: letters.length, problem });
    }
    sending = false;
    report({ waiting: letters.length, problem });
  }
  return {
    post(letter: Letter) {
      letters = [...letters, letter];
      hold();
      report({ waiting: letters.length, problem: null });
      void run();
    },
    flush: run,
  };
}

export type Outbox = ReturnType<typeof createOutbox>;
