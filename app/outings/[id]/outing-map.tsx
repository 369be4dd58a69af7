import { LitImage } from '@/ui/lit-image';
import css from '../../start.module.css';

const WIDE = 1100;

/** A beat with the tries of the day on it, numbered as they came; upstream to the right. */
export function OutingMap({
  beat,
  marks,
}: {
  beat: {
    id: string;
    name: string;
    frame: { x0M: number; y0M: number; widthM: number; heightM: number } | null;
  };
  marks: readonly { number: number; xM: number; yM: number; took: boolean }[];
}) {
  if (!beat.frame)
    return (
      <p>
        {beat.name}: its water has not been solved, so there is no map.{' '}
        <a href={`/b/${beat.id}/read`}>Read it</a>
      </p>
    );
  const { x0M, y0M, widthM, heightM } = beat.frame;
  const perM = WIDE / widthM;
  const high = heightM * perM;
  return (
    <figure className={css.outingMap}>
      <figcaption>
        <a href={`/b/${beat.id}/log`}>{beat.name}</a>, flowing to the left
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${high}`}
        role="img"
        aria-label={`${beat.name}: ${marks.length} tries, at ${marks.map((m) => `${m.xM.toFixed(0)} m`).join(', ')} from the foot`}
      >
        <LitImage
          light={`/api/v1/beats/${beat.id}/picture`}
          dim={`/api/v1/beats/${beat.id}/picture?theme=dim`}
          width={WIDE}
          height={high}
        />
        {spread(
          marks.map((m) => ({ ...m, x: (m.xM - x0M) * perM, y: high - (m.yM - y0M) * perM })),
        ).map((m) => (
          <g key={m.number}>
            <circle cx={m.x} cy={m.y} r={12} data-took={m.took ? '' : undefined} />
            <text x={m.x} y={m.y + 4.5} textAnchor="middle">
              {m.number}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}

const APART = 25;

/** Tries at one place stand beside one another. */
function spread<T extends { x: number; y: number }>(all: readonly T[]): T[] {
  const out: T[] = [];
  for (const m of all) {
    let { x } = m;
    while (out.some((o) => Math.hypot(o.x - x, o.y - m.y) < APART)) x += APART;
    out.push({ ...m, x });
  }
  return out;
}
