'use client';

import { useRef } from 'react';
import { SLOT_MIN } from '../../../core/day/index';
import { AXIS_PX, FOOT_PX, LABEL_PX, type DayScale } from './day-scale';
import css from './day.module.css';

const QUARTER_H = SLOT_MIN / 60;

/** The hour on screen: dragged along the axis, or by arrow keys. */
export function DayAxis({
  scale,
  nowH,
  clock,
  onHour,
}: {
  scale: DayScale;
  nowH: number;
  clock: string;
  onHour: (h: number, final: boolean) => void;
}) {
  const dragging = useRef(false);
  const at = (event: React.PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return Math.round(12 * scale.hourAt(event.clientX - box.left)) / 12;
  };
  const { x, fromH, toH } = scale;
  const hours = Array.from({ length: 25 }, (_, h) => h).filter((h) => h >= fromH && h <= toH);
  const shown = nowH >= fromH && nowH <= toH;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Hour of the day"
      aria-valuemin={fromH}
      aria-valuemax={toH}
      aria-valuenow={Math.round(nowH * 100) / 100}
      aria-valuetext={clock}
      className={css.axis}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        dragging.current = true;
        onHour(at(e), false);
      }}
      onPointerMove={(e) => dragging.current && onHour(at(e), false)}
      onPointerUp={(e) => {
        if (dragging.current) onHour(at(e), true);
        dragging.current = false;
      }}
      onKeyDown={(e) => {
        const by = {
          ArrowRight: QUARTER_H,
          ArrowUp: QUARTER_H,
          ArrowLeft: -QUARTER_H,
          ArrowDown: -QUARTER_H,
          PageUp: 1,
          PageDown: -1,
        }[e.key];
        const next =
          e.key === 'Home' ? fromH : e.key === 'End' ? toH : by === undefined ? null : nowH + by;
        if (next === null) return;
        e.preventDefault();
        onHour(next, true);
      }}
    >
      <rect x={LABEL_PX} y={0} width={scale.width - LABEL_PX} height={AXIS_PX} fill="transparent" />
      <text x={12} y={26} className={css.axisName}>
        Hour
      </text>
      {hours.map((h) => (
        <path key={h} d={`M${x(h)},${AXIS_PX - 8}v8`} stroke="var(--ink2)" strokeWidth={1} />
      ))}
      {hours
        .filter((h) => h % 2 === 0 && Math.abs(x(h) - x(nowH)) > 54 && x(h) < scale.width - 60)
        .map((h) => (
          <text key={h} x={x(h)} y={26} textAnchor="middle" className={css.axisHour}>
            {h}:00
          </text>
        ))}
      <path d={`M0,${AXIS_PX}H${scale.width}`} stroke="var(--ink)" strokeWidth={1.4} />
      {shown && (
        <>
          <path
            d={`M${x(nowH)},${AXIS_PX - 6}V${scale.height - FOOT_PX}`}
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <g transform={`translate(${x(nowH)} 21)`}>
            <ellipse rx={33} ry={13} fill="var(--ink)" />
            <text y={5.4} textAnchor="middle" className={css.nowHour}>
              {clock}
            </text>
          </g>
        </>
      )}
    </g>
  );
}
