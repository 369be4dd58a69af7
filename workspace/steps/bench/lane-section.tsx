'use client';

import { useMemo } from 'react';
import type { BenchAnswer, SinkPath } from '../../../core/sink/index';
import { surfaceFactor } from '../../../core/water/index';
import { formatDepth, formatLength, type UnitSystem } from '../../../core/units/index';
import { pageX, type Camera } from '../../../drawing/camera';
import { FISH_SIDE, fishLengthPx, linePath } from '../../../drawing/shapes';
import { useThemeName } from '../../../drawing/use-theme-name';
import { SectionCanvas } from '../../section/section-canvas';
import type { Cut } from '../../section/cut';
import drawn from '../../../drawing/marks.module.css';
import css from './bench.module.css';

const ABOVE_PX = 64;
const GROUND_PX = 38;
const PAST_M = 2.4;
const LEAST_ABOVE_M = 2;
const MOST_ABOVE_M = 7;

/** The lane as a cut: x up-current positive, as the plan has it. */
function cutOf({ lane }: BenchAnswer): Cut {
  const back = lane.alongM.map((_, i) => lane.alongM.length - 1 - i);
  const pick = (list: readonly number[]) => back.map((i) => list[i]!);
  const depth = pick(lane.depthM);
  const us = pick(lane.surfaceMps);
  const d84 = pick(lane.d84M);
  return {
    x: pick(lane.alongM).map((s) => -s),
    surface: depth.map(() => 0),
    bed: depth.map((h) => -h),
    mean: us.map((u, i) => u / surfaceFactor(depth[i]!, d84[i]!)),
    d84,
    fallM: 0,
    deepestM: Math.max(...depth),
    highestM: 0,
    lowestM: -Math.max(...depth),
    levelled: true,
    lineYM: () => 0,
  };
}

const placesOf = (p: SinkPath, fly = 0): [number, number][] =>
  (p.alongM[fly] ?? []).map((s, i) => [-s, -p.depthM[fly]![i]!]);

