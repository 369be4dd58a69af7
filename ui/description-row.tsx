import type { ReactNode } from 'react';

/** A name and its figure on one line. */
export function DescriptionRow({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="fact">
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}
