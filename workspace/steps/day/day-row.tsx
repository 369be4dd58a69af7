'use client';

import {
  tempAtHour,
  type HatchTime,
  type PlannedStay,
  type SitePlan,
} from '../../../core/day/index';
import type { BookSite } from '../../../core/outing/index';
import { convert, formatTemp, type UnitSystem } from '../../../core/units/index';
import { linePath } from '../../../drawing/shapes';
import { HATCH_WORDS, hourText, stopText } from '../../../words/day-words';
import { LABEL_PX, type DayScale } from './day-scale';
import drawn from '../../../drawing/marks.module.css';
import css from './day.module.css';

/** Of a letter of the tag, px. */
const TAG_LETTER = 7.1;

/** One beat through the day: its water, its limit, when it is best, in shade, and when one is there. */
export function DayRow({
  book,
  site,
  name,
  second,
  stay,
  limitC,
  top,
  scale,
  units,
  shade,
  nowH,
}: {
  book: BookSite;
  site: SitePlan;
  name: string;
  /** How it is fed, or that it is closed. */
  second: string;
  stay: PlannedStay | null;
  limitC: number;
  top: number;
  scale: DayScale;
  units: UnitSystem;
  shade: readonly number[];
  nowH: number;
}) {
  const { x, yTemp, fromH, toH } = scale;
  const inSight = site.hours.filter((p) => p.h >= fromH - 0.25 && p.h <= toH + 0.25);
  const line = inSight.map((p): [number, number] => [x(p.h), yTemp(p.bestC)]);
  const area = [
    ...inSight.map((p): [number, number] => [x(p.h), yTemp(p.highC)]),
    ...[...inSight].reverse().map((p): [number, number] => [x(p.h), yTemp(p.lowC)]),
  ];
  const limitY = yTemp(limitC);
  const over = inSight.filter((p) => p.bestC >= limitC);
  const stop = stopText(site, units);
  return (
    <g transform={`translate(0 ${top})`}>
      <path d={`M0,0H${scale.width}`} className={css.rowRule} />
      <rect x={0} y={1} width={LABEL_PX} height={scale.rowPx - 1} className={css.labelGround} />
      {book.altitudeM !== null && (
        <text x={12} y={26} className={css.height}>
          {heightText(book.altitudeM, units)}
        </text>
      )}
      {inLines(name).map((line, i) => (
        <text
          key={line}
          x={12}
          y={(book.altitudeM === null ? 26 : 46) + 18 * i}
          className={css.rowName}
        >
          {line}
        </text>
      ))}
      {scale.tall && (
        <text
          x={12}
          y={(book.altitudeM === null ? 44 : 63) + 18 * (inLines(name).length - 1)}
          className={css.rowSecond}
        >
          {second}
        </text>
      )}
      <clipPath id={`day-${book.id}`}>
        <rect x={LABEL_PX} y={0} width={scale.width - LABEL_PX} height={scale.rowPx} />
      </clipPath>
      <g clipPath={`url(#day-${book.id})`}>
        <path d={`${linePath(line)}V${limitY}H${line[0]?.[0] ?? 0}Z`} className={css.under} />
        <path d={`${linePath(area)}Z`} className={css.band} />
        {over.length > 1 && (
          <path
            d={`M${x(over[0]!.h)},${limitY}${over.map((p) => `L${x(p.h)},${yTemp(p.bestC)}`).join('')}L${x(over.at(-1)!.h)},${limitY}Z`}
            fill="url(#day-bars)"
            stroke="var(--caution-ink)"
            strokeWidth={1}
          />
        )}
        <path d={`M${LABEL_PX},${limitY}H${scale.width}`} className={css.limit} />
        <path d={linePath(line)} className={css.curve} />
      </g>
      <text x={LABEL_PX + 6} y={limitY - 4} className={`${css.small} ${drawn.cased}`}>
        {formatTemp(limitC, units)}
      </text>
      <NowTemp site={site} nowH={nowH} scale={scale} units={units} />
      {site.readings.map((r) => (
        <circle key={r.id} cx={x(r.h)} cy={yTemp(r.tempC)} r={4.5} className={css.reading} />
      ))}
      <StopBand site={site} limitY={limitY} scale={scale} />
      <StopTag
        stop={stop}
        site={site}
        y={
          stop.isStop
            ? Math.min(limitY + 9, scale.you - 36)
            : Math.min(yTemp(site.top.lowC) + 3, scale.you - 32)
        }
        scale={scale}
      />
      {scale.tall && <Hatches hatches={site.hatches} scale={scale} />}
      <Lane name="you" y={scale.you} strong />
      {stay && <StayLine stay={stay} y={scale.you} scale={scale} />}
      <Lane name="best" y={scale.best} />
      {site.best && (
        <>
          <path
            d={`M${x(site.best.fromH)},${scale.best}H${x(site.best.toH)}m0,-4v8M${x(site.best.fromH)},${scale.best - 4}v8`}
            className={css.best}
          />
          <text
            x={x(site.best.toH) + 7}
            y={scale.best + 4.5}
            className={`${css.small} ${drawn.cased}`}
          >
            {hourText(site.best.fromH)} to {hourText(site.best.toH)}
          </text>
        </>
      )}
      {scale.shade !== null && (
        <>
          <Lane name="shade" y={scale.shade + 4} />
          {shade.map(
            (share, h) =>
              share > 0.5 &&
              h + 1 > fromH &&
              h < toH && (
                <rect
                  key={h}
                  x={Math.max(LABEL_PX, x(h))}
                  y={scale.shade!}
                  width={Math.max(0, Math.min(scale.width, x(h + 1)) - Math.max(LABEL_PX, x(h)))}
                  height={8}
                  fill="url(#day-shade)"
                />
              ),
          )}
        </>
      )}
    </g>
  );
}