/** How what hangs goes down along the lane of the fish: best, eight in ten, seconds, lead and ticks. */
export function LaneSection({
  answer,
  leadM,
  fishDepthM,
  fishLengthCm,
  units,
  width,
  height,
}: {
  answer: BenchAnswer;
  leadM: number;
  fishDepthM: number;
  fishLengthCm: number;
  units: UnitSystem;
  width: number;
  height: number;
}) {
  const theme = useThemeName();
  const cut = useMemo(() => cutOf(answer), [answer]);
  const s = answer.sunk;
  const aboveM = Math.min(
    MOST_ABOVE_M,
    Math.max(LEAST_ABOVE_M, leadM + 0.8, (s?.lead?.bestM ?? 0) + 0.6),
  );
  const camera: Camera = { leftM: -PAST_M, scale: width / (PAST_M + aboveM), topM: 0 };
  const deep = Math.max(0.25, ...cut.bed.map((b, i) => (inView(cut.x[i]!, aboveM) ? -b : 0)));
  const perM = Math.min((height - ABOVE_PX - GROUND_PX) / deep, 6 * camera.scale);
  const y = (m: number) => ABOVE_PX - m * perM;
  const x = (m: number) => pageX(camera, m);
  const at = (p: [number, number]): [number, number] => [x(p[0]), y(p[1])];
  const path = s ? placesOf(s.best.path) : [];
  const fishY = y(-fishDepthM);
  const scale = fishLengthPx(fishLengthCm) / 130;
  const bed = cut.bed.map((b, i): [number, number] => [x(cut.x[i]!), y(b)]);
  const seconds = s ? [1, 2, 3, 4, 6, 8].filter((t) => t < s.best.path.t.at(-1)!) : [];
  return (
    <div className={css.lane} style={{ width, height }}>
      <SectionCanvas cut={cut} camera={camera} width={width} height={height} y={y} theme={theme} />
      <svg width={width} height={height} role="img" aria-label={laneWords(answer, leadM, units)}>
        <g aria-hidden="true">
          <path
            d={`${linePath(bed)}L${bed.at(-1)![0]},${height}L${bed[0]![0]},${height}Z`}
            fill="var(--land)"
            stroke="var(--rockline)"
          />
          <path d={`M0,${y(0)}H${width}`} className={css.waterline} />
          {[0.2, 0.4, 0.6, 0.8, 1, 1.2]
            .filter((d) => d < deep)
            .map((d) => (
              <g key={d}>
                <path d={`M0,${y(-d)}h6`} className={css.axis} />
                <text
                  x={9}
                  y={y(-d) + 4}
                  className={`${drawn.furniture} ${drawn.small} ${drawn.cased}`}
                >
                  {formatDepth(d, units)}
                </text>
              </g>
            ))}
          <path d={`M${x(0)},${y(0) - 44}V${y(-deep) + 4}`} className={css.noseLine} />
          {s && <Band slow={s.slow} quick={s.quick} at={at} />}
          {s &&
            s.best.path.depthM
              .slice(1)
              .map((_, k) => (
                <path
                  key={k}
                  d={linePath(placesOf(s.best.path, k + 1).map(at))}
                  className={css.upperPath}
                />
              ))}
          {path.length > 1 && (
            <>
              <path d={linePath(path.map(at))} className={css.pathCase} />
              <path d={linePath(path.map(at))} className={css.path} />
            </>
          )}
          {s &&
            seconds.map((t) => {
              const i = s.best.path.t.findIndex((v) => v >= t);
              const [px, py] = at(path[i]!);
              return (
                <g key={t}>
                  <circle cx={px} cy={py} r={3.6} className={css.second} />
                  <text
                    x={px - 7}
                    y={py + 4}
                    textAnchor="end"
                    className={`${drawn.furniture} ${drawn.small} ${drawn.cased} ${css.anglerText}`}
                  >
                    {t} s
                  </text>
                </g>
              );
            })}
          <Span
            from={x(0)}
            to={x(leadM)}
            y={y(0) - 12}
            words={`lead now ${formatLength(leadM, units, 2)}`}
          />
          {s?.lead && (
            <>
              <rect
                x={x(s.lead.lowM)}
                y={y(0) - 41}
                width={Math.max(2, x(Math.min(s.lead.highM, aboveM)) - x(s.lead.lowM))}
                height={10}
                fill="var(--rule)"
              />
              <Span
                from={x(0)}
                to={x(s.lead.bestM)}
                y={y(0) - 36}
                words={`lead needed ${formatLength(s.lead.bestM, units, 2)}`}
              />
            </>
          )}
          {s && <path d={`M0,${y(-s.wantedM)}H${width}`} className={css.wanted} />}
          {/* Its nose at the place, facing up-current. */}
          <path
            d={FISH_SIDE}
            transform={`translate(${x(0) - 100 * scale} ${fishY}) scale(${scale})`}
            fill="var(--fish)"
            stroke="var(--case)"
            strokeWidth={3.4}
            paintOrder="stroke"
          />
          {s?.ticks.fromM != null && inView(-s.ticks.fromM, aboveM) && (
            <text
              x={x(-s.ticks.fromM)}
              y={height - 22}
              textAnchor="middle"
              className={`${drawn.furniture} ${drawn.small} ${drawn.cased}`}
            >
              ticks the bed from here, 1 drift in 4
            </text>
          )}
          {[-2, -1, 0, 1, 2, 3, 4, 5, 6]
            .filter((m) => inView(m, aboveM))
            .map((m) => (
              <g key={m} transform={`translate(${x(m)} ${height - 14})`}>
                <path d="M0,0v-5" className={css.axis} />
                <text
                  y={11}
                  textAnchor="middle"
                  className={`${drawn.furniture} ${drawn.small} ${drawn.cased}`}
                >
                  {m === 0
                    ? 'at its nose'
                    : `${formatLength(Math.abs(m), units, 0)}${m === -1 || m === 1 ? (m < 0 ? ' past' : ' above') : ''}`}
                </text>
              </g>
            ))}
        </g>
      </svg>
    </div>
  );
}

const inView = (upM: number, aboveM: number) => upM > -PAST_M && upM < aboveM;

function Band({
  slow,
  quick,
  at,
}: {
  slow: SinkPath;
  quick: SinkPath;
  at: (p: [number, number]) => [number, number];
}) {
  const around = [...placesOf(slow), ...placesOf(quick).reverse()].map(at);
  return around.length > 3 ? <path d={`${linePath(around)}Z`} className={css.band} /> : null;
}

function Span({ from, to, y, words }: { from: number; to: number; y: number; words: string }) {
  return (
    <g>
      <path d={`M${from},${y - 5}v10M${from},${y}H${to}M${to},${y - 5}v10`} className={css.span} />
      <text
        x={from - 8}
        y={y + 4}
        textAnchor="end"
        className={`${drawn.furniture} ${drawn.strong} ${drawn.small} ${drawn.cased} ${css.anglerText}`}
      >
        {words}
      </text>
    </g>
  );
}

/** The section in words. */
function laneWords({ sunk: s, depthM }: BenchAnswer, leadM: number, units: UnitSystem): string {
  if (!s)
    return `The lane of the fish, ${formatDepth(depthM, units)} deep. Nothing sinks on this rig.`;
  const need = s.lead
    ? `It needs ${formatLength(s.lead.bestM, units, 2)} of lead`
    : 'No lead gets it there';
  return `Along the lane: ${formatDepth(s.depthM, units)} down at the nose with ${formatLength(leadM, units, 2)} of lead, it should be ${formatDepth(s.wantedM, units)}. ${need}.`;
}
