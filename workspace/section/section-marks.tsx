'use client';

import type { ComponentType } from 'react';
import { windowRadiusM } from '../../core/sight/index';
import { BODY_SHARE } from '../../core/units/index';
import { pageX, type Camera } from '../../drawing/camera';
import { usePart } from '../context';
import { FISH_SIDE, fishLengthPx } from '../../drawing/shapes';
import { Pebble } from '../../drawing/pebble';

import type { Cut } from './cut';
import { lieOf, markOf } from '../state/selectors';
import drawn from '../../drawing/marks.module.css';
import css from './section.module.css';

/** What draws the fly in the section: the step Cast knows it, the section only where the surface lies. */
export type FlyDrawing = ComponentType<{
  camera: Camera;
  surfaceAt: (xM: number) => number;
  y: (m: number) => number;
}>;

export function SectionMarks({
  cut,
  camera,
  y,
  width,
  fly: Fly,
}: {
  cut: Cut;
  camera: Camera;
  y: (m: number) => number;
  width: number;
  fly?: FlyDrawing;
}) {
  const marks = usePart((s) => s.marks);
  const chosen = usePart(markOf);
  const lie = usePart(lieOf);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const surfaceAt = (xM: number) => {
    const i = Math.min(
      cut.x.length - 1,
      Math.max(0, Math.round((xM - cut.x[0]!) / (cut.x[1]! - cut.x[0]!))),
    );
    return { surface: cut.surface[i]!, bed: cut.bed[i]! };
  };
  const staffX = Math.min(width - 60, pageX(camera, 2));
  const staff = surfaceAt(camera.leftM + staffX / camera.scale);
  return (
    <g aria-hidden="true">
      <g transform={`translate(${staffX} 0)`}>
        <path
          d={`M0,${y(staff.surface + 0.1)}V${y(staff.bed)}`}
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        {(['shin', 'knee', 'thigh'] as const)
          .filter((w) => BODY_SHARE[w] * heightM < staff.surface - staff.bed + 0.02)
          .map((w) => {
            const py = y(staff.surface - BODY_SHARE[w] * heightM);
            return (
              <g key={w}>
                <path d={`M-5,${py}H5`} stroke="var(--ink)" strokeWidth={1.5} />
                <text x={9} y={py + 4} className={`${drawn.furniture} ${drawn.cased}`}>
                  {w}
                </text>
              </g>
            );
          })}
      </g>
      {lie && !chosen && (
        <g transform={`translate(${pageX(camera, lie.xM)} ${y(surfaceAt(lie.xM).bed) - 14})`}>
          <Pebble rating={lie.rating} needs={lie.needs} r={15} chosen />
        </g>
      )}
      {Fly && <Fly camera={camera} surfaceAt={(xM) => surfaceAt(xM).surface} y={y} />}
      {marks.map((mark) => {
        const off = Math.abs(mark.yM - cut.lineYM(mark.xM));
        const x = pageX(camera, mark.xM);
        const { surface } = surfaceAt(mark.xM);
        const py = y(surface - mark.fishDepthM);
        const scale = fishLengthPx(mark.totalLengthCm) / 100;
        const isChosen = mark.id === chosen?.id;
        const half = windowRadiusM(mark.fishDepthM) * camera.scale;
        return (
          <g key={mark.id} opacity={off > 0.5 ? 0.45 : 1}>
            {isChosen && (
              <path
                d={`M${x},${py}L${x - half},${y(surface)}M${x},${py}L${x + half},${y(surface)}M${x - half},${y(surface)}H${x + half}`}
                className={css.window}
              />
            )}
            <g
              transform={`translate(${x} ${py}) scale(${(Math.cos(mark.headingRad) < 0 ? -1 : 1) * scale} ${scale})`}
            >
              <path
                d={FISH_SIDE}
                fill={mark.surety === 'sure' ? 'var(--fish)' : 'var(--case)'}
                stroke={mark.surety === 'sure' ? 'var(--case)' : 'var(--fish)'}
                strokeWidth={3.4}
                paintOrder="stroke"
              />
            </g>
            <text
              x={x - 100 * scale - 10}
              y={py + 5}
              textAnchor="end"
              className={`${drawn.fishNumber} ${drawn.cased}`}
            >
              {marks.indexOf(mark) + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
