'use client';

import {
  createTangentPlane,
  featuresOf,
  shapePlaces,
  type BeatPlan,
} from '../../core/formats/index';
import type { LonLat, TakenLines } from '../../core/lines/index';
import type { Place } from '../../core/grid/index';
import css from '../making.module.css';

/** Letters for lines: A to Z, then A2… */
export const lineLetter = (i: number): string =>
  `${'ABCDEFGHIJKLMNOPQRSTUVWXYZ'[i % 26]}${i < 26 ? '' : Math.floor(i / 26) + 1}`;

/** The file's lines and places as they lie on the earth, north up; the beat in them once there is one. */
export function LinesPicture({ taken, plan }: { taken: TakenLines; plan: BeatPlan | null }) {
  const first = taken.lines[0]?.at[0] ?? taken.points[0]!.at;
  // Bearing 90: x is east, y is north.
  const flat = createTangentPlane({ lat: first[1], lon: first[0] }, 90);
  const put = (at: LonLat): Place => flat.toPlan(at[0], at[1]);
  const own = plan?.anchor && createTangentPlane(plan.anchor, plan.bearingDeg);
  const ofPlan = (p: Place) => put(own!.toLonLat(p));
  const lines = taken.lines.map((l) => l.at.map(put));
  const points = taken.points.map((p) => put(p.at));
  // A waypoint of another valley must not make the beat a dot.
  const seen = own
    ? featuresOf(plan, 'bank').flatMap((b) => shapePlaces(b.shape).map(ofPlan))
    : [...lines.flat(), ...(lines.length === 0 ? points : [])];
  const xs = seen.map((p) => p.xM);
  const ys = seen.map((p) => p.yM);
  const pad =
    0.08 * Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 10);
  const box = {
    x: Math.min(...xs) - pad,
    y: -Math.max(...ys) - pad,
    w: Math.max(...xs) - Math.min(...xs) + 2 * pad,
    h: Math.max(...ys) - Math.min(...ys) + 2 * pad,
  };
  const unit = Math.max(box.w, box.h) / 100;
  const xy = (p: Place) => `${p.xM.toFixed(2)},${(-p.yM).toFixed(2)}`;
  const bank = (side: 'left' | 'right') =>
    featuresOf(plan!, 'bank')
      .filter((b) => b.side === side)
      .flatMap((b) => shapePlaces(b.shape))
      .map(ofPlan)
      .map(xy);
  const along = (share: number) => ofPlan({ xM: plan!.lengthM * share, yM: 0 });
  return (
    <svg
      className={css.linesPicture}
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      role="img"
      aria-label={`${lines.length} lines and ${points.length} places of the file, north up${plan ? `; the water between the two banks, running ${plan.lengthM.toFixed(0)} m` : ''}`}
    >
      {own && (
        <>
          <polygon
            points={[...bank('left'), ...bank('right').reverse()].join(' ')}
            fill="var(--wet)"
          />
          <Arrow from={along(0.75)} to={along(0.25)} unit={unit} />
        </>
      )}
      {lines.map((line, i) => (
        <g key={i}>
          <polyline
            points={line.map(xy).join(' ')}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={0.5 * unit}
          />
          <text
            x={line[0]!.xM + unit}
            y={-line[0]!.yM}
            style={{ fontSize: 6 * unit, fontWeight: 700 }}
            fill="var(--ink)"
            stroke="var(--paper)"
            strokeWidth={1.4 * unit}
            paintOrder="stroke"
          >
            {lineLetter(i)}
          </text>
        </g>
      ))}
      {points.map((p, i) => (
        <circle
          key={i}
          cx={p.xM}
          cy={-p.yM}
          r={unit}
          fill="var(--rock)"
          stroke="var(--ink)"
          strokeWidth={0.3 * unit}
        />
      ))}
    </svg>
  );
}

/** Which way the water runs. */
function Arrow({ from, to, unit }: { from: Place; to: Place; unit: number }) {
  const length = Math.hypot(to.xM - from.xM, to.yM - from.yM) || 1;
  const [ux, uy] = [(to.xM - from.xM) / length, -(to.yM - from.yM) / length];
  const [x, y] = [to.xM, -to.yM];
  const head = 4 * unit;
  return (
    <path
      d={`M${from.xM} ${-from.yM}L${x} ${y}M${x - head * (ux + 0.5 * uy)} ${y - head * (uy - 0.5 * ux)}L${x} ${y}L${x - head * (ux - 0.5 * uy)} ${y - head * (uy + 0.5 * ux)}`}
      fill="none"
      stroke="var(--ink2)"
      strokeWidth={0.8 * unit}
    />
  );
}
