'use client';

import { useRef, useState } from 'react';
import { SLOT_MIN, type DayPlan, type PlannedStay, type SitePlan } from '../../../core/day/index';
import { dateFacts, sunOf, type BookSite, type DayBook } from '../../../core/outing/index';
import { clockText, formatSpeed, formatTemp, type UnitSystem } from '../../../core/units/index';
import { useSize } from '../../../drawing/use-size';
import { hourText, REGIME_WORDS } from '../../../words/day-words';
import { NO_BEAT_FACTS, NO_STREAM_FACTS } from '../../../core/log/index';
import { useActions, usePart, useWorkspace } from '../../context';
import { createPlanActions } from '../../plan-actions';
import { isStale, valueOf } from '../../state/answer';
import { createDayActions } from './day-actions';
import { DayRow } from './day-row';
import { AXIS_PX, dayScale, FOOT_PX, LABEL_PX, sitesInRows, type DayScale } from './day-scale';
import { chosenSites } from './chosen-sites';
import css from './day.module.css';

const HOUR_MS = 3_600_000;
const QUARTER_H = SLOT_MIN / 60;

/** The day on a desk: every beat's water by the hour, when to be where, and when to be gone. */
export function DayView() {
  const [ref, size] = useSize<HTMLDivElement>();
  const book = usePart((s) => s.dayBook);
  const plan = usePart((s) => valueOf(s, 'day'));
  const stale = usePart((s) => isStale(s, 'day'));
  const failed = usePart((s) => s.answers.day.state === 'failed');
  const problem = usePart((s) => s.dayProblem);
  if (!book || !plan)
    return (
      <div ref={ref} className={css.day}>
        <p className={css.opening} role={problem || failed ? 'alert' : 'status'}>
          {problem
            ? `The day could not be opened: ${problem}`
            : failed
              ? 'The day could not be worked out from what was told.'
              : 'Opening the day.'}
        </p>
      </div>
    );
  return (
    <div ref={ref} className={css.day} data-stale={stale}>
      {size.width > 0 && <Chart book={book} plan={plan} width={size.width} room={size.height} />}
    </div>
  );
}

function Chart({
  book,
  plan,
  width,
  room,
}: {
  book: DayBook;
  plan: DayPlan;
  width: number;
  room: number;
}) {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const atMs = usePart((s) => s.atMs);
  const siteId = usePart((s) => s.daySiteId);
  const acting = useActions(createPlanActions);
  const rows = sitesInRows(book.sites, chosenSites(book, siteId), plan);
  const scale = dayScale(
    width,
    room,
    plan,
    rows.map((r) => r.site),
  );
  const told = dateFacts(book);
  const sun = sunOf(book);
  const nowH = 12 + (atMs - book.noonMs) / HOUR_MS;
  const setHour = (h: number, final: boolean) =>
    acting.setHour(
      book.noonMs + (Math.min(scale.toH, Math.max(scale.fromH, h)) - 12) * HOUR_MS,
      final,
    );
  return (
    <svg width={width} height={scale.height} className={css.chart} role="presentation">
      <Patterns />
      <Night sun={sun} scale={scale} />
      {rows.map(({ book: b, site }, i) => (
        <DayRow
          key={b.id}
          book={b}
          site={site}
          name={b.name}
          second={secondOf(book, b)}
          stay={plan.stays.find((s) => s.siteId === b.id) ?? null}
          limitC={plan.limitC}
          top={AXIS_PX + i * scale.rowPx}
          scale={scale}
          units={units}
          shade={shadeTold(book, b)}
          nowH={nowH}
        />
      ))}
      <Ways plan={plan} rows={rows} scale={scale} />
      {plan.stays.map((stay) => {
        const i = rows.findIndex((r) => r.book.id === stay.siteId);
        return (
          <StayHandles
            key={stay.siteId}
            stay={stay}
            name={rows[i]!.book.name}
            y={AXIS_PX + i * scale.rowPx + scale.you}
            scale={scale}
          />
        );
      })}
      <Foot
        y={AXIS_PX + rows.length * scale.rowPx}
        scale={scale}
        cloud={told.cloud}
        windMps={told.windMps}
        thunder={told.thunder}
        air={told}
        units={units}
      />
      <Axis
        scale={scale}
        nowH={nowH}
        clock={clockText(atMs, beat.plan.timeZone)}
        onHour={setHour}
      />
    </svg>
  );
}

function secondOf(book: DayBook, b: BookSite): string {
  const told = book.facts.beats[b.id] ?? NO_BEAT_FACTS;
  if (told.closed) return 'closed';
  if (told.opensMin !== null || told.shutsMin !== null)
    return `open ${hourText((told.opensMin ?? 0) / 60)} to ${hourText((told.shutsMin ?? 1440) / 60)}`;
  return REGIME_WORDS[(book.facts.streams[b.streamId] ?? NO_STREAM_FACTS).regime].toLowerCase();
}

