'use client';

import { useSolves } from '@/sync/queries';
import { Button } from '@/ui/button';
import css from './start.module.css';

/** What the program is solving in the background, and how far; it can be stopped. */
export function SolveWatch({ names }: { names: Record<string, string> }) {
  const { open, stopAll } = useSolves();
  const now = open.find((j) => j.state === 'solving') ?? open[0];
  if (!now) return null;
  return (
    <p className={css.solveWatch} role="status">
      Making the water ready in the background: {names[now.beatId] ?? 'a beat'}, {now.level},{' '}
      {Math.round(100 * now.progress)} %{open.length > 1 && `, ${open.length - 1} more to come`}.{' '}
      <Button voice="plain" onClick={() => void stopAll()}>
        Stop it
      </Button>
    </p>
  );
}
