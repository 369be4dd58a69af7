'use client';

import { useEffect, useMemo, useState } from 'react';
import { formatLength, formatSeconds } from '../../core/units/index';
import type { Shot } from '../../core/cast/index';
import { channelMiddleYM } from '../../core/water/index';
import { pageX, pageY, type Camera } from '../../drawing/camera';
import { useActions, usePart, useWorkspace } from '../context';
import { againstWords, castName, inRods, standWords } from '../../words/cast-words';
import { layName } from '../../words/lay-names';
import { useFishNames } from '../use-fish-names';
import { useLieNames } from '../parts/use-lie-names';
import { useSide } from '../use-side';
import { capital, inHundred, postureName } from '../../words/names';
import { noRouteWords, stopWordsOf } from '../../words/route-words';
import { CardDrawing, cameraFor, useCardSize } from './card-drawing';
import { CardFoot, CardHead, CardKey, CardRows, CardStop } from './card-head';
import { rodMOf, targetsInOrder } from '../state/selectors';
import { freshOf } from '../state/answer';
import { fishToPlan } from './fish-to-plan';
import { createCastActions } from '../steps/cast/cast-actions';
import { createStalkActions } from '../steps/stalk/stalk-actions';
import css from './card.module.css';
import drawn from '../../drawing/marks.module.css';

interface Planned {
  fishId: string;
  shot: Shot | null;
}

/** The whole beat on one page: the marked fish in their order, each with its best shot. */
export function BeatCard() {
  const { beat } = useWorkspace();
  const middle = useMemo(() => channelMiddleYM(beat.plan), [beat.plan]);
  const size = useCardSize();
  const { planned, progress, none } = usePlanned();
  const camera = useMemo(
    () =>
      cameraFor(
        [
          { xM: 0, yM: middle },
          { xM: beat.plan.lengthM, yM: middle },
        ],
        beat.plan.lengthM,
        middle,
        size,
      ),
    [beat.plan.lengthM, middle, size],
  );
  return (
    <>
      <CardHead />
      <div className={css.cardBody}>
        <CardDrawing camera={camera} size={size} label="Plan and long section of the beat.">
          <RouteThread camera={camera} />
          <PlannedOnPlan camera={camera} planned={planned ?? []} />
        </CardDrawing>
        <div>
          <CardStop />
          <section>
            <h2>In this order</h2>
            {none && <p>No fish is marked on this beat yet.</p>}
            {!planned && !none && (
              <p role="status">Working out the order and a shot for each: {progress} %.</p>
            )}
            {planned?.map((p, i) => (
              <PlannedLine key={p.fishId} planned={p} index={i} />
            ))}
          </section>
          <RouteLines />
          <CardKey />
        </div>
      </div>
      <CardRows />
      <CardFoot />
    </>
  );
}

/** The order is asked once; then the best shot at each fish in turn. */
function usePlanned() {
  const casting = useActions(createCastActions);
  const stalking = useActions(createStalkActions);
  const ready = usePart((s) => s.flowState.kind === 'ready' && !s.flowStale);
  const targets = usePart((s) => targetsInOrder(s).length);
  const [planned, setPlanned] = useState<Planned[] | null>(null);
  const [done, setDone] = useState(0);
  const ids = usePart((s) => fishToPlan(targetsInOrder(s), freshOf(s, 'order')).join(' '));
  useEffect(() => {
    if (ready && targets > 1) stalking.askOrder();
  }, [ready, targets, stalking]);
  useEffect(() => {
    if (!ready || ids === '') return;
    let let_go = false;
    void (async () => {
      const out: Planned[] = [];
      for (const fishId of ids.split(' ')) {
        const shot = await casting.bestShotAt(fishId);
        if (let_go) return;
        out.push({ fishId, shot });
        setDone(out.length);
      }
      setPlanned(out);
    })();
    return () => {
      let_go = true;
    };
  }, [ready, ids, casting]);
  return {
    planned,
    progress: Math.round((100 * (done + 1)) / (targets + 1)),
    none: targets === 0,
  };
}

