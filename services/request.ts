import { AsyncLocalStorage } from 'node:async_hooks';

/** Who asks: this machine itself, a phone that is paired, or anybody. */
export type Visitor = 'machine' | 'phone' | 'stranger';

/** A request while it is served. */
export interface ServedRequest {
  /** As the log names it. */
  name: string;
  /** A stranger until the door has let it in. */
  visitor: Visitor;
}

const KEY = Symbol.for('pebble-lane.request');
type Held = typeof globalThis & { [KEY]?: AsyncLocalStorage<ServedRequest> };

/** One for the process: the server and its pages are built apart. */
function served(): AsyncLocalStorage<ServedRequest> {
  const held = globalThis as Held;
  return (held[KEY] ??= new AsyncLocalStorage<ServedRequest>());
}

/** Runs what serves a request, so that whatever is asked on the way knows which it is and who asks. */
export const underRequest = <T>(request: ServedRequest, run: () => T): T =>
  served().run(request, run);

export const requestName = (): string => served().getStore()?.name ?? 'outside a request';

/**
 * Who asks. What was not let in by the door is a stranger, also where no door stood before it; only
 * pages that are being developed (`npm run dev`) have none.
 */
export const visitorNow = (): Visitor =>
  served().getStore()?.visitor ?? (process.env.NODE_ENV === 'development' ? 'machine' : 'stranger');
