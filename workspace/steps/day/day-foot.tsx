import { formatSpeed, formatTemp, type UnitSystem } from '../../../core/units/index';
import { LABEL_PX, type DayScale } from './day-scale';
import css from './day.module.css';

/** Air, wind and sky under the rows, and thunder at its hours. */
export function DayFoot({
  y,
  scale,
  cloud,
  windMps,
  thunder,
  air,
  units,
}: {
  y: number;
  scale: DayScale;
  cloud: number;
  windMps: number;
  thunder: { fromMin: number; toMin: number } | null;
  air: { airLowC: number | null; airHighC: number | null };
  units: UnitSystem;
}) {
  const { x } = scale;
  return (
    <g transform={`translate(0 ${y})`}>
      <path d={`M0,0H${scale.width}`} stroke="var(--ink)" strokeWidth={1.4} />
      <text x={12} y={26} className={css.axisName}>
        Air
      </text>
      <text x={LABEL_PX + 8} y={26} className={css.rowSecond}>
        {air.airLowC === null || air.airHighC === null
          ? 'guessed from the season'
          : `${formatTemp(air.airLowC, units)} to ${formatTemp(air.airHighC, units)}`}
        , wind {formatSpeed(windMps, units)}
      </text>
      <text x={12} y={54} className={css.axisName}>
        Sky
      </text>
      <text x={LABEL_PX + 8} y={54} className={css.rowSecond}>
        {skyText(cloud)}
      </text>
      {thunder && (
        <g transform={`translate(${x(thunder.fromMin / 60)} 38)`}>
          <rect
            width={Math.max(60, ((thunder.toMin - thunder.fromMin) / 60) * scale.perHour)}
            height={22}
            fill="var(--caution)"
          />
          <rect width={9} height={22} fill="url(#day-bars)" />
          <text x={15} y={15.5} className={css.tagCaution}>
            thunder
          </text>
        </g>
      )}
    </g>
  );
}

const skyText = (cloud: number) =>
  cloud < 0.15 ? 'clear' : cloud < 0.5 ? 'some cloud' : cloud < 0.85 ? 'mostly cloud' : 'overcast';
