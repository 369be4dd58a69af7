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
import { Label, RoundRoom, useSheet } from '../../../drawing/label-room';

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
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const tail = [(-length - 13) * cos, (-length - 13) * sin];
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
      <FishRoom x={x} y={y} deg={deg} length={length} />
      <Label
        kind="fishNumber"
        text={`${number}${mark.surety === 'maybe' ? ' maybe' : ''}`}
        spots={[
          [x + tail[0]!, y + tail[1]!],
          ...[14, -14].map(
            (off) => [x + tail[0]! / 2 - off * sin, y + tail[1]! / 2 + off * cos] as const,
          ),
          [x - tail[0]! / 6, y - tail[1]! / 6],
          ...[30, -30].map(
            (off) => [x + tail[0]! / 2 - off * sin, y + tail[1]! / 2 + off * cos] as const,
          ),
        ]}
      />
    </g>
  );
}

/** Half of a fish's width, fins and all, px of its 100. */
const HALF_WIDE = 0.12;

/** Keeps labels off a fish: its nose at x, y, in three pieces so that a slanting one takes no more than it is. */
function FishRoom({ x, y, deg, length }: { x: number; y: number; deg: number; length: number }) {
  const rad = (deg * Math.PI) / 180;
  return [0.17, 0.5, 0.83].map((share) => (
    <RoundRoom
      key={share}
      x={x - share * length * Math.cos(rad)}
      y={y - share * length * Math.sin(rad)}
      r={Math.max(7, HALF_WIDE * length)}
    />
  ));
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
    <g data-mark="fish" transform={`rotate(${deg}) scale(${scale})`}>
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
const RING_WORDS = {
  stand: 'if you stand, seen inside',
  crouch: 'if you crouch, seen inside',
  kneel: 'if you kneel, seen inside',
  crawl: 'if you lie low, seen inside',
};

/** Where the ring's word may stand: along its upper and lower rim, outside it. */
const ringSpots = (points: readonly [number, number][]): [number, number][] => {
  const byHeight = [...points].sort((a, b) => a[1] - b[1]);
  const every = (off: number) =>
    byHeight.filter((_, i) => i % 3 === 0).map(([x, y]): [number, number] => [x, y + off]);
  return [...every(-12), ...every(14).reverse()];
};

/** Where the angler is seen: lashes point in from the side where they are; it opens behind the fish. */
export const RingLayer = memo(function RingLayer({ camera }: { camera: Camera }) {
  const ring = usePart((s) => valueOf(s, 'ring'));
  const target = usePart(targetOf);
  const posture = usePart((s) => s.posture);
  const step = usePart((s) => s.step);
  const { small } = useSheet();
  if (!ring || !target || small || step === 'read' || step === 'log') return null;
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
  return (
    <g aria-hidden="true">
      <path d={d} className={css.ringCase} />
      <path d={d} className={css.ringLine} />
      <path d={lashes.join('')} className={css.ringLash} />
      <Label
        kind="ring"
        text={far * camera.scale < 90 ? 'seen' : RING_WORDS[posture]}
        spots={ringSpots(points)}
      />
    </g>
  );
});
