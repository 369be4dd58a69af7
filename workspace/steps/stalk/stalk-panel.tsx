'use client';

import { useRef } from 'react';
import { alarmOf } from '../../../core/log/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import type { HidingSchool } from '../../../core/stalk/index';
import { formatMinutes } from '../../../core/units/index';
import { useActions, useCalmPart, usePart, useWorkspace } from '../../context';
import { inHundred } from '../../../words/names';
import { AtTheStand } from './at-the-stand';
import { OrderPanel } from './order-panel';
import { WorkPanel } from './work-panel';
import { CarePanel, ChangesPanel, ShadowPanel } from './stalk-care';
import { StalkPlanPanel } from './stalk-plan';
import { wayGpx } from './way-gpx';
import { WayPanel } from './way-panel';
import { isPale, bestWay, shownWay, targetOf } from '../../state/selectors';
import { isAsking, isStale, valueOf } from '../../state/answer';
import { createStalkActions } from './stalk-actions';
import panel from '../../../ui/panel.module.css';

export function StalkPanel() {
  const target = usePart(targetOf);
  const stale = usePart((s) => isPale(s, 'stalk'));
  const stand = useCalmPart((s) => s.stand);
  if (!target || !stand)
    return (
      <>
        <section>
          <h2>Get near, unseen</h2>
          <p>Choose a fish or a lie first: on the plan or in the list.</p>
        </section>
        <OrderPanel />
        <WorkPanel />
      </>
    );
  return (
    <>
      <section className={stale ? panel.stale : ''}>
        <h2>The way to the stand</h2>
        {stale && (
          <p className={panel.working} role="status">
            Looking for a way.
          </p>
        )}
        <WaysChoice />
        <WayPanel />
        <ShadowPanel />
        <CarePanel />
        <AtTheStand next="cast" word="Plan the cast" />
      </section>
      <ChangesPanel />
      <StalkPlanPanel />
      <OrderPanel />
      <WorkPanel />
      <Carry />
      <WhatThisRestsOn />
    </>
  );
}

/** Truly different ways beside one another. */
function WaysChoice() {
  const stalking = useActions(createStalkActions);
  const best = usePart(bestWay);
  const others = usePart((s) => valueOf(s, 'stalkStudy')?.others ?? null);
  const shown = usePart((s) => s.stalkShown);
  const target = usePart(targetOf);
  if (!best || !others || others.length === 0) return null;
  const calm = (w: typeof best) =>
    inHundred(w.calm.find((c) => c.fishId === target?.id)?.best ?? 1).replace(' in 100', '');
  return (
    <Choice
      label="Which way"
      value={String(shown)}
      options={[best, ...others].map((w, i) => [
        String(i),
        `${formatMinutes(w.seconds / 60)}, calm ${calm(w)}`,
      ])}
      onChange={(v) => stalking.showWay(Number(v))}
    />
  );
}

/** Marks and the way for a handheld, where the beat has a place on the map. */
function Carry() {
  const { beat, store } = useWorkspace();
  const link = useRef<HTMLAnchorElement>(null);
  // A file with yesterday's way, or with none because the next is on its way, would mislead.
  const looking = usePart((s) => isAsking(s, 'stalk') || isStale(s, 'stalk'));
  const hasWay = usePart((s) => shownWay(s) !== null);
  if (!beat.plan.anchor)
    return (
      <p className={panel.second}>
        To carry marks and way on a handheld (GPX), say where the beat lies in its sketch or survey.
      </p>
    );
  const save = () => {
    const text = wayGpx(beat.plan, store.getState());
    if (text === null || !link.current) return;
    const url = URL.createObjectURL(new Blob([text], { type: 'application/gpx+xml' }));
    link.current.href = url;
    link.current.click();
    setTimeout(() => URL.revokeObjectURL(url), 10_000);
  };
  return (
    <p>
      <Button onClick={save} disabled={looking}>
        {hasWay || looking ? 'Carry it as GPX' : 'Carry the marks as GPX'}
      </Button>
      <a
        ref={link}
        href="#gpx"
        download={`${beat.plan.name}.gpx`}
        tabIndex={-1}
        aria-hidden="true"
        hidden
      >
        GPX
      </a>
    </p>
  );
}

const HIDING_SAID: Record<HidingSchool, string> = {
  creep: 'you creep and keep low',
  screen: 'broken and stained water is a screen',
  'own-mud':
    'mud that you stir up above a fish hides you while you wade; let it clear before you cast',
};

function WhatThisRestsOn() {
  const noticing = alarmOf(usePart((s) => s.settings));
  const methods = usePart((s) => s.settings.methods);
  return (
    <Disclosure title="What this rests on">
      <p className={panel.second}>
        Walking, crouched, kneeling and crawling on a quarter-metre grid; each step weighed for what
        every marked fish and the best lies notice, for footfall, wading, footing and effort. A fish
        is still calm with e^(-dose/{noticing.tauS.toFixed(1)} s), footfall weighs{' '}
        {noticing.footfall}: our guesses, as set in Settings and as your own record has changed
        them. Deep or quick water, rocks, bushes and marked hazards are never crossed. Land beyond
        what was surveyed is taken as flat and open.{' '}
        {methods.wading === 'never-unless'
          ? 'Water is waded only where no way leads over land'
          : 'Water is waded for the angle'}
        ; {HIDING_SAID[methods.hiding]} (Settings).
      </p>
    </Disclosure>
  );
}
