import { useMemo } from 'react';
import type { BeatPlan } from '../../core/formats/index';
import { atHour, civilHour, clockText } from '../../core/units/index';
import { linePath } from '../../drawing/shapes';
import { FIRST_HOUR, LAST_HOUR, ROWS, type StripScale } from './scale';
import { conditionsAt, sunDayOf } from '../state/light';
import css from './hours.module.css';
import drawn from '../../drawing/marks.module.css';

const POINTS = 74;

/** The sun's height through the day, and the night at both ends. */
export function SunRow({
  plan,
  atMs,
  scale: { width, height, labelWidth, compact, x: at },
}: {
  plan: BeatPlan;
  atMs: number;
  scale: StripScale;
}) {
  const now = civilHour(atMs, plan.timeZone);
  const dayKey = Math.floor(atHour(atMs, 12, plan.timeZone) / 86400000);
  const day = useMemo(() => sunDayOf(plan, dayKey * 86400000 + 43200000), [plan, dayKey]);
  const sun = useMemo(() => {
    const noon = dayKey * 86400000 + 43200000;
    return Array.from({ length: POINTS }, (_, i) => {
      const hour = FIRST_HOUR + (i * (LAST_HOUR - FIRST_HOUR)) / (POINTS - 1);
      return { hour, deg: sunDegAt(plan, atHour(noon, hour, plan.timeZone)) };
    });
  }, [plan, dayKey]);
  const sunDeg = sunDegAt(plan, atMs);
  const sunTop = compact ? 26 : ROWS.sunTop;
  const sunBottom = compact ? height - 6 : ROWS.sunBottom;
  const ySun = (deg: number) => sunBottom - (Math.max(0, deg) / 70) * (sunBottom - sunTop);
  const rise = day?.kind === 'rises' ? civilHour(day.riseMs, plan.timeZone) : null;
  const set = day?.kind === 'rises' ? civilHour(day.setMs, plan.timeZone) : null;
  return (
    <>
      {rise !== null && set !== null && (
        <>
          <rect
            x={labelWidth}
            y={0}
            width={Math.max(0, at(rise) - labelWidth)}
            height={height}
            fill="var(--night)"
          />
          <rect
            x={at(set)}
            y={0}
            width={Math.max(0, width - at(set))}
            height={height}
            fill="var(--night)"
          />
        </>
      )}
      <rect x={0} y={0} width={labelWidth} height={height} fill="var(--wet)" />
      <text x={12} y={compact ? 38 : 58} className={css.stripLabel}>
        Sun
      </text>
      <path
        d={`M${labelWidth},${sunBottom}H${width}`}
        stroke="var(--rule2)"
        strokeWidth={1}
        strokeDasharray="1 4"
      />
      <path
        d={linePath(sun.map((p): [number, number] => [at(p.hour), ySun(p.deg)]))}
        className={css.stripLine}
      />
      <circle
        cx={at(now)}
        cy={ySun(sunDeg)}
        r={4}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {rise !== null && set !== null && !compact && (
        <>
          <text
            x={Math.max(labelWidth + 2, at(rise) - 4)}
            y={56}
            textAnchor={at(rise) - labelWidth > 60 ? 'end' : 'start'}
            className={css.stripSecond}
          >
            up {clockText(day!.kind === 'rises' ? day!.riseMs : 0, plan.timeZone)}
          </text>
          <text
            x={Math.min(width - 4, at(set) + 4)}
            y={56}
            textAnchor={width - at(set) > 80 ? 'start' : 'end'}
            className={css.stripSecond}
          >
            down {clockText(day!.kind === 'rises' ? day!.setMs : 0, plan.timeZone)}
          </text>
        </>
      )}
      {day?.kind === 'never sets' && (
        <text x={at(12)} y={58} className={css.stripSecond}>
          The sun does not set today.
        </text>
      )}
      {day?.kind === 'never rises' && (
        <text x={at(12)} y={58} className={css.stripSecond}>
          The sun does not rise today.
        </text>
      )}
      {!compact && sunDeg > 0 && (
        <text x={at(now) + 9} y={46} className={`${css.stripSecond} ${drawn.cased}`}>
          sun {Math.round(sunDeg)}° up
        </text>
      )}
    </>
  );
}

/** Height of the sun, degrees. */
export const sunDegAt = (plan: BeatPlan, atMs: number) =>
  (conditionsAt(plan, atMs).sunAltitudeRad * 180) / Math.PI;
