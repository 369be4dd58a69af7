'use client';

import type { ApexOptions } from 'apexcharts';
import { useMemo } from 'react';
import Chart from 'react-apexcharts';
import type { Learned } from '../../../core/learn/index';
import { useThemeName } from '../../../drawing/use-theme-name';
import { plainChart } from '../../../ui/plain-chart';

const HEIGHT_PX = 180;

/** Looks and takes by month, as columns; the same figures are in the CSV, and said to who does not see them. */
export function Months({ months }: { months: Learned['months'] }) {
  const theme = useThemeName();
  const series = useMemo(
    () => [
      { name: 'looks', data: months.map((m) => m.looks) },
      { name: 'takes', data: months.map((m) => m.takes) },
    ],
    [months],
  );
  const options = useMemo(() => optionsOf(theme, months), [theme, months]);
  const said = months
    .map((m) => `${nameOf(m.month)}: ${m.looks} looks, ${m.takes} takes`)
    .join('; ');
  return (
    <div role="img" aria-label={said}>
      <div aria-hidden="true">
        <Chart type="bar" height={HEIGHT_PX} series={series} options={options} />
      </div>
    </div>
  );
}

const nameOf = (month: string) =>
  new Date(`${month}-15T00:00:00Z`).toLocaleDateString('en-GB', {
    month: 'short',
    year: '2-digit',
    timeZone: 'UTC',
  });

function optionsOf(theme: 'light' | 'dim', months: Learned['months']): ApexOptions {
  const { ink, chart, letters: style } = plainChart(theme);
  return {
    chart,
    colors: [ink.rule, ink.ink],
    dataLabels: { enabled: false },
    tooltip: { theme: theme === 'dim' ? 'dark' : 'light' },
    legend: { position: 'top', horizontalAlign: 'left', labels: { colors: ink.ink2 } },
    plotOptions: { bar: { columnWidth: '70%', borderRadius: 0 } },
    grid: { borderColor: ink.rule },
    xaxis: {
      categories: months.map((m) => nameOf(m.month)),
      axisBorder: { color: ink.rule2 },
      axisTicks: { color: ink.rule2 },
      labels: { style },
    },
    yaxis: { labels: { style, formatter: (v) => v.toFixed(0) } },
  };
}
