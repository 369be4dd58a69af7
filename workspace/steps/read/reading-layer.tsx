'use client';

import { contours } from 'd3-contour';
import { memo, useMemo } from 'react';
import { cellIndex } from '../../../core/grid/index';
import type { BeatPlan } from '../../../core/formats/index';
import { misfits, type FlowField, type WaterReading } from '../../../core/water/index';
import { formatDepth, paceWord, type UnitSystem } from '../../../core/units/index';
import { pageX, pageY, worldX, worldY, type Camera } from '../../../drawing/camera';
import { linePath } from '../../../drawing/shapes';
import type { Overlay } from '../../state/slices';
import css from './read.module.css';
import { Label } from '../../../drawing/label-room';
import { LABEL_KINDS } from '../../../drawing/label-kinds';

/** A piece smaller than this is drawn, but not named, m2. */
const NAMED_M2 = 3;
/** Ticks on a leaf's way, s; every second one carries its time. */
const TICK_S = 5;
const LEAST_TICK_PX = 11;

/** What is read from the water, over it: pieces, seams, foam lines, the ways of leaves. */
export const ReadingLayer = memo(function ReadingLayer({
  flow,
  reading,
  over,
  camera,
  units,
  plan,
}: {
  flow: FlowField;
  /** For the measured places; absent where they do not belong to this level. */
  plan?: BeatPlan;
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
      {over.measured && plan && <Measured plan={plan} flow={flow} camera={camera} units={units} />}
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
  const names = useMemo(() => namesOf(flow, reading, camera), [flow, reading, camera]);
  const d = outlines
    .map((line) => linePath(line.map(([x, y]) => [pageX(camera, x), pageY(camera, y)])))
    .join('');
  return (
    <>
      <path d={d} className={css.pieceCase} />
      <path d={d} className={css.pieceLine} />
      {names.map(({ piece, spots }, i) => (
        <Label
          key={i}
          kind="piece"
          text={[
            piece.kind,
            `${formatDepth(piece.meanDepthM, units)}, ${paceWord(piece.surfaceSpeedMps)}`,
          ]}
          spots={spots}
          // The larger piece first.
          priority={LABEL_KINDS.piece.priority - i / 100}
        />
      ))}
    </>
  );
}

/** Borders between two pieces, as smooth lines in the plan frame. The shore is drawn elsewhere. */
function outlinesOf(flow: FlowField, reading: WaterReading): [number, number][][] {
  const { nx, ny, cellM } = flow;
  const { ofCell, pieces } = reading.pieces;
  const trace = contours().size([nx, ny]).smooth(true);
  const mask = new Array<number>(nx * ny);
  const out: [number, number][][] = [];
  /** Dry ground or the end of the beat beside a place of the grid. */
  const atEdge = (gx: number, gy: number) => {
    const [i, j] = [Math.floor(gx - 0.5), Math.floor(gy - 0.5)];
    for (const [di, dj] of CORNERS) {
      const [ci, cj] = [i + di, j + dj];
      if (ci < 0 || cj < 0 || ci >= nx || cj >= ny || ofCell[cj * nx + ci] === -1) return true;
    }
    return false;
  };
  pieces.forEach((_, p) => {
    for (let k = 0; k < mask.length; k++) mask[k] = ofCell[k] === p ? 1 : 0;
    for (const polygon of trace.contour(mask, 0.5).coordinates) {
      for (const ring of polygon) {
        let line: [number, number][] = [];
        for (const q of ring) {
          if (atEdge(q[0]!, q[1]!)) {
            if (line.length > 1) out.push(line);
            line = [];
          } else line.push([flow.x0M + (q[0]! - 0.5) * cellM, flow.y0M + (q[1]! - 0.5) * cellM]);
        }
        if (line.length > 1) out.push(line);
      }
    }
  });
  return out;
}

const CORNERS = [
  [0, 0],
  [1, 0],
  [0, 1],
  [1, 1],
] as const;

/** Where a name may stand, off the middle of its piece, px. */
const NAME_OFFSETS = [
  [0, 0],
  [0, -30],
  [0, 30],
  [-60, 0],
  [60, 0],
  [-60, 26],
  [60, -26],
  [60, 26],
  [-60, -26],
  [0, -58],
  [0, 58],
  [110, 0],
  [-110, 0],
] as const;

/** The pieces that are named, largest first, and where each name may stand: over its own water or dry land. */
function namesOf(flow: FlowField, { pieces: { pieces, ofCell } }: WaterReading, camera: Camera) {
  const over = (x: number, y: number) => {
    const k = cellIndex(flow, worldX(camera, x), worldY(camera, y));
    return k < 0 ? -1 : ofCell[k]!;
  };
  return pieces
    .map((piece, own) => ({ piece, own }))
    .filter(({ piece }) => piece.areaM2 >= NAMED_M2)
    .sort((a, b) => b.piece.areaM2 - a.piece.areaM2)
    .map(({ piece, own }) => ({
      piece,
      spots: NAME_OFFSETS.map(
        ([dx, dy]) => [pageX(camera, piece.xM) + dx, pageY(camera, piece.yM) + dy] as const,
      ).filter(([x, y]) => over(x, y) === own || over(x, y) === -1),
    }));
}

/** Each depth that was taken, and how much deeper (+) or shallower (-) the water solved there is. */
function Measured({
  plan,
  flow,
  camera,
  units,
}: {
  plan: BeatPlan;
  flow: FlowField;
  camera: Camera;
  units: UnitSystem;
}) {
  const all = useMemo(() => misfits(plan, flow), [plan, flow]);
  return (
    <>
      {all.map((m, i) => {
        const off = m.solvedDepthM - m.takenDepthM;
        const [x, y] = [pageX(camera, m.xM), pageY(camera, m.yM)];
        const sign = off < 0 ? '−' : '+';
        return (
          <g key={i} transform={`translate(${x} ${y})`} data-part="measured">
            <path d={`M0,0V${(-60 * off).toFixed(1)}`} className={css.measuredBar} />
            <circle r={2.4} className={css.leafTick} />
            <Label
              kind="figure"
              text={`${sign}${formatDepth(Math.abs(off), units)}`}
              at={[x, y]}
              clear={3}
            />
          </g>
        );
      })}
    </>
  );
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
      <path d={d} className={name === 'foam' ? css.foamCase : css.seamCase} />
      <path d={d} className={name === 'foam' ? css.foamLine : css.seamLine} />
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
            <path d={linePath(points)} className={css.leafCase} />
            <path d={linePath(points)} className={css.leafLine} />
            {ticks.map((t) => (
              <g key={t.s} transform={`translate(${t.x} ${t.y})`}>
                <circle r={2.6} className={css.leafTick} />
                {i % 3 === 1 && t.s % (2 * TICK_S) === 0 && (
                  <Label kind="figure" text={`${t.s} s`} at={[t.x, t.y]} clear={4} />
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
      const [x, y] = [a[0] + f * (b[0] - a[0]), a[1] + f * (b[1] - a[1])];
      const last = out[out.length - 1];
      // In slow water the ticks would run together: what stands too near the last is left out.
      if (!last || Math.hypot(x - last.x, y - last.y) >= LEAST_TICK_PX) out.push({ s: next, x, y });
      next += TICK_S;
    }
  }
  return out;
}
