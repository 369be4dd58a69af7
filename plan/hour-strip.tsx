'use client';

import { useMemo, useRef } from 'react';
import { atHour, civilHour, clockText } from './civil-time';
import { ASSUMED_LAT_DEG, conditionsAt, sunDayOf } from './conditions';
import { usePart, useWorkspace } from './context';
import { formatTemp } from '../core/units/index';
import { atClock } from './hours';
import { linePath } from './drawing/shapes';
import { targetOf } from './state';
import { useSize } from './use-size';
import { inHundred, inTen } from './words';

const FIRST_HOUR = 4;
const LAST_HOUR = 22.3;
const STEP_HOURS = 0.25;

/** Sunrise to sunset: a scrubber. Sun's height, and how well the chosen stand is seen by the hour. */
export function HourStrip() {
  const { beat, actions } = useWorkspace();
  const { plan } = beat;
  const atMs = usePart((s) => s.atMs);
  const hours = usePart((s) => s.hours);
  const stand = usePart((s) => s.stand);
  const target = usePart(targetOf);
  const [ref, { width, height }] = useSize<HTMLDivElement>();
  const labelWidth = width < 700 ? 44 : 96;
  const perHour = (width - labelWidth) / (LAST_HOUR - FIRST_HOUR);
  const x = (hour: number) => labelWidth + (hour - FIRST_HOUR) * perHour;
  const now = civilHour(atMs, plan.timeZone);
  const dayKey = Math.floor(atHour(atMs, 12, plan.timeZone) / 86400000);
  const day = useMemo(() => sunDayOf(plan, dayKey * 86400000 + 43200000), [plan, dayKey]);
  const sun = useMemo(() => {
    const noon = dayKey * 86400000 + 43200000;
    return Array.from({ length: 74 }, (_, i) => {
      const hour = FIRST_HOUR + (i * (LAST_HOUR - FIRST_HOUR)) / 73;
      return {
        hour,
        deg: (conditionsAt(plan, atHour(noon, hour, plan.timeZone)).sunAltitudeRad * 180) / Math.PI,
      };
    });
  }, [plan, dayKey]);
  const dragging = useRef(false);
  const scrub = (event: React.PointerEvent<HTMLDivElement>, final: boolean) => {
    const box = event.currentTarget.getBoundingClientRect();
    const hour = Math.min(
      LAST_HOUR,
      Math.max(FIRST_HOUR, FIRST_HOUR + (event.clientX - box.left - labelWidth) / perHour),
    );
    actions.setHour(atHour(atMs, Math.round(hour * 12) / 12, plan.timeZone), final);
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
    actions.setHour(
      atHour(atMs, Math.min(LAST_HOUR, Math.max(FIRST_HOUR, next)), plan.timeZone),
      true,
    );
  };
  const glare = usePart((s) => s.glare);
  const step = usePart((s) => s.step);
  const waterTempC = usePart((s) => s.settings.waterTempC);
  const units = usePart((s) => s.settings.units);
  const light = conditionsAt(plan, atMs);
  const sunDeg = (light.sunAltitudeRad * 180) / Math.PI;
  const compact = height < 80;
  const sunTop = compact ? 26 : 34;
  const sunBottom = compact ? height - 6 : 74;
  const ySun = (deg: number) => sunBottom - (Math.max(0, deg) / 70) * (sunBottom - sunTop);
  const seenTop = 84;
  const seenBottom = height - 10;
  const ySeen = (e: number) => seenBottom - e * (seenBottom - seenTop);
  const seen = stand && target && hours ? hours : null;
  const nowSeen = seen?.reduce((a, b) => (Math.abs(b.hour - now) < Math.abs(a.hour - now) ? b : a));
  const looking = step === 'spot' && glare !== null;
  const nowGlare = looking
    ? atClock(
        glare.map((g) => g.share),
        now,
      )
    : null;
  const shadeTop = 77;
  const rise = day?.kind === 'rises' ? civilHour(day.riseMs, plan.timeZone) : null;
  const set = day?.kind === 'rises' ? civilHour(day.setMs, plan.timeZone) : null;
  return (
    <section className="hours" aria-label="Hours">
      <div
        ref={ref}
        className="hours-face"
        role="slider"
        tabIndex={0}
        aria-label="Hour of the day"
        aria-valuemin={FIRST_HOUR}
        aria-valuemax={LAST_HOUR}
        aria-valuenow={Math.round(now * 100) / 100}
        aria-valuetext={`${clockText(atMs, plan.timeZone)}${sunDeg > 0 ? `, sun ${Math.round(sunDeg)} degrees up` : ', sun down'}${nowGlare !== null ? `, ${inTen(nowGlare)} see it` : nowSeen ? `, seen ${inHundred(nowSeen.exposure)}` : ''}`}
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
            {rise !== null && set !== null && (
              <>
                <rect
                  x={labelWidth}
                  y={0}
                  width={Math.max(0, x(rise) - labelWidth)}
                  height={height}
                  fill="var(--night)"
                />
                <rect
                  x={x(set)}
                  y={0}
                  width={Math.max(0, width - x(set))}
                  height={height}
                  fill="var(--night)"
                />
              </>
            )}
            <rect x={0} y={0} width={labelWidth} height={height} fill="var(--wet)" />
            {!compact && (
              <text x={12} y={20} className="strip-label">
                Hour
              </text>
            )}
            {Array.from({ length: 9 }, (_, i) => 6 + 2 * i)
              .filter(
                (h) =>
                  h < LAST_HOUR && Math.abs(x(h) - x(now)) > 56 && (width > 700 || h % 4 === 0),
              )
              .map((h) => (
                <text key={h} x={x(h)} y={18} textAnchor="middle" className="strip-hour">
                  {h}:00
                </text>
              ))}
            {Array.from({ length: 19 }, (_, i) => 4 + i).map((h) => (
              <path key={h} d={`M${x(h)},24v4`} stroke="var(--ink2)" strokeWidth={1} />
            ))}
            {!plan.anchor && !compact && (
              <text x={width - 6} y={36} textAnchor="end" className="strip-second cased">
                Sun as at {ASSUMED_LAT_DEG}° north: say where the beat lies in its sketch or survey
              </text>
            )}
            <>
              <text x={12} y={compact ? 38 : 58} className="strip-label">
                Sun
              </text>
              <path
                d={`M${labelWidth},${sunBottom}H${width}`}
                stroke="var(--rule2)"
                strokeWidth={1}
                strokeDasharray="1 4"
              />
              <path
                d={linePath(sun.map((p): [number, number] => [x(p.hour), ySun(p.deg)]))}
                className="strip-line"
              />
              <circle
                cx={x(now)}
                cy={ySun(sunDeg)}
                r={4}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth={2}
              />
              {rise !== null && set !== null && !compact && (
                <>
                  <text
                    x={Math.max(labelWidth + 2, x(rise) - 4)}
                    y={56}
                    textAnchor={x(rise) - labelWidth > 60 ? 'end' : 'start'}
                    className="strip-second"
                  >
                    up {clockText(day!.kind === 'rises' ? day!.riseMs : 0, plan.timeZone)}
                  </text>
                  <text
                    x={Math.min(width - 4, x(set) + 4)}
                    y={56}
                    textAnchor={width - x(set) > 80 ? 'start' : 'end'}
                    className="strip-second"
                  >
                    down {clockText(day!.kind === 'rises' ? day!.setMs : 0, plan.timeZone)}
                  </text>
                </>
              )}
              {day?.kind === 'never sets' && (
                <text x={x(12)} y={58} className="strip-second">
                  The sun does not set today.
                </text>
              )}
              {day?.kind === 'never rises' && (
                <text x={x(12)} y={58} className="strip-second">
                  The sun does not rise today.
                </text>
              )}
            </>
            {!compact && waterTempC !== null && (
              <text x={labelWidth + 8} y={42} className="strip-second cased">
                water {formatTemp(waterTempC, units)}, read once
              </text>
            )}
            {!compact && looking && (
              <>
                {glare.map(
                  (g) =>
                    g.shade > 0.5 && (
                      <rect
                        key={g.hour}
                        x={Math.max(labelWidth, x(g.hour - 0.25))}
                        y={shadeTop}
                        width={0.5 * perHour + 0.5}
                        height={6}
                        fill="var(--ink2)"
                      />
                    ),
                )}
                <text x={12} y={84} className="strip-second">
                  shade on it
                </text>
                <text x={12} y={108} className="strip-label">
                  Glances
                </text>
                <text x={12} y={124} className="strip-label">
                  that see it
                </text>
                <path
                  d={`M${labelWidth},${ySeen(0.5)}H${width}`}
                  stroke="var(--rule2)"
                  strokeWidth={1}
                  strokeDasharray="2 5"
                />
                <path
                  d={linePath(glare.map((g): [number, number] => [x(g.hour), ySeen(g.share)]))}
                  className="strip-glance"
                />
                <text
                  x={x(now) + 8}
                  y={nowGlare! > 0.6 ? ySeen(nowGlare!) + 17 : ySeen(nowGlare!) - 6}
                  className="strip-glance-word cased"
                >
                  {inTen(nowGlare!)}
                </text>
              </>
            )}
            {!compact && !looking && (
              <>
                <text x={12} y={108} className="strip-label">
                  Seen at
                </text>
                <text x={12} y={124} className="strip-label">
                  the stand
                </text>
                {seen ? (
                  <>
                    <path
                      d={`M${labelWidth},${ySeen(0.5)}H${width}`}
                      stroke="var(--fish)"
                      strokeWidth={1}
                      strokeDasharray="2 5"
                    />
                    <path
                      d={linePath(
                        seen.map((p): [number, number] => [x(p.hour), ySeen(p.exposure)]),
                      )}
                      className="strip-seen"
                    />
                    <text
                      x={x(now) + 8}
                      y={Math.max(seenTop + 10, ySeen(nowSeen!.exposure) - 6)}
                      className="strip-seen-word cased"
                    >
                      {inHundred(nowSeen!.exposure)}
                    </text>
                  </>
                ) : (
                  <text x={labelWidth + 12} y={112} className="strip-second">
                    {step === 'spot'
                      ? 'Choose a fish and a place to look from, to see when it shows.'
                      : 'Choose a fish and a stand to see how plainly it sees you through the day.'}
                  </text>
                )}
              </>
            )}
            <path
              d={`M${x(now)},${compact ? 24 : 24}V${height}`}
              stroke="var(--ink)"
              strokeWidth={2}
            />
            <g transform={`translate(${x(now)} 13)`}>
              <ellipse rx={33} ry={12.5} fill="var(--ink)" />
              <text y={5} textAnchor="middle" fill="var(--paper)" fontWeight="700" fontSize="15">
                {clockText(atMs, plan.timeZone)}
              </text>
            </g>
            {!compact && sunDeg > 0 && (
              <text x={x(now) + 9} y={46} className="strip-second cased">
                sun {Math.round(sunDeg)}° up
              </text>
            )}
          </svg>
        )}
      </div>
    </section>
  );
}
