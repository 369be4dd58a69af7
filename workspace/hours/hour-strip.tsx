'use client';

import dynamic from 'next/dynamic';
import { useRef } from 'react';
import { atHour, civilHour, clockText, formatTemp } from '../../core/units/index';
import { useActions, useCalmPart, useWorkspace } from '../context';
import { atClock } from '../state/hours';
import { FIRST_HOUR, LAST_HOUR, stripScale } from './scale';
import { SunRow, sunDegAt } from './sun-row';
import { dayHere, hourTempOf } from '../state/day-here';
import { useSize } from '../../drawing/use-size';
import { inTen } from '../../words/words';
import { inHundred } from '../../words/names';
import { ASSUMED_LAT_DEG } from '../state/light';
import { targetOf } from '../state/selectors';
import { valueOf } from '../state/answer';
import { createPlanActions } from '../plan-actions';
import css from './hours.module.css';
import drawn from '../../drawing/marks.module.css';

/** What stands under the sun: once the page does, there is nothing to draw before. */
const StripRows = dynamic(() => import('./strip-rows').then((m) => m.StripRows), {
  ssr: false,
  loading: () => null,
});

const STEP_HOURS = 0.25;

/** Sunrise to sunset: a scrubber. Sun's height, and how well the chosen stand is seen by the hour. */
export function HourStrip() {
  const { beat } = useWorkspace();
  const acting = useActions(createPlanActions);
  const { plan } = beat;
  const atMs = useCalmPart((s) => s.atMs);
  const hours = useCalmPart((s) => valueOf(s, 'hours'));
  const stand = useCalmPart((s) => s.stand);
  const target = useCalmPart(targetOf);
  const [ref, { width, height }] = useSize<HTMLDivElement>();
  const scale = stripScale(width, height);
  const { labelWidth, perHour, compact, x } = scale;
  const now = civilHour(atMs, plan.timeZone);
  const dragging = useRef(false);
  const scrub = (event: React.PointerEvent<HTMLDivElement>, final: boolean) => {
    const box = event.currentTarget.getBoundingClientRect();
    const hour = Math.min(
      LAST_HOUR,
      Math.max(FIRST_HOUR, FIRST_HOUR + (event.clientX - box.left - labelWidth) / perHour),
    );
    acting.setHour(atHour(atMs, Math.round(hour * 12) / 12, plan.timeZone), final);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = {
      ArrowRight: STEP_HOURS,
      ArrowUp: STEP_HOURS,
      ArrowLeft: -STEP_HOURS,
      ArrowDown: -STEP_HOURS,
      PageUp: 1,
      PageDown: -1,
    }[event.key];
    const next =
      event.key === 'Home'
        ? FIRST_HOUR
        : event.key === 'End'
          ? LAST_HOUR
          : step === undefined
            ? null
            : now + step;
    if (next === null) return;
    event.preventDefault();
    acting.setHour(
      atHour(atMs, Math.min(LAST_HOUR, Math.max(FIRST_HOUR, next)), plan.timeZone),
      true,
    );
  };
  const glare = useCalmPart((s) => valueOf(s, 'glare'));
  const step = useCalmPart((s) => s.step);
  const day = useCalmPart((s) => dayHere(s)?.site ?? null);
  const limitC = useCalmPart((s) => valueOf(s, 'day')?.limitC ?? 0);
  const units = useCalmPart((s) => s.settings.units);
  const temp = useCalmPart(hourTempOf);
  const sunDeg = sunDegAt(plan, atMs);
  const seen = stand && target && hours ? hours : null;
  const nowSeen = seen?.reduce((a, b) => (Math.abs(b.hour - now) < Math.abs(a.hour - now) ? b : a));
  const looking = step === 'spot' && glare !== null;
  const nowGlare = looking
    ? atClock(
        glare.map((g) => g.share),
        now,
      )
    : null;
  return (
    <section className={css.hours} aria-label="Hours">
      <div
        ref={ref}
        className={css.hoursFace}
        role="slider"
        tabIndex={0}
        aria-label="Hour of the day"
        aria-valuemin={FIRST_HOUR}
        aria-valuemax={LAST_HOUR}
        aria-valuenow={Math.round(now * 100) / 100}
        aria-valuetext={`${clockText(atMs, plan.timeZone)}${temp === null ? '' : `, water ${formatTemp(temp, units)}`}${sunDeg > 0 ? `, sun ${Math.round(sunDeg)} degrees up` : ', sun down'}${nowGlare !== null ? `, ${inTen(nowGlare)} see it` : nowSeen ? `, seen ${inHundred(nowSeen.exposure)}` : ''}`}
        onKeyDown={onKeyDown}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          dragging.current = true;
          scrub(e, false);
        }}
        onPointerMove={(e) => dragging.current && scrub(e, false)}
        onPointerUp={(e) => {
          dragging.current = false;
          scrub(e, true);
        }}
        onPointerCancel={() => (dragging.current = false)}
      >
        {width > 0 && (
          <svg width={width} height={height} aria-hidden="true">
            <SunRow plan={plan} atMs={atMs} scale={scale} />
            {!compact && (
              <text x={12} y={20} className={css.stripLabel}>
                Hour
              </text>
            )}
            {Array.from({ length: 9 }, (_, i) => 6 + 2 * i)
              .filter(
                (h) =>
                  h < LAST_HOUR && Math.abs(x(h) - x(now)) > 56 && (width > 700 || h % 4 === 0),
              )
              .map((h) => (
                <text key={h} x={x(h)} y={18} textAnchor="middle" className={css.stripHour}>
                  {h}:00
                </text>
              ))}
            {Array.from({ length: 19 }, (_, i) => 4 + i).map((h) => (
              <path key={h} d={`M${x(h)},24v4`} stroke="var(--ink2)" strokeWidth={1} />
            ))}
            {!plan.anchor && !compact && (
              <text
                x={width - 6}
                y={36}
                textAnchor="end"
                className={`${css.stripSecond} ${drawn.cased}`}
              >
                Sun as at {ASSUMED_LAT_DEG}° north: say where the beat lies in its sketch or survey
              </text>
            )}
            <StripRows
              water={day && { site: day, limitC, units }}
              glare={looking && { glare, nowGlare: nowGlare! }}
              seen={
                !looking && { seen, nowSeen: nowSeen?.exposure ?? null, looking: step === 'spot' }
              }
              now={now}
              scale={scale}
            />
            <path d={`M${x(now)},24V${height}`} stroke="var(--ink)" strokeWidth={2} />
            <g transform={`translate(${x(now)} 13)`}>
              <ellipse rx={33} ry={12.5} fill="var(--ink)" />
              <text y={5} textAnchor="middle" fill="var(--paper)" fontWeight="700" fontSize="15">
                {clockText(atMs, plan.timeZone)}
              </text>
            </g>
          </svg>
        )}
      </div>
    </section>
  );
}
