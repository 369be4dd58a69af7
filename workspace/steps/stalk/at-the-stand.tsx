'use client';

import { Button } from '../../../ui/button';
import { useActions } from '../../context';
import { PostureChoice } from '../../parts/posture-choice';
import { createPlanActions } from '../../plan-actions';
import type { Step } from '../../state/address';
import panel from '../../../ui/panel.module.css';

/** Posture at the stand, the step to go on to, and another stand. */
export function AtTheStand({ next, word }: { next: Step; word: string }) {
  const acting = useActions(createPlanActions);
  return (
    <>
      <h3>At the stand</h3>
      <PostureChoice />
      <div className={panel.row}>
        <Button voice="solid" onClick={() => acting.go(next)}>
          {word}
        </Button>
        <Button onClick={acting.suggestStand}>Suggest a stand</Button>
      </div>
    </>
  );
}