/** The whole beat, stand after stand; worked out once the fish are. */
function RouteLines() {
  const stalking = useActions(createStalkActions);
  const ready = usePart((s) => s.flowState.kind === 'ready' && freshOf(s, 'lies') !== null);
  const asked = usePart((s) => s.work !== null);
  const route = usePart((s) => freshOf(s, 'route'));
  const progress = usePart((s) => s.workProgress);
  const nameOf = useLieNames();
  useEffect(() => {
    if (ready && !asked) stalking.workIt({});
  }, [ready, asked, stalking]);
  return (
    <section>
      <h2>The whole beat</h2>
      {!route && <p role="status">Working out the route: {Math.round(100 * progress)} %.</p>}
      {route && route.result.kind !== 'route' && <p>{noRouteWords(route.result.kind)}</p>}
      {route?.result.kind === 'route' && (
        <ol className={css.route}>
          {route.result.steps.map((step, i) => (
            <li key={i}>{capital(stopWordsOf(step, nameOf))}</li>
          ))}
        </ol>
      )}
    </section>
  );
}

/** The stands of the route as lettered dots on one thread: figures belong to the fish. */
function RouteThread({ camera }: { camera: Camera }) {
  const route = usePart((s) => freshOf(s, 'route'));
  if (route?.result.kind !== 'route') return null;
  const at = route.result.steps.map((step) => {
    const stand = route.stands[step.stand]!;
    return [pageX(camera, stand.xM), pageY(camera, stand.yM)] as const;
  });
  return (
    <g>
      <path d={`M${at.map((p) => p.join()).join('L')}`} className={drawn.compared} />
      {at.map(([x, y], i) => (
        <g key={i}>
          <circle cx={x} cy={y} r={9} className={drawn.cover} />
          <text x={x} y={y + 4.4} textAnchor="middle" className={drawn.coverNumber}>
            {LETTERS[i] ?? ''}
          </text>
        </g>
      ))}
    </g>
  );
}
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

function PlannedLine({ planned, index }: { planned: Planned; index: number }) {
  const nameOf = useFishNames();
  const sideOf = useSide();
  const units = usePart((s) => s.settings.units);
  const rodM = usePart(rodMOf);
  const fish = usePart((s) => s.marks.find((m) => m.id === planned.fishId) ?? null);
  const { shot } = planned;
  if (!shot)
    return (
      <p>
        <strong>{index + 1}.</strong> {capital(nameOf(planned.fishId))}: no stand to cast from.
      </p>
    );
  const { facts, cleanS } = shot;
  const against = shot.against[0];
  return (
    <div className={css.planned}>
      <strong>
        {index + 1}. {capital(nameOf(planned.fishId))}: {postureName(shot.posture).toLowerCase()},{' '}
        {standWords(shot.stand, fish, sideOf(shot.stand), units)}; {layName(shot.lay).toLowerCase()}
      </strong>
      <p>
        {inHundred(shot.chance.found)} that it gets an honest look; lead{' '}
        {formatLength(facts.leadM, units)}, clean {formatSeconds(cleanS.best)}, thrown{' '}
        {castName(shot.cast)}, {formatLength(facts.distanceM, units)} (
        {inRods(facts.distanceM, rodM)})
      </p>
      {against && <p>{capital(againstWords(against, units))}.</p>}
    </div>
  );
}

/** Stands and casts of the whole beat, numbered in their order. */
function PlannedOnPlan({ camera, planned }: { camera: Camera; planned: readonly Planned[] }) {
  return (
    <g>
      {planned.map(({ fishId, shot }, i) => {
        if (!shot) return null;
        const [x, y] = [pageX(camera, shot.stand.xM), pageY(camera, shot.stand.yM)];
        const [lx, ly] = [pageX(camera, shot.landing.xM), pageY(camera, shot.landing.yM)];
        return (
          <g key={fishId}>
            <path d={`M${x},${y}L${lx},${ly}`} className={drawn.compared} />
            <circle cx={lx} cy={ly} r={4} className={drawn.landing} />
            <circle cx={x} cy={y} r={10} className={drawn.cover} />
            <text x={x} y={y + 4.4} textAnchor="middle" className={drawn.coverNumber}>
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
