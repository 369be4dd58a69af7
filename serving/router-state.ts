import { parseAndValidateFlightRouterState } from 'next/dist/server/app-render/parse-and-validate-flight-router-state';

/**
 * Whether the framework can read what a page says of where it is (the header `next-router-state-tree`). It
 * answers what it cannot read with a failure of the server, though it is the request that is wrong: its own
 * reader is asked before.
 */
export function readsRouterState(header: string | string[] | undefined): boolean {
  try {
    parseAndValidateFlightRouterState(header);
    return true;
  } catch {
    return false;
  }
}
