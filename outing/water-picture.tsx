'use client';

import type { PointerEvent } from 'react';
import type { Place } from '../core/grid/index';
import type { OutingLog } from '../core/log/index';
import type { HeldPack, LieState, PackTarget } from '../core/outing/index';
import { formatLength, type UnitSystem } from '../core/units/index';
import { LitImage } from '../ui/lit-image';
import { postureName } from '../words/names';
import { targetWords } from '../words/outing-words';
import { fishNumber } from './next-thing';
import type { Frame } from './frame';
import css from './outing.module.css';

const RADIUS_M = 0.55;
/** What a thumb finds, px in radius. */
const THUMB_PX = 24;

/** The water as it was taken along, the places to fish, and the cast at the next one. */
export function WaterPicture({
  held,
  targets,
  next,
  states,
  log,
  frame,
  widthPx,
  heightPx,
  units,
  onTarget,
  thread,
  onPlace,
}: {
  held: HeldPack;
  targets: readonly PackTarget[];
  next: PackTarget | null;
  states: ReadonlyMap<string, LieState>;
  log: OutingLog;
  frame: Frame;
  widthPx: number;
  heightPx: number;
  units: UnitSystem;
  onTarget: (target: PackTarget) => void;
  /** Stands of the route to come, in order. */
  thread: readonly Place[];
  /** Set: a place in the water is asked for. */
  onPlace: ((place: Place) => void) | null;
}) {
  const perM = widthPx / (frame.x1M - frame.x0M);
  const px = (p: Place) => ({ x: (p.xM - frame.x0M) * perM, y: (frame.y1M - p.yM) * perM });
  const all = held.pack.frame;
  const corner = px({ xM: all.x0M, yM: all.y1M });
  const pictured = {
    ...corner,
    width: (all.x1M - all.x0M) * perM,
    height: (all.y1M - all.y0M) * perM,
  };
  const shot = next?.shot;
  const place = (event: PointerEvent<SVGSVGElement>) => {
    if (!onPlace) return;
    const box = event.currentTarget.getBoundingClientRect();
    onPlace({
      xM: frame.x0M + ((event.clientX - box.left) * (widthPx / box.width)) / perM,
      yM: frame.y1M - ((event.clientY - box.top) * (heightPx / box.height)) / perM,
    });
  };
  const nameOf = (t: PackTarget) => targetWords(t, fishNumber(t.markId, log));
  const scaleM = units === 'us' ? 1.524 : 2;
  return (
    <svg
      className={css.water}
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      role="group"
      aria-label={`The water of ${held.pack.name}, flowing to the left`}
      data-asks={onPlace ? '' : undefined}
      onPointerUp={place}
    >
      <LitImage light={held.picture.light} dim={held.picture.dim} {...pictured} />
      <Solids held={held} px={px} perM={perM} />
      {thread.length > 0 && (
        <g className={css.thread} aria-hidden="true">
          <polyline points={thread.map((p) => `${px(p).x},${px(p).y}`).join(' ')} />
          {thread.map((p, i) => (
            <g key={i} transform={`translate(${px(p).x},${px(p).y})`}>
              <circle r={11} />
              <text textAnchor="middle" dy={5}>
                {i + 1}
              </text>
            </g>
          ))}
        </g>
      )}
      {next && shot && (
        <g className={css.cast} aria-hidden="true">
          <Cased
            d={`M${px(shot.stand).x},${px(shot.stand).y}L${px(shot.landing).x},${px(shot.landing).y}`}
          />
          <Cased
            d={`M${px(shot.landing).x},${px(shot.landing).y}L${px(next).x},${px(next).y}`}
            drift
          />
          <circle cx={px(shot.stand).x} cy={px(shot.stand).y} r={9} />
          <circle cx={px(shot.landing).x} cy={px(shot.landing).y} r={5} />
          <text
            {...px(shot.stand)}
            dy={px(shot.stand).y > heightPx - 40 ? -16 : 26}
            textAnchor={anchorOf(px(shot.stand).x, widthPx)}
          >
            {postureName(shot.posture)} here
          </text>
        </g>
      )}
      {targets.map((t) => {
        const at = px(t);
        const r = Math.max(13, RADIUS_M * perM * Math.sqrt((t.rating ?? 60) / 80));
        const done = states.has(t.id);
        const chosen = t.id === next?.id;
        return (
          <g
            key={t.id}
            role="button"
            tabIndex={0}
            className={css.pebble}
            data-worked={done ? '' : undefined}
            data-next={chosen ? '' : undefined}
            aria-label={`${nameOf(t)}${t.rating === null ? '' : `, ${Math.round(t.rating)}`}${done ? ', worked' : ''}`}
            onPointerUp={(e) => {
              if (onPlace) return;
              e.stopPropagation();
              onTarget(t);
            }}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              // By keys a fish is marked in the lie that is held.
              if (onPlace) onPlace(t);
              else onTarget(t);
            }}
          >
            <circle cx={at.x} cy={at.y} r={THUMB_PX} fill="transparent" />
            <circle cx={at.x} cy={at.y} r={r} className={css.stone} />
            {t.markId !== null && <FishShape at={at} t={t} />}
            {t.rating !== null && t.markId === null && (
              <text x={at.x} y={at.y} dy={5} textAnchor="middle">
                {Math.round(t.rating)}
              </text>
            )}
            {done && (
              <path
                className={css.tick}
                d={`M${at.x - 7},${at.y + r + 6}l5,5l9,-10`}
                aria-hidden="true"
              />
            )}
          </g>
        );
      })}
      <g className={css.furniture} aria-hidden="true">
        <path d={`M${widthPx - 14},18h-56m8,-5l-8,5l8,5`} />
        <text x={widthPx - 42} y={38} textAnchor="middle">
          flow
        </text>
        <path d={`M14,${heightPx - 12}h${scaleM * perM}m0,-4v8m${-scaleM * perM},0v-8`} />
        <text x={20 + scaleM * perM} y={heightPx - 7}>
          {formatLength(scaleM, units, 0)}
        </text>
        <text x={widthPx - 10} y={heightPx - 8} textAnchor="end">
          true left
        </text>
      </g>
    </svg>
  );
}

