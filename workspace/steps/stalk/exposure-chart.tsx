'use client';

import type { ApexOptions } from 'apexcharts';
import { useMemo, useState } from 'react';
import type { Posture } from '../../../core/sight/index';
import type { StalkWay } from '../../../core/stalk/index';
import { formatLength, lengthUnit } from '../../../core/units/index';
import { useThemeName } from '../../../drawing/use-theme-name';
import { later } from '../../../ui/later';
import panel from '../../../ui/panel.module.css';
import { plainChart } from '../../../ui/plain-chart';
import { inHundred } from '../../../words/names';
import { useActions, usePart } from '../../context';
import { createStalkActions } from './stalk-actions';
import css from './stalk.module.css';

const HEIGHT_PX = 132;
const Chart = later(() => import('react-apexcharts').then((m) => m.default), HEIGHT_PX);

/** Where the chart's own paper lies in its box, px. */
interface Paper {
  left: number;
  width: number;
}

/** What the fish that sees best notices, by metres of the way; pointing at it, or arrow keys, shows the place. */
export function ExposureChart({ way }: { way: StalkWay }) {
  const stalking = useActions(createStalkActions);
  const at = usePart((s) => s.wayAt);
  const units = usePart((s) => s.settings.units);
  const theme = useThemeName();
  const [paper, setPaper] = useState<Paper | null>(null);
  const far = Math.max(0.1, way.lengthM);
  const series = useMemo(
    () => [
      {
        name: 'noticed',
        data: way.moments.map((m) => ({ x: m.atM, y: Math.round(1000 * m.exposure) / 10 })),
      },
    ],
    [way],
  );
  const options = useMemo(() => optionsOf(theme, units, far, setPaper), [theme, units, far]);
  const moment = at === null ? null : (way.moments[at] ?? null);
  const last = way.moments.length - 1;
  const pointAt = (x: number) => {
    if (!paper) return;
    const m = ((x - paper.left) / paper.width) * far;
    const nearest = way.moments.reduce(
      (best, p, i) => (Math.abs(p.atM - m) < Math.abs(way.moments[best]!.atM - m) ? i : best),
      0,
    );
    stalking.pointAtWay(nearest);
  };
  return (
    <figure className={css.wayChart}>
      <div
        className={css.wayFace}
        role="slider"
        tabIndex={0}
        aria-label="Noticed along the way"
        aria-valuemin={0}
        aria-valuemax={Math.round(10 * far) / 10}
        aria-valuenow={moment ? Math.round(10 * moment.atM) / 10 : 0}
        aria-valuetext={
          moment
            ? `${formatLength(moment.atM, units)}: ${inHundred(moment.exposure)}, ${moment.posture}`
            : 'arrow keys walk the way'
        }
        onPointerMove={(e) => pointAt(e.clientX - e.currentTarget.getBoundingClientRect().left)}
        onPointerLeave={() => stalking.pointAtWay(null)}
        onBlur={() => stalking.pointAtWay(null)}
        onKeyDown={(e) => {
          const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
          if (by === undefined) return;
          e.preventDefault();
          stalking.pointAtWay(Math.min(last, Math.max(0, (at ?? 0) + by)));
        }}
      >
        <div aria-hidden="true">
          <Chart type="area" height={HEIGHT_PX} series={series} options={options} />
        </div>
        {moment && paper && (
          <span
            className={css.wayNow}
            style={{ left: paper.left + (paper.width * moment.atM) / far }}
          />
        )}
      </div>
      <figcaption className={panel.second}>
        {moment
          ? `${formatLength(moment.atM, units)}, ${WALKING[moment.posture]}: noticed ${inHundred(moment.exposure)}`
          : 'Noticed along the way, in 100; dotted: even odds.'}
      </figcaption>
    </figure>
  );
}

function optionsOf(
  theme: 'light' | 'dim',
  units: 'metric' | 'us',
  farM: number,
  onPaper: (paper: Paper) => void,
): ApexOptions {
  const { ink, chart, letters: style } = plainChart(theme);
  const measured = (drawn: { w?: { globals: { translateX: number; gridWidth: number } } }) => {
    const at = drawn.w?.globals;
    if (at) onPaper({ left: at.translateX, width: at.gridWidth });
  };
  return {
    chart: { ...chart, events: { mounted: measured, updated: measured } },
    colors: [ink.fish],
    dataLabels: { enabled: false },
    tooltip: { enabled: false },
    stroke: { width: 2.2, curve: 'straight' },
    fill: { type: 'solid', opacity: 0.12 },
    grid: { borderColor: ink.rule, padding: { left: 4, right: 8, top: -16, bottom: -6 } },
    annotations: { yaxis: [{ y: 50, borderColor: ink.fish, strokeDashArray: 4 }] },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: farM,
      tickAmount: 3,
      axisBorder: { color: ink.rule2 },
      axisTicks: { color: ink.rule2 },
      crosshairs: { show: false },
      tooltip: { enabled: false },
      labels: {
        style,
        formatter: (m) => formatLength(Number(m), units, 0).replace(lengthUnit(units), '').trim(),
      },
    },
    yaxis: {
      min: 0,
      max: 100,
      tickAmount: 2,
      labels: { style, formatter: (v) => v.toFixed(0) },
    },
  };
}

const WALKING: Record<Posture, string> = {
  stand: 'upright',
  crouch: 'crouched',
  kneel: 'kneeling',
  crawl: 'crawling',
};
