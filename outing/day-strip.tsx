'use client';

import { formatTemp, type UnitSystem } from '../core/units/index';
import { hourText } from '../words/day-words';
import type { WaterDay } from './water-day';
import css from './outing.module.css';

const WIDTH = 390;
const HEIGHT = 84;
const SIDE = 20;
/** The least that is shown, h and C. */
const LEAST_H = 5;
const LEAST_C = 3;

const linePath = (points: readonly (readonly [number, number])[]) =>
  `M${points.map(([px, py]) => `${px.toFixed(1)},${py.toFixed(1)}`).join('L')}`;

/** Today's water at this beat: the curve with its band, the limit, the stop, and now. */
export function DayStrip({ day, units }: { day: WaterDay; units: UnitSystem }) {
  const { site, limitC, nowH, light } = day;
  const { earlyH, bestH, lateH, overSinceH } = site.stop;
  const fromH = Math.max(0, Math.min(nowH - 2, site.readings[0]?.h ?? nowH));
  const toH = Math.min(
    24,
    Math.max(fromH + LEAST_H, Math.min(light.toH, (lateH ?? bestH ?? light.toH) + 1)),
  );
  const hours = site.hours.filter((p) => p.h >= fromH - 0.25 && p.h <= toH + 0.25);
  const low = Math.min(...hours.map((p) => p.lowC), limitC - LEAST_C);
  const high = Math.max(...hours.map((p) => p.highC), limitC + 0.5);
  const x = (h: number) => SIDE + ((h - fromH) / (toH - fromH)) * (WIDTH - 2 * SIDE);
  const y = (c: number) => 18 + ((high - c) / (high - low)) * (HEIGHT - 38);
  const band = [
    ...hours.map((p): [number, number] => [x(p.h), y(p.highC)]),
    ...[...hours].reverse().map((p): [number, number] => [x(p.h), y(p.lowC)]),
  ];
  const off = overSinceH ?? earlyH;
  const ticks = Array.from({ length: 25 }, (_, h) => h).filter(
    (h) => h >= fromH && h <= toH && h % (toH - fromH > 9 ? 3 : 2) === 0,
  );
  const said = `Water ${formatTemp(day.tempC, units)} now; limit ${formatTemp(limitC, units)}. ${day.stop.strong} ${day.stop.rest}`;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className={css.dayStrip} role="img" aria-label={said}>
      <clipPath id="day-strip">
        <rect x={SIDE - 4} y={0} width={WIDTH - 2 * SIDE + 8} height={HEIGHT - 18} />
      </clipPath>
      <g clipPath="url(#day-strip)">
        <path d={`${linePath(band)}Z`} className={css.dayBand} />
        <path
          d={linePath(hours.map((p): [number, number] => [x(p.h), y(p.bestC)]))}
          className={css.dayCurve}
        />
        <path d={`M0,${y(limitC)}H${WIDTH}`} className={css.dayLimit} />
        {off !== null && off < toH && (
          <rect
            x={x(off)}
            y={y(limitC) - 5}
            width={Math.max(0, x(toH) - x(off))}
            height={9}
            className={css.dayOff}
          />
        )}
        {bestH !== null && <path d={`M${x(bestH)},${y(limitC) - 9}v17`} className={css.dayCurve} />}
      </g>
      <path d={`M${x(nowH)},6V${HEIGHT - 18}`} className={css.dayNow} />
      <circle cx={x(nowH)} cy={y(day.tempC)} r={4.5} className={css.dayDot} />
      {site.readings
        .filter((r) => r.h >= fromH)
        .map((r) => (
          <circle key={r.id} cx={x(r.h)} cy={y(r.tempC)} r={3.5} className={css.dayDot} />
        ))}
      <text x={WIDTH - SIDE} y={y(limitC) - 7} textAnchor="end" className={css.dayWord}>
        {formatTemp(limitC, units)}
      </text>
      {ticks.map((h) => (
        <text key={h} x={x(h)} y={HEIGHT - 4} textAnchor="middle" className={css.dayWord}>
          {hourText(h)}
        </text>
      ))}
    </svg>
  );
}
