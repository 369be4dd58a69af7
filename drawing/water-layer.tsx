'use client';

import { memo, useEffect, useMemo, useRef, useState } from 'react';
import type { FlowField } from '../core/water/index';
import type { Theme } from '../ui/tokens';
import { spawnPaint, latestWins } from '../workers/client';
import type { PaintedWater } from '../workers/paint-water';
import { pageX, pageY, type Camera } from './camera';
import { wordSpots, type DepthLines } from './depth-lines';
import { Label } from './label-room';
import { paintJob } from './paint-job';
import drawn from './marks.module.css';

/** A first picture is painted this rough: there in a tenth of a second. */
const ROUGH_PX_PER_M = 16;
/** The painted water on a canvas: painted once for a flow, theme and scale, then only moved. */
export function WaterCanvas({
  flow,
  quantity,
  theme,
  camera,
  width,
  height,
  onPainted,
}: {
  /** null until there is one: the painter is made ready meanwhile. */
  flow: FlowField | null;
  quantity: 'depth' | 'pace';
  theme: Theme;
  camera: Camera;
  width: number;
  height: number;
  /** A picture of this flow is on the canvas, first a rough one. */
  onPainted?: (flow: FlowField) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [painted, setPainted] = useState<{ canvas: HTMLCanvasElement; of: string } | null>(null);
  const told = useRef(onPainted);
  useEffect(() => {
    told.current = onPainted;
  });
  const asked = useRef<{ flow: FlowField; of: string } | null>(null);
  const ask = useRef<((job: PaintRequest) => void) | null>(null);
  useEffect(() => {
    const worker = spawnPaint(() => setPainted(null));
    ask.current = latestWins(
      (r: PaintRequest): Promise<PaintedWater> => worker.call.paint(r),
      (result, r) => {
        setPainted({ canvas: toCanvas(result), of: pictureOf(r.quantity, r.dim) });
        told.current?.(r.flow);
      },
      () => setPainted(null),
    );
    return () => worker.terminate();
  }, []);
  const pxPerM = paintScale(camera.scale);
  useEffect(() => {
    // Another picture comes rough at once, then fine; another scale only fine.
    const of = `${quantity} ${theme}`;
    if (!flow) return;
    const same = asked.current?.flow === flow && asked.current.of === of;
    if (!same && pxPerM > ROUGH_PX_PER_M)
      ask.current?.(paintJob(flow, quantity, theme, ROUGH_PX_PER_M));
    asked.current = { flow, of };
    ask.current?.(paintJob(flow, quantity, theme, pxPerM));
  }, [flow, quantity, theme, pxPerM]);
  useEffect(() => {
    const target = canvas.current;
    if (!target || width === 0) return;
    const ratio = window.devicePixelRatio || 1;
    target.width = Math.round(width * ratio);
    target.height = Math.round(height * ratio);
    const pen = target.getContext('2d')!;
    pen.clearRect(0, 0, target.width, target.height);
    if (!painted || !flow) return;
    const x = pageX(camera, flow.x0M - flow.cellM / 2);
    const y = pageY(camera, flow.y0M + (flow.ny - 0.5) * flow.cellM);
    pen.imageSmoothingQuality = 'high';
    pen.drawImage(
      painted.canvas,
      x * ratio,
      y * ratio,
      flow.nx * flow.cellM * camera.scale * ratio,
      flow.ny * flow.cellM * camera.scale * ratio,
    );
  }, [painted, camera, width, height, flow]);
  const current = painted?.of === pictureOf(quantity, theme === 'dim');
  // Another quantity or light than the key says is not shown as if it were right.
  return (
    <canvas
      ref={canvas}
      className={drawn.water}
      aria-hidden="true"
      data-shows={current ? quantity : 'stale'}
      style={{ width, height, opacity: current ? 1 : 0.25 }}
    />
  );
}

const pictureOf = (quantity: string, dim: boolean) => `${quantity} ${dim ? 'dim' : 'light'}`;

type PaintRequest = Parameters<ReturnType<typeof spawnPaint>['call']['paint']>[0];

/** Painted at the device's resolution in steps of two, so that a slow zoom does not repaint each frame. */
function paintScale(scale: number): number {
  const device = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
  return Math.min(64, 16 * 2 ** Math.ceil(Math.log2((scale * device) / 16 - 1e-9)));
}

function toCanvas(p: PaintedWater): HTMLCanvasElement {
  const out = document.createElement('canvas');
  out.width = p.width;
  out.height = p.height;
  out.getContext('2d')!.putImageData(new ImageData(p.rgba, p.width, p.height), 0, 0);
  return out;
}

/** Waterline, depth lines with their words, and the curled ticks of water that turns back. */
export const WaterLines = memo(function WaterLines({
  flow,
  camera,
  lines,
  named,
}: {
  flow: FlowField;
  camera: Camera;
  lines: DepthLines;
  /** The lines of depth with their words; else the waterline alone. */
  named: boolean;
}) {
  const back = useMemo(() => turnedBack(flow), [flow]);
  const lengthM = flow.nx * flow.cellM;
  // The outline is closed along the ends of the beat; there it is no shore, and the pen is lifted.
  const atEnd = (x: number) => x < 0.25 || x > lengthM - 0.25;
  const path = (rings: number[][][]) =>
    rings
      .map((ring) =>
        ring
          .map(([x, y], i) => {
            const lift = i === 0 || (atEnd(x!) && atEnd(ring[i - 1]![0]!));
            return `${lift ? 'M' : 'L'}${pageX(camera, x!).toFixed(1)},${pageY(camera, y!).toFixed(1)}`;
          })
          .join(''),
      )
      .join('');
  return (
    <g aria-hidden="true">
      {named &&
        lines.depths.map((d) => (
          <path key={d.word} d={path(d.rings)} className={drawn.depthLine} />
        ))}
      {named &&
        lines.depths.map((d) => (
          <Label key={d.word} kind="depth" text={d.word} spots={wordSpots(d.rings, camera)} />
        ))}
      <path d={path(lines.shore)} className={drawn.shore} />
      {back.map((t, i) => (
        <g
          key={i}
          transform={`translate(${pageX(camera, t.xM)} ${pageY(camera, t.yM)}) rotate(${t.deg})`}
        >
          <path d="M-6,3 C-2,3 4,2 5,-1 C5.4,-3.4 2.6,-4 1.6,-2.2" className={drawn.turnedCase} />
          <path d="M-6,3 C-2,3 4,2 5,-1 C5.4,-3.4 2.6,-4 1.6,-2.2" className={drawn.turned} />
        </g>
      ))}
    </g>
  );
});

/** Open ticks, one about every metre and a half, where the water runs up the valley. */
function turnedBack(flow: FlowField): { xM: number; yM: number; deg: number }[] {
  const out: { xM: number; yM: number; deg: number }[] = [];
  for (let j = 2; j < flow.ny - 2; j += 2) {
    for (let i = 2; i < flow.nx - 2; i += 2) {
      const k = j * flow.nx + i;
      if (!(flow.u[k]! > 0.04) || flow.depthM[k]! < 0.06) continue;
      const xM = flow.x0M + i * flow.cellM;
      const yM = flow.y0M + j * flow.cellM;
      if (out.some((o) => Math.hypot(o.xM - xM, o.yM - yM) < 1)) continue;
      out.push({ xM, yM, deg: (-Math.atan2(flow.v[k]!, flow.u[k]!) * 180) / Math.PI });
    }
  }
  return out;
}
