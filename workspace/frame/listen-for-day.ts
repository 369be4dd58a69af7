import type { Workspace } from '../context';

/** Keeps the book's day in step with the date on screen, once the page stands. Gives the way to stop. */
export function listenForDay({ store, beat }: Workspace): () => void {
  let stop: (() => void) | null = null;
  let gone = false;
  import('../steps/day/keep-day')
    .then(({ keepDay }) => {
      if (!gone) stop = keepDay({ store, beat });
    })
    .catch(() => store.setState({ dayProblem: 'a part of the program did not load.' }));
  return () => {
    gone = true;
    stop?.();
  };
}
