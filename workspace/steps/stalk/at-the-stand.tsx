'use client';

import { POSTURES, type Posture } from '../../../core/sight/index';
import { Choice, Do } from '../../../ui/parts';
import type { Step } from '../../state/address';
import { usePart, useWorkspace } from '../../context';

const NAMES: Record<Posture, string> = {
  stand: 'Stand',
  crouch: 'Crouch',
  kneel: 'Kneel',
  crawl: 'Crawl',
};

export const postureName = (posture: Posture) => NAMES[posture];

export function PostureChoice() {
  const { actions } = useWorkspace();
  const posture = usePart((s) => s.posture);
  return (
    <Choice
      label="Posture"
      value={posture}
      options={POSTURES.map((p) => [p, NAMES[p]] as const)}
      onChange={actions.setPosture}
    />
  );
}

/** Posture at the stand, the step to go on to, and another stand. */
export function AtTheStand({ next, word }: { next: Step; word: string }) {
  const { actions } = useWorkspace();
  return (
    <>
      <h3>At the stand</h3>
      <PostureChoice />
      <div className="row">
        <Do voice="solid" onClick={() => actions.go(next)}>
          {word}
        </Do>
        <Do onClick={actions.suggestAgain}>Suggest a stand</Do>
      </div>
    </>
  );
}
