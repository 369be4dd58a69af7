'use client';

import { formatLength, type UnitSystem, convert } from '../core/units/index';
import type { Camera } from './camera';
import { textWidth } from './label-kinds';
import { Label, MarkRoom } from './label-room';
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
  const narrow = width < 500;
  const bar = barOf(units, camera.scale, narrow ? NARROW_BAR_PX : BAR_PX);
  const length = bar.lengthM * camera.scale;
  const x = narrow ? width - length - 64 : Math.max(120, width / 2 - length / 2);
  const y = height - 14;
  const startAt = (text: string, kind: 'bank' | 'furniture', left: number, middle: number) =>
    [[left + textWidth(text, kind) / 2, middle]] as const;
  const ticks = Array.from(
    { length: bar.parts - 1 },
    (_, i) => `M${((i + 1) * length) / bar.parts},-4V0`,
  ).join('');
  const d = `M0,-6V0H${length}V-6${ticks}`;
  return (
    <g aria-hidden="true">
      <Label kind="bank" text="True right" spots={startAt('True right', 'bank', 16, 21)} />
      <Label
        kind="bank"
        text="True left"
        spots={startAt(
          'True left',
          'bank',
          narrow ? 16 : width - 16 - textWidth('True left', 'bank'),
          height - 17,
        )}
      />
      <g transform="translate(16 46)">
        <path d="M10,0 C30,-4 50,4 84,0" className={drawn.flowArrow} />
        <path d="M0,0 L12,-5.2 L8.6,0 L12,5.2Z" fill="var(--ink)" />
      </g>
      <MarkRoom x={14} y={39} w={90} h={14} />
      <Label kind="furniture" text="flow" spots={startAt('flow', 'furniture', 110, 46)} />
      {!narrow && <North bearingDeg={bearingDeg} x={width - 30} y={34} />}
      <g transform={`translate(${x} ${y})`}>
        <path d={d} className={drawn.scaleCase} />
        <path d={d} className={drawn.scale} />
      </g>
      <MarkRoom x={x - 2} y={y - 6} w={length + 4} h={8} />
      <Label kind="furniture" text="0" spots={[[x, y - 18]]} />
      <Label kind="furniture" text={bar.label} spots={[[x + length, y - 18]]} />
    </g>
  );
}

function North({ bearingDeg, x, y }: { bearingDeg: number; x: number; y: number }) {
  return (
    <>
      <g transform={`translate(${x} ${y}) rotate(${-bearingDeg + 90})`}>
        <path
          d="M0,-16 L5,12 L0,7 L-5,12Z"
          fill="var(--ink)"
          stroke="var(--case)"
          strokeWidth={1.4}
          paintOrder="stroke"
        />
      </g>
      <MarkRoom x={x - 17} y={y - 17} w={34} h={34} />
      <Label kind="furniture" text="N" spots={[[x - 26, y]]} />
    </>
  );
}

/** A scale bar is at most this long, px. */
const BAR_PX = 200;
const NARROW_BAR_PX = 110;

/** The longest round bar that has room: 5, 2 or 1 m; 15, 6 or 3 ft. */
function barOf(units: UnitSystem, scale: number, most: number) {
  const bars =
    units === 'us'
      ? [15, 6, 3].map((ft) => ({ lengthM: convert.ftToM(ft), parts: 3, label: `${ft} ft` }))
      : [5, 2, 1].map((m) => ({
          lengthM: m,
          parts: Math.max(2, m),
          label: formatLength(m, units, 0),
        }));
  return bars.find((b) => b.lengthM * scale <= most) ?? bars[2]!;
}
