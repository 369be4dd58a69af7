import type { ReactNode } from 'react';
import panel from './panel.module.css';

/** A name and its figure on one line. */
export function DescriptionRow({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className={panel.fact}>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}
