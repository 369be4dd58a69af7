'use client';

import { useEffect, useRef, useState } from 'react';
import { Button, ButtonAnchor } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { formatAddress } from '../state/address';
import { WorkspaceProvider, usePart, useWorkspace, type Workspace as Held } from '../context';
import { createWorkspace } from '../frame/create-workspace';
import { listenForDay } from '../frame/listen-for-day';
import { BeatCard } from './beat-card';
import { saveSvg } from './save-svg';
import { ShotCard } from './shot-card';
import type { BeatInput } from '../state/document';
import css from './card.module.css';
import panel from '../../ui/panel.module.css';

/** The card: one page for one shot, or for the whole beat; on paper, on a phone, or as SVG. */
export function CardPage({ beat, query }: { beat: BeatInput; query: string }) {
  const [held] = useState<Held>(() => {
    const made = createWorkspace(beat, 'cast', query);
    made.store.setState({ card: true });
    return made;
  });
  useEffect(() => {
    const stop = held.engine.start();
    const stopDay = listenForDay(held);
    return () => {
      stopDay();
      stop();
    };
  }, [held]);
  return (
    <WorkspaceProvider value={held}>
      <CardSheet />
    </WorkspaceProvider>
  );
}

type Which = 'shot' | 'beat';

function CardSheet() {
  const { beat, store } = useWorkspace();
  const zone = beat.plan.timeZone;
  const [which, setWhich] = useState<Which>('shot');
  const ready = usePart((s) => s.flowState.kind === 'ready');
  const failed = usePart((s) => (s.flowState.kind === 'failed' ? s.flowState.message : null));
  const sheet = useRef<HTMLElement>(null);
  const back = formatAddress(beat.id, { ...store.getState(), step: 'cast' }, zone);
  return (
    <main className={css.cardPage}>
      <div className={`${css.cardTools} ${panel.row}`}>
        <Choice
          label="What the card is for"
          value={which}
          options={[
            ['shot', 'this shot'],
            ['beat', 'the whole beat'],
          ]}
          onChange={setWhich}
        />
        <Button voice="solid" disabled={!ready} onClick={() => window.print()}>
          Print
        </Button>
        <Button
          disabled={!ready}
          onClick={() => sheet.current && saveSvg(sheet.current, `${beat.id}-card.svg`)}
        >
          Save the drawing (SVG)
        </Button>
        <ButtonAnchor voice="plain" href={back}>
          Back to Cast
        </ButtonAnchor>
      </div>
      {failed && <p role="alert">The water could not be solved: {failed}</p>}
      {!ready && !failed && <p role="status">Opening the water.</p>}
      <article ref={sheet} className={css.card} aria-label="The card">
        {which === 'shot' ? <ShotCard /> : <BeatCard />}
      </article>
    </main>
  );
}
