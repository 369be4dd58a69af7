'use client';

import { useMemo } from 'react';
import type { Place } from '../../../core/grid/index';
import type { DayChange, Lie } from '../../../core/lies/index';
import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { useActions, usePart } from '../../context';
import { useDayChanges } from './day-changes';
import { declutter } from '../../../drawing/declutter';
import { fishLengthPx, NEED_DEG, smoothPath, pebbleRadius } from '../../../drawing/shapes';
import { passes } from '../../state/lie-filter';
import { methodName } from '../../../words/words';
import { lieName } from '../../../words/names';
import { Hollow } from '../../../drawing/hollow';
import { NEED_LETTERS, Pebble } from '../../../drawing/pebble';
import { lieOf, markOf, targetOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createPlanActions } from '../../plan-actions';
import css from './read.module.css';
import sheet from '../../../drawing/marks.module.css';
import { Label, RoundRoom, useSheet } from '../../../drawing/label-room';

/** Below this scale only the best lies and the chosen one wear grains. */
const GRAINS_FROM_PX_PER_M = 30;
const BEST_WITH_GRAINS = 12;
const PLAIN_RADIUS_PX = 9;
/** A fish keeps this much water clear round its middle, px: pebbles make way. */
const FISH_CLEAR_PX = 19;
/** Pushed further than this from its place, a pebble is tied to it, px. */
const TIE_FROM_PX = 6;
/** Grains lie round the stone out to this share of its radius. */
const WITH_GRAINS = 1.45;

/** On a small sheet later steps show the lies next to what they are about, and no others. */
const NEXT_TO_IT = 3;
const nearest = (lies: readonly Lie[], about: Place | null) =>
  about === null
    ? lies
    : [...lies].sort((a, b) => metresOff(a, about) - metresOff(b, about)).slice(0, NEXT_TO_IT);
const metresOff = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);

export function LiesLayer({ camera }: { camera: Camera }) {
  const acting = useActions(createPlanActions);
  const lies = usePart((s) => valueOf(s, 'lies'));
  const shown = usePart((s) => s.shown);
  const stale = usePart((s) => isStale(s, 'lies'));
  const chosen = usePart(lieOf);
  const mark = usePart(markOf);
  const step = usePart((s) => s.step);
  const marks = usePart((s) => s.marks);
  const quiet = step !== 'read';
  const { small } = useSheet();
  const about = usePart(targetOf);
  const { scale } = camera;
  const drawn = useMemo(() => {
    if (!lies) return [];
    const list = lies.lies
      .map((lie, rank) => ({ lie, rank }))
      .filter(({ lie }) => quiet || passes(shown, lie) || lie.id === chosen?.id)
      .filter(({ lie }) => !small || !quiet || nearest(lies.lies, about).includes(lie));
    const sized = list.map(({ lie, rank }) => {
      const isChosen = lie.id === chosen?.id && !mark;
      const plain =
        !isChosen && (quiet || (scale < GRAINS_FROM_PX_PER_M && rank >= BEST_WITH_GRAINS));
      const r = plain
        ? PLAIN_RADIUS_PX
        : Math.min(pebbleRadius(lie.rating), Math.max(PLAIN_RADIUS_PX, scale * 0.58));
      return { lie, isChosen, plain, r };
    });
    // Places in page units from the plan's own corner: panning moves nothing against anything.
    const fish = marks.map((m) => {
      const half = fishLengthPx(m.totalLengthCm) / 2;
      return {
        x: m.xM * scale - half * Math.cos(m.headingRad),
        y: -m.yM * scale + half * Math.sin(m.headingRad),
        r: FISH_CLEAR_PX,
        fixed: true,
      };
    });
    const stones = sized.map(({ lie, plain, r }) => ({
      x: lie.xM * scale,
      y: -lie.yM * scale,
      r: plain ? r : r * WITH_GRAINS,
    }));
    const places = declutter([...stones, ...fish]);
    return sized.map((s, i) => ({
      ...s,
      dx: places[i]!.x - s.lie.xM * scale,
      dy: places[i]!.y + s.lie.yM * scale,
    }));
  }, [lies, shown, chosen, mark, quiet, small, about, marks, scale]);
  if (!lies) return null;
  return (
    <g opacity={stale ? 0.6 : 1}>
      {chosen && step === 'read' && (
        <Lane places={chosen.lane.map((p) => [pageX(camera, p.xM), pageY(camera, p.yM)])} />
      )}
      {[...drawn].reverse().map(({ lie, isChosen, plain, r, dx, dy }) => {
        const x = pageX(camera, lie.xM);
        const y = pageY(camera, lie.yM);
        return (
          <g key={lie.id}>
            {Math.hypot(dx, dy) > TIE_FROM_PX && (
              <path d={`M${x},${y}L${x + dx},${y + dy}`} className={css.tie} />
            )}
            <g
              transform={`translate(${x + dx} ${y + dy})`}
              className={sheet.lie}
              onClick={(e) => {
                e.stopPropagation();
                acting.chooseLie(lie);
              }}
            >
              <title>{`${lieName(lie.kind)}, rating ${lie.rating}`}</title>
              <circle r={Math.max(14, r * 1.3)} fill="transparent" />
              <Pebble
                rating={lie.rating}
                needs={lie.needs}
                r={r}
                chosen={isChosen}
                quiet={quiet && !isChosen}
                plain={plain}
              />
            </g>
            <RoundRoom x={x + dx} y={y + dy} r={plain ? r * 1.12 : r * WITH_GRAINS} />
            {isChosen && <NeedLetters x={x + dx} y={y + dy} r={r} />}
          </g>
        );
      })}
      {step === 'read' && <Changes camera={camera} />}
      {step === 'read' && <Partings camera={camera} />}
    </g>
  );
}