/** As many letters as the column holds. */
const LINE_LETTERS = 14;
/** A name over two lines, cut where it is still too long. */
function inLines(name: string): string[] {
  if (name.length <= LINE_LETTERS) return [name];
  const words = name.split(' ');
  let first = words[0]!;
  let i = 1;
  while (i < words.length && `${first} ${words[i]}`.length <= LINE_LETTERS)
    first += ` ${words[i++]}`;
  const rest = words.slice(i).join(' ');
  const cut = (t: string) => (t.length > LINE_LETTERS ? `${t.slice(0, LINE_LETTERS - 1)}…` : t);
  return rest === '' ? [cut(first)] : [cut(first), cut(rest)];
}

const heightText = (m: number, units: UnitSystem) =>
  units === 'us' ? `${Math.round(convert.mToFt(m))} ft` : `${Math.round(m)} m`;

function Lane({ name, y, strong = false }: { name: string; y: number; strong?: boolean }) {
  return (
    <text x={LABEL_PX - 8} y={y + 4.5} textAnchor="end" className={strong ? css.laneYou : css.lane}>
      {name}
    </text>
  );
}

/** Of an italic letter, px. */
const HATCH_LETTER = 6.9;
const HATCH_LANES = 2;
const HATCH_LANE_PX = 17;

/** Flies of the day, in two lanes; one that finds no room is in the list only. */
function Hatches({ hatches, scale }: { hatches: readonly HatchTime[]; scale: DayScale }) {
  const ends: number[] = Array.from({ length: HATCH_LANES }, () => -Infinity);
  return (
    <>
      {hatches.map((h) => {
        const word = `${HATCH_WORDS[h.kind]}${h.known === 'seen' ? ', seen' : ''}`;
        const half = (word.length * HATCH_LETTER) / 2;
        const middle = scale.x((h.fromH + h.toH) / 2);
        const at = Math.max(LABEL_PX + half + 4, Math.min(scale.width - half - 4, middle));
        const [from, to] = [
          Math.max(LABEL_PX, Math.min(at - half, scale.x(h.fromH))),
          Math.max(at + half, scale.x(h.toH)),
        ];
        const lane = ends.findIndex((end) => from > end + 6);
        if (lane < 0) return null;
        ends[lane] = to;
        return (
          <g key={`${h.kind} ${h.fromH}`} transform={`translate(0 ${lane * HATCH_LANE_PX})`}>
            <path
              d={`M${scale.x(h.fromH)},16v5H${Math.min(scale.width - 2, scale.x(h.toH))}v-5`}
              className={h.known === 'seen' ? css.hatchSeen : css.hatch}
            />
            <text x={at} y={14} textAnchor="middle" className={`${css.hatchWord} ${drawn.cased}`}>
              {word}
            </text>
          </g>
        );
      })}
    </>
  );
}

