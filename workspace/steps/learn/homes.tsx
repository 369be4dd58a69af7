'use client';

import { LEAST, type HomeBin } from '../../../core/learn/index';
import css from './learn.module.css';

const HOME_PX = 250;

/** What was said along, what was found up: a bar of 95 in 100 for each tenth. */
export function Homes({
  bins,
  width,
  dark,
}: {
  bins: readonly HomeBin[];
  width: number;
  dark: boolean;
}) {
  if (bins.length === 0) return <p className={css.none}>Too few: no such place was worked yet.</p>;
  const left = 70;
  const x = (p: number) => left + p * (Math.max(320, width) - left - 30);
  const y = (p: number) => 14 + (1 - p) * (HOME_PX - 64);
  return (
    <svg
      width={Math.max(320, width)}
      height={HOME_PX}
      role="img"
      aria-label="Places by what was said of them, and how many showed a fish"
      data-dark={dark}
      className={css.homes}
    >
      {[0, 0.2, 0.4, 0.6, 0.8, 1].map((p) => (
        <g key={p}>
          <path d={`M${left},${y(p)}H${x(1)}`} className={css.line} />
          <text x={left - 8} y={y(p) + 4.5} textAnchor="end" className={css.word}>
            {p === 0 ? 'none' : p === 1 ? 'always' : `${10 * p} in 10`}
          </text>
        </g>
      ))}
      {/* As said then: what was found lies on it where the ratings were right. */}
      <path d={`M${x(0)},${y(0)}L${x(1)},${y(1)}`} className={css.said} />
      <text x={x(0.02)} y={y(0.16)} className={css.word}>
        as said then
      </text>
      {bins.map((b) => {
        const tenth = b.tenth!;
        const at = x((tenth + 0.5) / 10);
        const few = b.found.n < LEAST.places;
        return (
          <g key={tenth} data-few={few}>
            <rect
              x={at - 6}
              y={y(b.found.high)}
              width={12}
              height={Math.max(1, y(b.found.low) - y(b.found.high))}
              className={few ? css.few : css.band}
            />
            <path d={`M${at - 10},${y(b.found.best)}h20`} className={css.best} />
            <text x={at} y={HOME_PX - 28} textAnchor="middle" className={css.word}>
              {10 * tenth}s
            </text>
            <text x={at} y={HOME_PX - 10} textAnchor="middle" className={css.word}>
              {b.found.k} of {b.found.n}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