const anchorOf = (x: number, width: number) =>
  x < 60 ? 'start' : x > width - 60 ? 'end' : 'middle';

function Cased({ d, drift = false }: { d: string; drift?: boolean }) {
  return (
    <>
      <path d={d} className={css.casing} />
      <path d={d} data-drift={drift ? '' : undefined} />
    </>
  );
}

function FishShape({ at, t }: { at: { x: number; y: number }; t: PackTarget }) {
  return (
    <path
      className={css.fish}
      transform={`translate(${at.x},${at.y}) rotate(${(-t.headingRad * 180) / Math.PI})`}
      d="M11,0Q4,-5 -6,-2L-11,-5L-9,0L-11,5L-6,2Q4,5 11,0Z"
    />
  );
}

/** What stands in the water: rocks and wood. */
function Solids({
  held,
  px,
  perM,
}: {
  held: HeldPack;
  px: (p: Place) => { x: number; y: number };
  perM: number;
}) {
  return (
    <g className={css.solids} aria-hidden="true">
      {held.pack.features.map((f, i) => {
        if (f.kind === 'boulder' && f.shape.type === 'Point') {
          const at = px(f.shape.place);
          return <circle key={i} cx={at.x} cy={at.y} r={(f.diameterM / 2) * perM} />;
        }
        if ((f.kind === 'log' || f.kind === 'rootwad') && f.shape.type === 'LineString')
          return (
            <polyline
              key={i}
              points={f.shape.line.map((p) => `${px(p).x},${px(p).y}`).join(' ')}
              strokeWidth={Math.max(4, f.diameterM * perM)}
            />
          );
        if (f.shape.type === 'Polygon' && (f.kind === 'boulder' || f.kind === 'rootwad'))
          return (
            <polygon key={i} points={f.shape.ring.map((p) => `${px(p).x},${px(p).y}`).join(' ')} />
          );
        return null;
      })}
    </g>
  );
}