/** The water at the hour on screen. */
function NowTemp({
  site,
  nowH,
  scale,
  units,
}: {
  site: SitePlan;
  nowH: number;
  scale: DayScale;
  units: UnitSystem;
}) {
  if (nowH < scale.fromH || nowH > scale.toH) return null;
  const nowC = tempAtHour(site, nowH);
  const [cx, cy] = [scale.x(nowH), scale.yTemp(nowC)];
  const right = cx < scale.width - 80;
  return (
    <>
      <circle cx={cx} cy={cy} r={4} className={css.nowDot} />
      <text
        x={right ? cx + 9 : cx - 9}
        y={cy - 6}
        textAnchor={right ? 'start' : 'end'}
        className={`${css.nowTemp} ${drawn.cased}`}
      >
        {formatTemp(nowC, units)}
      </text>
    </>
  );
}

/** From the early end of the stop to its late end, on the limit. */
function StopBand({ site, limitY, scale }: { site: SitePlan; limitY: number; scale: DayScale }) {
  const { earlyH, bestH, lateH, overSinceH } = site.stop;
  if (overSinceH !== null)
    return (
      <rect
        x={scale.x(overSinceH)}
        y={limitY - 5}
        width={Math.max(0, scale.width - scale.x(overSinceH))}
        height={10}
        fill="url(#day-bars)"
      />
    );
  if (earlyH === null) return null;
  const end = scale.x(Math.min(scale.toH, lateH ?? scale.toH));
  return (
    <>
      <rect
        x={scale.x(earlyH)}
        y={limitY - 5}
        width={Math.max(0, end - scale.x(earlyH))}
        height={10}
        fill="url(#day-bars)"
        stroke="var(--caution-ink)"
      />
      {bestH !== null && (
        <path d={`M${scale.x(bestH)},${limitY - 9}v18`} className={css.stopTick} />
      )}
    </>
  );
}

function StopTag({
  stop,
  site,
  y,
  scale,
}: {
  stop: ReturnType<typeof stopText>;
  site: SitePlan;
  y: number;
  scale: DayScale;
}) {
  const { overSinceH, earlyH, bestH } = site.stop;
  const width = (stop.strong.length + stop.rest.length + 1) * TAG_LETTER + 18;
  const wanted =
    scale.x(overSinceH ?? bestH ?? earlyH ?? site.top.h) + (stop.isStop ? 10 : -width / 2);
  const left = Math.max(LABEL_PX + 4, Math.min(scale.width - width - 16, wanted));
  return (
    <g transform={`translate(${left} ${y})`}>
      {stop.isStop && <rect width={width} height={22} fill="var(--caution)" />}
      <text x={9} y={15.5} className={stop.isStop ? css.tagCaution : `${css.tag} ${drawn.cased}`}>
        <tspan fontWeight={700}>{stop.strong}</tspan> {stop.rest}
      </text>
    </g>
  );
}

function StayLine({ stay, y, scale }: { stay: PlannedStay; y: number; scale: DayScale }) {
  const [a, b] = [scale.x(stay.arriveH), scale.x(stay.leaveH)];
  // Hours stand outside the line where there is room, else above it.
  const before = a > LABEL_PX + 48;
  const after = b < scale.width - 56;
  return (
    <g className={css.stay} data-shut={stay.inShut}>
      <path d={`M${a},${y}H${b}`} className={css.stayLine} />
      <path d={`M${b},${y - 7}v14`} className={css.stayEnd} />
      <circle cx={a} cy={y} r={5} className={css.stayStart} />
      <text
        x={before ? a - 9 : a}
        y={before ? y + 5 : y - 9}
        textAnchor={before ? 'end' : 'start'}
        className={`${css.stayHour} ${drawn.cased}`}
      >
        {hourText(stay.arriveH)}
      </text>
      <text
        x={after ? b + 9 : b + 2}
        y={after ? y + 5 : y - 10}
        textAnchor={after ? 'start' : 'end'}
        className={`${css.stayHour} ${drawn.cased}`}
      >
        {hourText(stay.leaveH)}
      </text>
    </g>
  );
}