/** S, F, E and A outside the chosen stone, each at the side of its grain. */
function NeedLetters({ x, y, r }: { x: number; y: number; r: number }) {
  return NEED_LETTERS.map(([name, letter]) => {
    const angle = (NEED_DEG[name] * Math.PI) / 180;
    const spots = [1.72, 2.1].map(
      (out) => [x + out * r * Math.cos(angle), y + out * 0.95 * r * Math.sin(angle)] as const,
    );
    return <Label key={name} kind="needLetter" text={letter} spots={spots} />;
  });
}

/** Changes under this many points are not worth a sign. */
const CHANGE_FROM = 4;

/** What rose and what faded against the day laid by: beside each pebble, hollow where one went. */
function Changes({ camera }: { camera: Camera }) {
  const changes = useDayChanges();
  return (
    <g aria-hidden="true">
      {changes
        .filter((c) => Math.abs(c.now - c.then) >= CHANGE_FROM)
        .map((c) => (
          <g key={c.lie.id} transform={`translate(${pageX(camera, c.xM)} ${pageY(camera, c.yM)})`}>
            {c.seen === 'gone' && <Hollow r={12} />}
            <Label
              kind="lieChange"
              text={changeText(c)}
              at={[pageX(camera, c.xM), pageY(camera, c.yM)]}
              clear={14}
            />
          </g>
        ))}
    </g>
  );
}

const changeText = (c: DayChange) =>
  `${c.now > c.then ? '▲' : '▼'} ${Math.abs(Math.round(c.now - c.then))}`;

/** Places that only the other method would fish. */
function Partings({ camera }: { camera: Camera }) {
  const difference = usePart((s) => valueOf(s, 'difference'));
  const own = usePart((s) => s.settings.methods.holding);
  return (
    <g aria-hidden="true">
      {difference?.partings
        .filter((p) => p.chosenBy !== own)
        .map((p, i) => (
          <g key={i} transform={`translate(${pageX(camera, p.xM)} ${pageY(camera, p.yM)})`}>
            <Hollow r={13} />
            <RoundRoom x={pageX(camera, p.xM)} y={pageY(camera, p.yM)} r={14} />
            <Label
              kind="lieChange"
              text={`${methodName(p.chosenBy)} ${Math.round(p.ratings.own)}`}
              at={[pageX(camera, p.xM), pageY(camera, p.yM)]}
              clear={14}
            />
          </g>
        ))}
    </g>
  );
}

/** The drift that feeds the chosen lie: arrowheads run with the current, toward the fish. */
function Lane({ places }: { places: [number, number][] }) {
  if (places.length < 3) return null;
  const d = smoothPath(
    places.filter((_, i) => i % 3 === 0),
    false,
  );
  const heads = places.filter((_, i) => i > 4 && i % 10 === 0);
  return (
    <g aria-hidden="true">
      <path d={d} className={css.laneCase} />
      <path d={d} className={css.lane} />
      {heads.map(([x, y], n) => {
        const i = places.findIndex(([a, b]) => a === x && b === y);
        const [ax, ay] = places[i - 2]!;
        const deg = (Math.atan2(ay - y, ax - x) * 180) / Math.PI;
        return (
          <path
            key={n}
            d="M0,0 L-9,-4.6 L-6.6,0 L-9,4.6Z"
            transform={`translate(${x} ${y}) rotate(${deg})`}
            fill="var(--ink)"
          />
        );
      })}
    </g>
  );
}
