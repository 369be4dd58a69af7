import { AsyncLocalStorage } from 'node:async_hooks';

const KEY = Symbol.for('pebble-lane.request');
type Held = typeof globalThis & { [KEY]?: AsyncLocalStorage<string> };

function names(): AsyncLocalStorage<string> {
  const held = globalThis as Held;
  return (held[KEY] ??= new AsyncLocalStorage<string>());
}

/** Runs what serves a request under its name, so that whatever the log says of it says which it was. */
export const underName = <T>(name: string, run: () => T): T => names().run(name, run);
export const requestName = (): string => names().getStore() ?? 'outside a request';
