'use client';

import { BODY_SHARE, depthWord, formatDepth, type UnitSystem } from '@/core/units/index';
import { useThemeName } from '@/drawing/use-theme-name';
import { rampColour } from '@/ui/colour';
import { DEPTH_RAMP } from '@/ui/tokens';
import css from './read.module.css';
import { later } from '@/ui/later';

const Slider = later(() => import('@/ui/slider').then((m) => m.Slider));

/** Scale of the drawing: metres from the bed to its top edge. */
const TOP_M = 1.3;
const WIDTH = 390;
const HEIGHT = 264;
const BED_Y = HEIGHT - 22;
const BANDS = 12;
const yOf = (m: number) => BED_Y - (m / TOP_M) * (BED_Y - 6);

/** The angler's own leg in the water: the depth is set by sliding the water up and down. */
export function Leg({
  depthM,
  heightM,
  units,
  onDepth,
}: {
  depthM: number;
  heightM: number;
  units: UnitSystem;
  onDepth: (m: number) => void;
}) {
  const theme = useThemeName();
  const word = depthWord(depthM, heightM);
  const marks = Object.entries(BODY_SHARE) as [keyof typeof BODY_SHARE, number][];
  const k = heightM / 1.75;
  const y = (m: number) => yOf(m * k).toFixed(1);
  return (
    <div className={css.leg}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        aria-hidden="true"
        preserveAspectRatio="xMidYMax slice"
      >
        {Array.from({ length: BANDS }, (_, i) => (
          <rect
            key={i}
            x={0}
            y={yOf(depthM) + ((BED_Y - yOf(depthM)) * i) / BANDS}
            width={WIDTH}
            height={(BED_Y - yOf(depthM)) / BANDS + 0.5}
            fill={rampColour(DEPTH_RAMP[theme], (depthM * (i + 0.5)) / BANDS)}
          />
        ))}
        <path
          className={css.legLine}
          d={`M150,${y(1.25)} C146,${y(0.9)} 158,${y(0.62)} 156,${y(0.5)} C150,${y(0.36)} 166,${y(0.2)} 171,${y(0.06)} C172,${y(0.02)} 176,${y(0)} 182,${y(0)} L228,${y(0)} C240,${y(0.02)} 234,${y(0.05)} 224,${y(0.06)} L206,${y(0.1)} C198,${y(0.14)} 208,${y(0.3)} 210,${y(0.44)} C206,${y(0.56)} 226,${y(0.9)} 224,${y(1.25)}`}
        />
        <path d={`M0,${yOf(depthM)}H${WIDTH}`} className={css.legSurface} />
        {Array.from({ length: 13 }, (_, i) => (
          <ellipse
            key={i}
            cx={i * 32 + ((i * 37) % 11)}
            cy={BED_Y + 9 - ((i * 7) % 4)}
            rx={17 + ((i * 5) % 6)}
            ry={7 + ((i * 3) % 4)}
            className={css.legStone}
          />
        ))}
        {marks.map(([name, share]) => (
          <g key={name}>
            <path d={`M234,${yOf(share * heightM)}h18`} className={css.legTick} />
            <text
              x={258}
              y={yOf(share * heightM) + 6}
              className={`${css.legWord}${name === word ? ` ${css.here}` : ''}`}
            >
              {name}
            </text>
          </g>
        ))}
      </svg>
      <p className={css.legFigure}>
        <strong>{formatDepth(depthM, units)}</strong>
        <span>{word}</span>
      </p>
      <div className={css.slide}>
        <Slider
          label="Depth"
          upright
          min={0.05}
          max={1.25}
          step={0.01}
          value={depthM}
          text={`${formatDepth(depthM, units)}, ${word}`}
          onChange={onDepth}
        />
      </div>
    </div>
  );
}
