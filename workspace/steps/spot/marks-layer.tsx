'use client';

import { memo } from 'react';
import { pageDeg, pageX, pageY, type Camera } from '../../../drawing/camera';
import { useActions, usePart } from '../../context';
import { FISH_ABOVE, FISH_HEAD, fishLengthPx, smoothPath } from '../../../drawing/shapes';
import { useDrag } from '../../../drawing/use-drag';
import type { RingPoint } from '../../../core/sight/index';
import { targetOf } from '../../state/selectors';
import type { Mark } from '../../../core/log/index';
import { valueOf } from '../../state/answer';
import { createMarkActions } from '../../records/mark-actions';
import { createPlanActions } from '../../plan-actions';
import drawn from '../../../drawing/marks.module.css';
import css from './spot.module.css';

export function MarksLayer({ camera }: { camera: Camera }) {
  const marks = usePart((s) => s.marks);
  const chosen = usePart((s) => s.markId);
  return (
    <>
      {marks.map((mark, i) => (
        <FishMark
          key={mark.id}
          mark={mark}
          number={i + 1}
          chosen={mark.id === chosen}
          camera={camera}
        />
      ))}
    </>
  );
}

function FishMark({
  mark,
  number,
  chosen,
  camera,
}: {
  mark: Mark;
  number: number;
  chosen: boolean;
  camera: Camera;
}) {
  const acting = useActions(createPlanActions);
  const marking = useActions(createMarkActions);
  const drag = useDrag(camera, mark, (place, dragging) =>
    marking.changeMark(mark.id, place, !dragging),
  );
  const x = pageX(camera, mark.xM);
  const y = pageY(camera, mark.yM);
  const length = fishLengthPx(mark.totalLengthCm);
  const deg = pageDeg(mark.headingRad);
  const tail = [
    (-length - 13) * Math.cos((deg * Math.PI) / 180),
    (-length - 13) * Math.sin((deg * Math.PI) / 180),
  ];
  return (
    <g
      {...drag}
      transform={`translate(${x} ${y})`}
      className={drawn.handle}
      role="button"
      aria-pressed={chosen}
      aria-label={`Fish ${number}, ${mark.surety}. Arrow keys move it.`}
      onClick={(e) => {
        e.stopPropagation();
        if (!chosen) acting.chooseMark(mark.id);
      }}
    >
      <circle className={drawn.handleArea} r="22" cx={-length / 2} />
      <FishShape surety={mark.surety} length={length} deg={deg} />
      <text
        x={tail[0]}
        y={tail[1]! + 6}
        className={`${drawn.fishNumber} ${drawn.cased}`}
        textAnchor="middle"
      >
        {number}
        {mark.surety === 'maybe' ? ' maybe' : ''}
      </text>
    </g>
  );
}

/** Filled for sure, half for likely, outline for maybe. Nose at 0,0. */
export function FishShape({
  surety,
  length,
  deg,
}: {
  surety: Mark['surety'];
  length: number;
  deg: number;
}) {
  const scale = length / 100;
  const line = 1.7 / scale;
  return (
    <g transform={`rotate(${deg}) scale(${scale})`}>
      <path d={FISH_ABOVE} fill="var(--case)" stroke="var(--case)" strokeWidth={4 / scale} />
      {surety === 'sure' && <path d={FISH_ABOVE} fill="var(--fish)" />}
      {surety !== 'sure' && (
        <path
          d={FISH_ABOVE}
          fill="var(--case)"
          fillOpacity={0.72}
          stroke="var(--fish)"
          strokeWidth={line}
        />
      )}
      {surety === 'likely' && <path d={FISH_HEAD} fill="var(--fish)" />}
    </g>
  );
}

const LASH_PX = 13;
const RING_WORD = { halfWidth: 150, top: 24, clear: 30 };

/** Where the angler is seen: lashes point in from the side where they are; it opens behind the fish. */
export const RingLayer = memo(function RingLayer({ camera }: { camera: Camera }) {
  const ring = usePart((s) => valueOf(s, 'ring'));
  const target = usePart(targetOf);
  const posture = usePart((s) => s.posture);
  const step = usePart((s) => s.step);
  const lookouts = usePart((s) => valueOf(s, 'lookouts'));
  if (!ring || !target || step === 'read' || step === 'log') return null;
  const cx = pageX(camera, target.xM);
  const cy = pageY(camera, target.yM);
  const at = (p: RingPoint): [number, number] => [
    cx + p.radiusM * camera.scale * Math.cos(p.bearingRad),
    cy - p.radiusM * camera.scale * Math.sin(p.bearingRad),
  ];
  const far = Math.max(...ring.map((p) => p.radiusM));
  if (far === 0) return null;
  const points = ring.map(at);
  const d = smoothPath(points, true);
  const lashes: string[] = [];
  let run = 0;
  for (let i = 0; i < points.length; i++) {
    const [ax, ay] = points[i]!;
    const [bx, by] = points[(i + 1) % points.length]!;
    const step = Math.hypot(bx - ax, by - ay);
    for (let s = LASH_PX - run; s <= step; s += LASH_PX) {
      const t = s / step;
      const x = ax + t * (bx - ax);
      const y = ay + t * (by - ay);
      const r = Math.hypot(cx - x, cy - y) || 1;
      lashes.push(
        `M${x.toFixed(1)},${y.toFixed(1)}l${((5 * (cx - x)) / r).toFixed(1)},${((5 * (cy - y)) / r).toFixed(1)}`,
      );
    }
    run = (run + step) % LASH_PX;
  }
  const top = points.reduce((a, b) => (b[1] < a[1] ? b : a));
  // Its word steps down, inside the ring, past the places to look from.
  const taken = (y: number) =>
    step === 'spot' &&
    (lookouts ?? []).some(
      (l) =>
        Math.abs(pageX(camera, l.xM) - top[0]) < RING_WORD.halfWidth &&
        Math.abs(Math.max(RING_WORD.top, pageY(camera, l.yM)) + 12 - y) < RING_WORD.clear,
    );
  let wordY = Math.max(36, top[1] - 9);
  for (let i = 0; i < 4 && taken(wordY); i++) wordY += RING_WORD.clear;
  return (
    <g aria-hidden="true">
      <path d={d} className={css.ringCase} />
      <path d={d} className={css.ringLine} />
      <path d={lashes.join('')} className={css.ringLash} />
      <text x={top[0]} y={wordY} textAnchor="middle" className={`${css.ringWord} ${drawn.cased}`}>
        {far * camera.scale < 90 ? 'seen' : `If you ${posture}, it sees you inside this line`}
      </text>
    </g>
  );
});
