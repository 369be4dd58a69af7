import type { ReactNode } from 'react';
import { Button } from '@/ui/button';
import css from '../start.module.css';

/** A setting beside its reason, with the way back to its default. */
export function Row({
  children,
  why,
  changed,
  back,
  onBack,
}: {
  children: ReactNode;
  why: string;
  changed: boolean;
  back: string;
  onBack: () => void;
}) {
  return (
    <div className={css.setting}>
      <div>{children}</div>
      <p>
        {why}{' '}
        {changed && (
          <Button voice="plain" onClick={onBack}>
            {back}
          </Button>
        )}
      </p>
    </div>
  );
}
