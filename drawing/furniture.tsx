'use client';

import { formatLength, type UnitSystem, convert } from '../core/units/index';
import type { Camera } from './camera';
import drawn from './marks.module.css';

/** Scale bar, flow arrow, north, bank names: what makes a drawing a plan. */
export function Furniture({
  camera,
  width,
  height,
  bearingDeg,
  units,
}: {
  camera: Camera;
  width: number;
  height: number;
  bearingDeg: number;
  units: UnitSystem;
}) {
  const ticks = units === 'us' ? [0, 5, 10, 15] : [0, 1, 2, 3, 4, 5];
  const toPx = (n: number) => (units === 'us' ? convert.ftToM(n) : n) * camera.scale;
  const length = toPx(ticks[ticks.length - 1]!);
  const x = Math.max(120, width / 2 - length / 2);
  const y = height - 14;
  const narrow = width < 500;
  return (
    <g aria-hidden="true">
      <text x={16} y={26} className={`${drawn.bankName} ${drawn.cased}`}>
        True right
      </text>
      {!narrow && (
        <text
          x={width - 16}
          y={height - 12}
          textAnchor="end"
          className={`${drawn.bankName} ${drawn.cased}`}
        >
          True left
        </text>
      )}
      {narrow && (
        <text x={16} y={height - 12} className={`${drawn.bankName} ${drawn.cased}`}>
          True left
        </text>
      )}
      <g transform="translate(16 46)">
        <path d="M10,0 C30,-4 50,4 84,0" className={drawn.flowArrow} />
        <path d="M0,0 L12,-5.2 L8.6,0 L12,5.2Z" fill="var(--ink)" />
        <text x={94} y={5} className={`${drawn.furniture} ${drawn.cased}`}>
          flow
        </text>
      </g>
      <g transform={`translate(${width - 30} 34)`}>
        <g transform={`rotate(${-bearingDeg + 90})`}>
          <path
            d="M0,-16 L5,12 L0,7 L-5,12Z"
            fill="var(--ink)"
            stroke="var(--case)"
            strokeWidth={1.4}
            paintOrder="stroke"
          />
        </g>
        <text y={4} x={-24} textAnchor="middle" className={`${drawn.furniture} ${drawn.cased}`}>
          N
        </text>
      </g>
      <g transform={`translate(${x} ${y})`}>
        <path
          d={`M0,-6V0H${length}V-6${ticks
            .slice(1, -1)
            .map((t) => `M${toPx(t)},-4V0`)
            .join('')}`}
          className={drawn.scaleCase}
        />
        <path
          d={`M0,-6V0H${length}V-6${ticks
            .slice(1, -1)
            .map((t) => `M${toPx(t)},-4V0`)
            .join('')}`}
          className={drawn.scale}
        />
        <text x={0} y={-10} textAnchor="middle" className={`${drawn.furniture} ${drawn.cased}`}>
          0
        </text>
        <text
          x={length}
          y={-10}
          textAnchor="middle"
          className={`${drawn.furniture} ${drawn.cased}`}
        >
          {units === 'us' ? '15 ft' : formatLength(5, units, 0)}
        </text>
      </g>
    </g>
  );
}