function shadeTold(book: DayBook, b: BookSite): readonly number[] {
  const told = (book.facts.beats[b.id] ?? NO_BEAT_FACTS).shade;
  return told === null ? b.shadeByHour : b.shadeByHour.map(() => told);
}

/** Caution has bars, shade has fine ones. */
function Patterns() {
  return (
    <defs>
      <pattern
        id="day-bars"
        width="9"
        height="9"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="9" height="9" fill="var(--caution)" />
        <rect width="4" height="9" fill="var(--caution-ink)" />
      </pattern>
      <pattern
        id="day-shade"
        width="4"
        height="4"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="1.6" height="4" fill="var(--ink2)" />
      </pattern>
    </defs>
  );
}

function Night({
  sun,
  scale,
}: {
  sun: { riseH: number | null; setH: number | null };
  scale: DayScale;
}) {
  const { x } = scale;
  if (sun.riseH === null || sun.setH === null) return null;
  return (
    <>
      <rect
        x={LABEL_PX}
        y={0}
        width={Math.max(0, x(sun.riseH) - LABEL_PX)}
        height={scale.height}
        fill="var(--night)"
      />
      <rect
        x={x(sun.setH)}
        y={0}
        width={Math.max(0, scale.width - x(sun.setH))}
        height={scale.height}
        fill="var(--night)"
      />
      <text x={scale.width - 6} y={17} textAnchor="end" className={css.small}>
        down
      </text>
      <text x={scale.width - 6} y={33} textAnchor="end" className={css.sunHour}>
        {hourText(sun.setH)}
      </text>
    </>
  );
}

/** The hour on screen: dragged along the axis, or by arrow keys. */
function Axis({
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

/** Right of the hour of leaving, where there is room for both. */
const HOUR_WORD_PX = 56;
const WAY_WORD_PX = 150;

/** From each stay to the next. */
function Ways({
  plan,
  rows,
  scale,
}: {
  plan: DayPlan;
  rows: readonly { book: BookSite; site: SitePlan }[];
  scale: DayScale;
}) {
  const yOf = (id: string) =>
    AXIS_PX + rows.findIndex((r) => r.book.id === id) * scale.rowPx + scale.you;
  return (
    <>
      {plan.stays.slice(1).map((stay, k) => {
        const from = plan.stays[k]!;
        const [x1, y1, x2, y2] = [
          scale.x(from.leaveH),
          yOf(from.siteId),
          scale.x(stay.arriveH),
          yOf(stay.siteId),
        ];
        return (
          <g key={stay.siteId}>
            <path d={`M${x1},${y1}L${x2},${y2}`} className={css.way} />
            <text
              x={x1 > scale.width - WAY_WORD_PX ? x1 - 6 : x1 + HOUR_WORD_PX}
              y={x1 > scale.width - WAY_WORD_PX ? y1 + 20 : y1 + 5}
              textAnchor={x1 > scale.width - WAY_WORD_PX ? 'end' : 'start'}
              className={`${css.wayWord} ${css.casedPaper}`}
            >
              way {Math.round(stay.wayMin)} min
            </text>
          </g>
        );
      })}
    </>
  );
}

/** A stay is moved by its line, its arrival and leaving by their ends; Escape gives it back. */
function StayHandles({
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

function Foot({
  y,
  scale,
  cloud,
  windMps,
  thunder,
  air,
  units,
}: {
  y: number;
  scale: DayScale;
  cloud: number;
  windMps: number;
  thunder: { fromMin: number; toMin: number } | null;
  air: { airLowC: number | null; airHighC: number | null };
  units: UnitSystem;
}) {
  const { x } = scale;
  return (
    <g transform={`translate(0 ${y})`}>
      <path d={`M0,0H${scale.width}`} stroke="var(--ink)" strokeWidth={1.4} />
      <text x={12} y={26} className={css.axisName}>
        Air
      </text>
      <text x={LABEL_PX + 8} y={26} className={css.rowSecond}>
        {air.airLowC === null || air.airHighC === null
          ? 'guessed from the season'
          : `${formatTemp(air.airLowC, units)} to ${formatTemp(air.airHighC, units)}`}
        , wind {formatSpeed(windMps, units)}
      </text>
      <text x={12} y={54} className={css.axisName}>
        Sky
      </text>
      <text x={LABEL_PX + 8} y={54} className={css.rowSecond}>
        {skyText(cloud)}
      </text>
      {thunder && (
        <g transform={`translate(${x(thunder.fromMin / 60)} 38)`}>
          <rect
            width={Math.max(60, ((thunder.toMin - thunder.fromMin) / 60) * scale.perHour)}
            height={22}
            fill="var(--caution)"
          />
          <rect width={9} height={22} fill="url(#day-bars)" />
          <text x={15} y={15.5} className={css.tagCaution}>
            thunder
          </text>
        </g>
      )}
    </g>
  );
}

const skyText = (cloud: number) =>
  cloud < 0.15 ? 'clear' : cloud < 0.5 ? 'some cloud' : cloud < 0.85 ? 'mostly cloud' : 'overcast';
