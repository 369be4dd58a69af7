'use client';

import { Maximize, Minus, Plus } from 'lucide-react';
import { Button } from '../../ui/button';
import css from './frame.module.css';
import { PlanView } from './plan-view';
import type { View } from './use-view';

/** The plan and the keys that bring it nearer and farther. */
export function PlanBox({ view }: { view: View }) {
  return (
    <div className={css.planBox} ref={view.ref}>
      <PlanView
        camera={view.camera}
        setCamera={view.setCamera}
        width={view.width}
        height={view.height}
      />
      <div className={css.zoom} data-part="zoom">
        <Button voice="bare" aria-label="Nearer" onClick={() => view.zoom(1.4)}>
          <Plus size={18} aria-hidden="true" />
        </Button>
        <Button voice="bare" aria-label="Farther" onClick={() => view.zoom(1 / 1.4)}>
          <Minus size={18} aria-hidden="true" />
        </Button>
        <Button voice="bare" aria-label="Whole beat" onClick={view.showAll}>
          <Maximize size={16} aria-hidden="true" />
        </Button>
      </div>
    </div>
  );
}
