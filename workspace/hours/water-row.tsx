import { tempAtHour } from '../../core/day/hour-temp';
import type { SitePlan } from '../../core/day/index';
import { formatTemp, type UnitSystem } from '../../core/units/index';
import { linePath } from '../../drawing/shapes';
import { hourText } from '../../words/day-words';
import { FIRST_HOUR, LAST_HOUR, ROWS, type StripScale } from './scale';
import css from './hours.module.css';
import drawn from '../../drawing/marks.module.css';

/** The line lies where the sun's does; not more than this for a degree, px. */
const MOST_PER_DEGREE = 7;

/** The water through the day, with its band, and from when it is too warm to fish. */
export function WaterRow({
  site,
  limitC,
  nowH,
  scale: { width, height, labelWidth, x, compact },
  units,
}: {
  site: SitePlan;
  limitC: number;
  nowH: number;
  scale: StripScale;
  units: UnitSystem;
}) {
  const hours = site.hours.filter((p) => p.h >= FIRST_HOUR && p.h <= LAST_HOUR);
  const top = compact ? 28 : ROWS.sunTop + 6;
  const bottom = compact ? height - 6 : ROWS.sunBottom;
  const low = Math.min(...hours.map((p) => p.bestC));
  const high = Math.max(...hours.map((p) => p.bestC));
  const perDegree = Math.min(MOST_PER_DEGREE, (bottom - top) / Math.max(1, high - low));
  const y = (c: number) => bottom - (Math.max(low - 1, Math.min(high + 1, c)) - low) * perDegree;
  const band = [
    ...hours.map((p): [number, number] => [x(p.h), y(p.highC)]),
    ...[...hours].reverse().map((p): [number, number] => [x(p.h), y(p.lowC)]),
  ];
  const nowC = tempAtHour(site, nowH);
  const { overSinceH, earlyH, bestH, againH } = site.stop;
  const offH = overSinceH ?? earlyH;
  const right = x(nowH) < width - 90;
  return (
    <>
      {!compact && <path d={`${linePath(band)}Z`} className={css.stripWaterBand} />}
      <path
        d={linePath(hours.map((p): [number, number] => [x(p.h), y(p.bestC)]))}
        className={css.stripWater}
      />
      {offH !== null && offH < LAST_HOUR && (
        <g>
          <rect
            x={Math.max(labelWidth, x(offH))}
            y={bottom - 1}
            width={Math.max(
              0,
              x(Math.min(LAST_HOUR, againH ?? LAST_HOUR)) - Math.max(labelWidth, x(offH)),
            )}
            height={6}
            className={css.stripOff}
          />
          {!compact && (
            <text
              x={Math.max(labelWidth + 4, Math.min(width - 150, x(offH) + 4))}
              y={bottom - 5}
              className={`${css.stripStop} ${drawn.cased}`}
            >
              {overSinceH !== null
                ? `over since ${hourText(overSinceH)}`
                : `stop ${bestH === null ? `by ${hourText(offH)}` : hourText(bestH)}, ${formatTemp(limitC, units)}`}
            </text>
          )}
        </g>
      )}
      <circle cx={x(nowH)} cy={y(nowC)} r={3.5} className={css.stripWaterDot} />
      {!compact && (
        <text
          x={right ? x(nowH) + 9 : x(nowH) - 9}
          y={Math.max(top + 8, y(nowC) + 14)}
          textAnchor={right ? 'start' : 'end'}
          className={`${css.stripWaterWord} ${drawn.cased}`}
        >
          water {formatTemp(nowC, units)}
          {site.isRead ? '' : ', guessed'}
        </text>
      )}
    </>
  );
}
