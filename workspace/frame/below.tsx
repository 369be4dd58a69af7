'use client';

import { useSize } from '../../drawing/use-size';
import { usePart } from '../context';
import { SectionView } from '../section/section-view';
import css from './frame.module.css';
import { CompareView, SectionFly } from './steps';
import type { View } from './use-view';

/** Under the plan, on the same x: the long section, or the same beat at another level. */
export function Below({ view }: { view: View }) {
  const comparing = usePart((s) => s.step === 'read' && s.compareLevel !== null);
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className={css.sectionBox} ref={ref}>
      {comparing ? (
        <CompareView camera={view.camera} {...size} />
      ) : (
        <SectionView camera={view.camera} {...size} fly={SectionFly} />
      )}
    </div>
  );
}
