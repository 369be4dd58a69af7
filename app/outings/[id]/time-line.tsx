import type { Outing, Reading } from '@/core/log/index';
import { civilDay, clockText, formatTemp, type UnitSystem } from '@/core/units/index';
import { timeMarks } from './time-marks';
import css from '../../start.module.css';

const WIDE = 1100;
const HIGH = 150;
const FOOT = 118;

/** The hours of the outing: the water's temperature as read, and each try by its number. */
export function TimeLine({
  outing,
  tries,
  readings,
  nowMs,
  units,
}: {
  outing: Outing;
  tries: readonly { id: string; number: number; openedMs: number; took: boolean }[];
  readings: readonly Reading[];
  nowMs: number;
  units: UnitSystem;
}) {
  const times = [
    outing.startMs,
    outing.endMs ?? nowMs,
    ...tries.map((t) => t.openedMs),
    ...readings.map((r) => r.takenMs),
  ];
  const [from, to] = [Math.min(...times), Math.max(Math.min(...times) + 3_600_000, ...times)];
  const x = (ms: number) => 30 + ((ms - from) / (to - from)) * (WIDE - 60);
  const water = readings.filter((r) => r.waterTempC !== null);
  const temps = water.map((r) => r.waterTempC!);
  const [low, high] = [Math.min(...temps) - 0.5, Math.max(...temps) + 0.5];
  const y = (c: number) => 86 - ((c - low) / (high - low)) * 62;
  const { marks, days } = timeMarks(from, to);
  const markText = (ms: number) =>
    days ? civilDay(ms, outing.timeZone) : clockText(ms, outing.timeZone);
  return (
    <svg
      className={css.timeLine}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      role="img"
      aria-label={`From ${clockText(from, outing.timeZone)} to ${clockText(to, outing.timeZone)}: ${tries.length} tries${water.length > 0 ? `, water from ${formatTemp(Math.min(...temps), units)} to ${formatTemp(Math.max(...temps), units)}` : ''}`}
    >
      {marks.map((ms) => (
        <g key={ms}>
          <line x1={x(ms)} x2={x(ms)} y1={10} y2={FOOT + 10} />
          <text x={x(ms)} y={HIGH - 6} textAnchor="middle">
            {markText(ms)}
          </text>
        </g>
      ))}
      {water.length > 0 && (
        <>
          <path
            d={water.map((r, i) => `${i ? 'L' : 'M'}${x(r.takenMs)},${y(r.waterTempC!)}`).join('')}
          />
          {[water[0]!, water[water.length - 1]!].map((r, i) => (
            <text
              key={i}
              x={x(r.takenMs)}
              y={y(r.waterTempC!) - 8}
              textAnchor={i ? 'end' : 'start'}
            >
              {i === 1 && water.length === 1 ? '' : formatTemp(r.waterTempC!, units)}
            </text>
          ))}
        </>
      )}
      {tries.map((t) => (
        <g key={t.id}>
          <circle cx={x(t.openedMs)} cy={FOOT - 6} r={10} data-took={t.took ? '' : undefined} />
          <text x={x(t.openedMs)} y={FOOT - 2} textAnchor="middle">
            {t.number}
          </text>
        </g>
      ))}
    </svg>
  );
}
