'use client';

import { type UnitSystem } from '../../core/units/index';
import { rampColour } from '../../ui/colour';
import { PACE_RAMP, type Theme } from '../../ui/tokens';
import { usePart } from '../context';
import css from './section.module.css';
import drawn from '../../drawing/marks.module.css';

const PACE_WORDS = ['still', 'stroll', 'walk', 'brisk', 'rush'] as const;
const PACE_AT = [0.05, 0.22, 0.5, 0.8, 1.1];

export function SectionKey({
  width,
  theme,
  ratio,
  fallM,
  levelled,
  along,
  plain,
}: {
  width: number;
  theme: Theme;
  ratio: number;
  fallM: number;
  levelled: boolean;
  along: boolean;
  /** Without the key of pace. */
  plain: boolean;
}) {
  const units = usePart((s) => s.settings.units);
  const cell = width < 500 ? 34 : 44;
  const x = width - PACE_WORDS.length * cell - 12;
  return (
    <g aria-hidden="true">
      <text x={12} y={20} className={`${css.sectionTitle} ${drawn.cased}`}>
        {along ? 'Along its lane' : 'Along the deepest line'}
      </text>
      {width > 500 && (
        <text x={200} y={20} className={`${drawn.furniture} ${drawn.cased}`}>
          depth drawn {ratio.toFixed(1)} times taller, falls {fallText(fallM, units)}
          {levelled ? ', drawn level' : ''}
        </text>
      )}
      {!plain && (
        <g transform={`translate(${x} 6)`}>
          {width > 500 && (
            <text
              x={-10}
              y={10}
              textAnchor="end"
              className={`${drawn.furniture} ${drawn.strong} ${drawn.cased}`}
            >
              pace
            </text>
          )}
          {PACE_WORDS.map((word, i) => (
            <g key={word} transform={`translate(${i * cell} 0)`}>
              <rect
                width={cell - 2}
                height={9}
                fill={rampColour(PACE_RAMP[theme], PACE_AT[i]!)}
                stroke="var(--rule2)"
                strokeWidth={0.8}
              />
              <text
                x={cell / 2}
                y={22}
                textAnchor="middle"
                className={`${drawn.furniture} ${drawn.small} ${drawn.cased}`}
              >
                {word}
              </text>
            </g>
          ))}
        </g>
      )}
    </g>
  );
}

const fallText = (m: number, units: UnitSystem) =>
  units === 'us' ? `${(m / 0.0254).toFixed(0)} in` : `${m.toFixed(2)} m`;
