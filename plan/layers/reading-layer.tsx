'use client';

import { contours } from 'd3-contour';
import { memo, useMemo } from 'react';
import type { FlowField, Piece, WaterReading } from '../../core/water/index';
import { formatDepth, paceWord, type UnitSystem } from '../../core/units/index';
import { pageX, pageY, type Camera } from '../camera';
import { linePath } from '../drawing/shapes';
import type { Overlay } from '../state';

/** A piece smaller than this is drawn, but not named, m2. */
const NAMED_M2 = 3;
/** Ticks on a leaf's way, s; every second one carries its time. */
const TICK_S = 5;

/** What is read from the water, over it: pieces, seams, foam lines, the ways of leaves. */
export const ReadingLayer = memo(function ReadingLayer({
  flow,
  reading,
  over,
  camera,
  units,
}: {
  flow: FlowField;
  reading: WaterReading;
  over: Record<Overlay, boolean>;
  camera: Camera;
  units: UnitSystem;
}) {
  return (
    <g aria-hidden="true">
      {over.pieces && <Pieces flow={flow} reading={reading} camera={camera} units={units} />}
      {over.foam && <Lines lines={reading.foam} camera={camera} name="foam" />}
      {over.seams && <Lines lines={reading.seams} camera={camera} name="seam" />}
      {over.leaves && <Leaves reading={reading} camera={camera} />}
    </g>
  );
});

function Pieces({
  flow,
  reading,
  camera,
  units,
}: {
  flow: FlowField;
  reading: WaterReading;
  camera: Camera;
  units: UnitSystem;
}) {
  const outlines = useMemo(() => outlinesOf(flow, reading), [flow, reading]);
  const names = useMemo(() => placeNames(reading.pieces.pieces, camera), [reading, camera]);
  const d = outlines
    .map((ring) => linePath(ring.map(([x, y]) => [pageX(camera, x), pageY(camera, y)])))
    .join('');
  return (
    <>
      <path d={d} className="piece-case" />
      <path d={d} className="piece-line" />
      {names.map(({ piece, x, y }, i) => (
        <g key={i}>
          <text x={x} y={y} textAnchor="middle" className="piece-label cased">
            {piece.kind}
          </text>
          <text x={x} y={y + 15} textAnchor="middle" className="furniture cased">
            {formatDepth(piece.meanDepthM, units)}, {paceWord(piece.paceMps)}
          </text>
        </g>
      ))}
    </>
  );
}

/** Borders between pieces, as smooth rings in the plan frame. The shore is drawn elsewhere. */
function outlinesOf(flow: FlowField, reading: WaterReading): [number, number][][] {
  const { nx, ny } = flow;
  const { ofCell, pieces } = reading.pieces;
  const trace = contours().size([nx, ny]).smooth(true);
  const mask = new Array<number>(nx * ny);
  return pieces.flatMap((_, p) => {
    for (let k = 0; k < mask.length; k++) mask[k] = ofCell[k] === p ? 1 : 0;
    return trace
      .contour(mask, 0.5)
      .coordinates.flatMap((polygon) =>
        polygon.map((ring) =>
          ring.map((q): [number, number] => [
            flow.x0M + (q[0]! - 0.5) * flow.cellM,
            flow.y0M + (q[1]! - 0.5) * flow.cellM,
          ]),
        ),
      );
  });
}

const NAME_BOX = { width: 96, height: 38 };

/** Largest first; a name that would lie on another is left out at this scale. */
function placeNames(pieces: readonly Piece[], camera: Camera) {
  const placed: { piece: Piece; x: number; y: number }[] = [];
  const bySize = pieces.filter((p) => p.areaM2 >= NAMED_M2).sort((a, b) => b.areaM2 - a.areaM2);
  for (const piece of bySize) {
    const x = pageX(camera, piece.xM);
    const y = pageY(camera, piece.yM);
    const free = placed.every(
      (o) => Math.abs(o.x - x) > NAME_BOX.width || Math.abs(o.y - y) > NAME_BOX.height,
    );
    if (free) placed.push({ piece, x, y });
  }
  return placed;
}

function Lines({
  lines,
  camera,
  name,
}: {
  lines: WaterReading['seams'];
  camera: Camera;
  name: 'seam' | 'foam';
}) {
  const d = lines
    .map((l) => linePath(l.places.map((p) => [pageX(camera, p.xM), pageY(camera, p.yM)])))
    .join('');
  return (
    <>
      <path d={d} className={`${name}-case`} />
      <path d={d} className={`${name}-line`} />
    </>
  );
}

function Leaves({ reading, camera }: { reading: WaterReading; camera: Camera }) {
  return (
    <>
      {reading.leaves.map((leaf, i) => {
        const points = leaf.places.map((p): [number, number] => [
          pageX(camera, p.xM),
          pageY(camera, p.yM),
        ]);
        const ticks = ticksOf(leaf.timeS, points);
        return (
          <g key={i}>
            <path d={linePath(points)} className="leaf-case" />
            <path d={linePath(points)} className="leaf-line" />
            {ticks.map((t) => (
              <g key={t.s} transform={`translate(${t.x} ${t.y})`}>
                <circle r={2.6} className="leaf-tick" />
                {i % 3 === 1 && t.s % (2 * TICK_S) === 0 && (
                  <text x={5} y={-4} className="furniture small cased">
                    {t.s} s
                  </text>
                )}
              </g>
            ))}
          </g>
        );
      })}
    </>
  );
}

function ticksOf(timeS: readonly number[], points: readonly [number, number][]) {
  const out: { s: number; x: number; y: number }[] = [];
  let next = TICK_S;
  for (let i = 1; i < timeS.length; i++) {
    while (timeS[i]! >= next) {
      const f = (next - timeS[i - 1]!) / Math.max(1e-9, timeS[i]! - timeS[i - 1]!);
      const [a, b] = [points[i - 1]!, points[i]!];
      out.push({ s: next, x: a[0] + f * (b[0] - a[0]), y: a[1] + f * (b[1] - a[1]) });
      next += TICK_S;
    }
  }
  return out;
}
