import type { Needs } from '../core/lies/index';
import { grain, NEED_DEG, PEBBLE, pebbleTurnDeg, starvedDot } from './shapes';
import { needText } from '../words/words';
import panel from '../ui/panel.module.css';

type NeedName = keyof Needs;
export const NEED_LETTERS: readonly [NeedName, string][] = [
  ['shelter', 'S'],
  ['food', 'F'],
  ['ease', 'E'],
  ['air', 'A'],
];

/** A lie: size is the rating, grains round the rim the four needs at their own sides. Centred on 0,0. */
export function Pebble({
  rating,
  needs,
  r,
  chosen = false,
  quiet = false,
  plain = false,
}: {
  rating: number;
  needs: Needs;
  r: number;
  chosen?: boolean;
  quiet?: boolean;
  /** No grains: many lies at a small scale. */
  plain?: boolean;
}) {
  const stone = `rotate(${pebbleTurnDeg(rating)}) scale(${r})`;
  const size = plain ? 12 : Math.max(12.5, 0.88 * r);
  return (
    <g opacity={quiet ? 0.82 : 1}>
      <path d={PEBBLE} transform={stone} fill="none" stroke="var(--case)" strokeWidth={6.8 / r} />
      {!plain &&
        NEED_LETTERS.map(([name]) => {
          const d = grain(needs[name], NEED_DEG[name], r);
          if (d)
            return (
              <path
                key={name}
                d={d}
                fill="var(--stone-line)"
                stroke="var(--case)"
                strokeWidth={2.4}
                paintOrder="stroke"
              />
            );
          const [x, y] = starvedDot(NEED_DEG[name], r);
          return (
            <circle
              key={name}
              cx={x}
              cy={y}
              r={Math.max(1.8, 0.13 * r)}
              fill="var(--case)"
              stroke="var(--stone-line)"
              strokeWidth={1.1}
            />
          );
        })}
      <path
        data-mark="lie"
        d={PEBBLE}
        transform={stone}
        fill={chosen ? 'var(--ink)' : 'var(--stone)'}
        fillOpacity={quiet ? 0.86 : 1}
        stroke="var(--stone-line)"
        strokeWidth={(chosen ? 2.6 : quiet ? 1 : 1.4) / r}
      />
      <text
        y={0.35 * size}
        textAnchor="middle"
        style={{ fontSize: size, fontWeight: quiet ? 400 : 700 }}
        fill={chosen ? 'var(--paper)' : 'var(--ink)'}
      >
        {rating}
      </text>
    </g>
  );
}

/** The same stone, large, with its needs named and numbered: for the inspector. */
export function LargePebble({ rating, needs }: { rating: number; needs: Needs }) {
  const r = 42;
  return (
    <svg
      width="272"
      height="150"
      viewBox="-146 -75 292 150"
      role="img"
      aria-label={`Rating ${rating}. Shelter ${needText(needs.shelter)}, food ${needText(needs.food)}, ease ${needText(needs.ease)}, air ${needText(needs.air)}.`}
    >
      <Pebble rating={rating} needs={needs} r={r} />
      <text x="52" y="-52" className={panel.needName}>
        Shelter {needText(needs.shelter)}
      </text>
      <text x="66" y="5" className={panel.needName}>
        Food {needText(needs.food)}
      </text>
      <text x="46" y="64" className={panel.needName}>
        Ease {needText(needs.ease)}
      </text>
      <text x="-66" y="5" className={panel.needName} textAnchor="end">
        Air {needText(needs.air)}
      </text>
    </svg>
  );
}
