import type { ReactNode } from 'react';

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
    <div className="setting">
      <div>{children}</div>
      <p>
        {why}{' '}
        {changed && (
          <button type="button" className="plain" onClick={onBack}>
            {back}
          </button>
        )}
      </p>
    </div>
  );
}
