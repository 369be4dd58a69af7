'use client';

import { useRef, useState } from 'react';
import { SLOT_MIN, type PlannedStay } from '../../../core/day/index';
import { hourText } from '../../../words/day-words';
import { useActions } from '../../context';
import { createDayActions } from './day-actions';
import type { DayScale } from './day-scale';
import css from './day.module.css';

const QUARTER_H = SLOT_MIN / 60;

/** A stay is moved by its line, its arrival and leaving by their ends; Escape gives it back. */
export function StayHandles({
  stay,
  name,
  y,
  scale,
}: {
  stay: PlannedStay;
  name: string;
  y: number;
  scale: DayScale;
}) {
  const day = useActions(createDayActions);
  const [moved, setMoved] = useState<{ part: 'all' | 'arrive' | 'leave'; byH: number } | null>(
    null,
  );
  const from = useRef(0);
  const shift = (part: 'all' | 'arrive' | 'leave') =>
    moved && (moved.part === 'all' || moved.part === part) ? moved.byH : 0;
  const arriveH = stay.arriveH + shift('arrive');
  const leaveH = stay.leaveH + shift('leave');
  const keep = (part: 'all' | 'arrive' | 'leave', byH: number) => {
    if (byH === 0) return;
    day.moveStay(stay.siteId, {
      ...(part !== 'leave' && { arriveH: stay.arriveH + byH }),
      ...(part !== 'arrive' && { leaveH: stay.leaveH + byH }),
    });
  };
  const handle = (part: 'all' | 'arrive' | 'leave', label: string) => ({
    role: 'slider',
    tabIndex: 0,
    'aria-label': label,
    'aria-valuenow': part === 'leave' ? stay.leaveH : stay.arriveH,
    'aria-valuemin': scale.fromH,
    'aria-valuemax': scale.toH,
    'aria-valuetext': hourText(part === 'leave' ? stay.leaveH : stay.arriveH),
    onPointerDown: (e: React.PointerEvent<SVGElement>) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      from.current = e.clientX;
      setMoved({ part, byH: 0 });
    },
    onPointerMove: (e: React.PointerEvent<SVGElement>) => {
      if (!moved) return;
      const byH = (e.clientX - from.current) / scale.perHour;
      setMoved({ part, byH: Math.round(byH / QUARTER_H) * QUARTER_H });
    },
    onPointerUp: () => {
      if (moved) keep(part, moved.byH);
      setMoved(null);
    },
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === 'Escape') setMoved(null);
      const by = e.key === 'ArrowRight' ? QUARTER_H : e.key === 'ArrowLeft' ? -QUARTER_H : 0;
      if (by === 0) return;
      e.preventDefault();
      keep(e.shiftKey ? 'leave' : part, by);
    },
  });
  const [a, b] = [scale.x(arriveH), scale.x(leaveH)];
  return (
    <g className={css.handles}>
      {moved && <path d={`M${a},${y}H${b}`} className={css.stayMoved} />}
      <rect
        x={a + 8}
        y={y - 12}
        width={Math.max(4, b - a - 16)}
        height={24}
        {...handle('all', `${name}: the whole stay; Shift with an arrow moves its end`)}
      />
      <rect x={a - 12} y={y - 14} width={20} height={28} {...handle('arrive', `${name}: arrive`)} />
      <rect x={b - 8} y={y - 14} width={20} height={28} {...handle('leave', `${name}: leave`)} />
    </g>
  );
}
