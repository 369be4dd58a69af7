'use client';

import { memo } from 'react';
import { createRandom } from '../core/grid/index';
import { featuresOf, shapePlaces, type BeatPlan, type Shape } from '../core/formats/index';
import { boulderIsSolved } from '../core/lies/index';
import { linePath, smoothPath } from './shapes';
import { pageX, pageY, type Camera } from './camera';
import drawn from './marks.module.css';
import { RoundRoom } from './label-room';

/** What stands on and round the water: trees, bushes, boulders, logs, steps, entry, hazards. Quiet. */
export const LandLayer = memo(function LandLayer({
  plan,
  camera,
  cellM,
}: {
  plan: BeatPlan;
  camera: Camera;
  cellM: number;
}) {
  const xy = (p: { xM: number; yM: number }): [number, number] => [
    pageX(camera, p.xM),
    pageY(camera, p.yM),
  ];
  const centre = (shape: Shape): [number, number] => {
    const places = shapePlaces(shape);
    return xy({
      xM: places.reduce((s, p) => s + p.xM, 0) / places.length,
      yM: places.reduce((s, p) => s + p.yM, 0) / places.length,
    });
  };
  return (
    <g aria-hidden="true">
      {featuresOf(plan, 'overhang').map((o, i) => (
        <path key={i} d={`${linePath(shapePlaces(o.shape).map(xy))}Z`} className={drawn.overhang} />
      ))}
      {featuresOf(plan, 'ledge').map((l, i) => (
        <path key={i} d={smoothPath(shapePlaces(l.shape).map(xy), false)} className={drawn.ledge} />
      ))}
      {featuresOf(plan, 'bank')
        .filter((b) => b.form === 'undercut')
        .map((b, i) => (
          <path
            key={i}
            d={smoothPath(shapePlaces(b.shape).map(xy), false)}
            className={drawn.undercut}
          />
        ))}
      {featuresOf(plan, 'boulder').map((b, i) => {
        const [x, y] = centre(b.shape);
        const solved = boulderIsSolved(b.diameterM, cellM);
        return (
          <Boulder
            key={i}
            x={x}
            y={y}
            r={(b.diameterM / 2) * camera.scale}
            seed={i + 3}
            solved={solved}
          />
        );
      })}
      {[...featuresOf(plan, 'log'), ...featuresOf(plan, 'rootwad')].map((l, i) => {
        const d = linePath(shapePlaces(l.shape).map(xy));
        const w = Math.max(3, l.diameterM * camera.scale);
        if (l.shape.type === 'Polygon')
          return (
            <path
              key={i}
              d={`${d}Z`}
              fill="var(--rock)"
              stroke="var(--rockline)"
              strokeWidth={1.1}
              strokeDasharray="14 5"
            />
          );
        return (
          <g key={i}>
            <path d={d} stroke="var(--rockline)" strokeWidth={w + 2.2} strokeLinecap="square" />
            <path d={d} stroke="var(--rock)" strokeWidth={w} strokeLinecap="square" />
            <path d={d} stroke="var(--rockline)" strokeWidth={0.9} strokeDasharray="14 5" />
          </g>
        );
      })}
      {featuresOf(plan, 'bush').map((b, i) => {
        const d =
          b.shape.type === 'Polygon'
            ? smoothPath(b.shape.ring.map(xy), true)
            : crown(centre(b.shape), ((b.crownM ?? 2) / 2) * camera.scale, i + 40);
        return <path key={i} d={d} className={drawn.bush} />;
      })}
      {featuresOf(plan, 'tree').map((t, i) => (
        <g key={i}>
          <path
            d={crown(centre(t.shape), ((t.crownM ?? 3) / 2) * camera.scale, i + 90)}
            className={drawn.tree}
          />
          <circle cx={centre(t.shape)[0]} cy={centre(t.shape)[1]} r={2.2} fill="var(--leaf)" />
        </g>
      ))}
      {featuresOf(plan, 'hazard').map((h, i) => {
        const [x, y] = centre(h.shape);
        return (
          <g key={i} transform={`translate(${x} ${y})`}>
            <path
              data-mark="hazard"
              d="M0,-9 L10,8 L-10,8Z"
              fill="var(--caution)"
              stroke="var(--caution-ink)"
              strokeWidth={1.4}
            />
            <path
              d="M-3,6 L3,-4 M1,6 L5,0 M-7,6 L-1,-4"
              stroke="var(--caution-ink)"
              strokeWidth={1.6}
            />
            <title>{h.note}</title>
            <RoundRoom x={x} y={y} r={11} />
          </g>
        );
      })}
      {featuresOf(plan, 'entry').map((e, i) => {
        const [x, y] = centre(e.shape);
        return (
          <path
            key={i}
            d={`M${x - 3},${y - 9}v18 M${x + 3},${y - 9}v18`}
            stroke="var(--angler)"
            strokeWidth={2.2}
          />
        );
      })}
    </g>
  );
});

function crown([x, y]: [number, number], r: number, seed: number): string {
  const random = createRandom(seed);
  const points: [number, number][] = [];
  const lobes = 14;
  for (let n = 0; n < lobes; n++) {
    const a = (2 * Math.PI * n) / lobes;
    const d = r * (0.88 + 0.2 * random());
    points.push([x + d * Math.cos(a), y + d * Math.sin(a)]);
  }
  return smoothPath(points, true);
}

function Boulder({
  x,
  y,
  r,
  seed,
  solved,
}: {
  x: number;
  y: number;
  r: number;
  seed: number;
  solved: boolean;
}) {
  const random = createRandom(seed);
  const points: [number, number][] = [];
  for (let n = 0; n < 9; n++) {
    const a = (2 * Math.PI * (n + 0.5 * random())) / 9;
    const d = r * (0.9 + 0.16 * random());
    points.push([x + d * Math.cos(a), y + d * Math.sin(a)]);
  }
  const facet = (deg: number) => {
    const a = (deg * Math.PI) / 180;
    return `M${x},${y}L${x + 0.72 * r * Math.cos(a)},${y + 0.72 * r * Math.sin(a)}`;
  };
  const turn = 360 * random();
  return (
    <g>
      <path
        d={`${linePath(points)}Z`}
        fill="var(--rock)"
        stroke="var(--rockline)"
        strokeWidth={1.1}
        strokeDasharray={solved ? undefined : '3 2'}
      />
      {r > 5 && (
        <path
          d={facet(turn) + facet(turn + 125) + facet(turn + 240)}
          stroke="var(--rockline)"
          strokeWidth={0.9}
        />
      )}
    </g>
  );
}
