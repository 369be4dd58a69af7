'use client';

import { useMemo } from 'react';
import { cellIndex } from '../../core/grid/index';
import { pageX, type Camera } from '../../drawing/camera';
import { usePart } from '../context';
import { linePath } from '../../drawing/shapes';

import type { Cut } from './cut';
import { valueOf } from '../state/answer';
import css from './section.module.css';
import drawn from '../../drawing/marks.module.css';

export function SectionLines({
  cut,
  camera,
  y,
  height,
}: {
  cut: Cut;
  camera: Camera;
  y: (m: number) => number;
  height: number;
}) {
  const line = (values: number[]) =>
    values.map((v, i): [number, number] => [pageX(camera, cut.x[i]!), y(v)]);
  const bed = line(cut.bed);
  const right = bed[bed.length - 1]![0];
  const left = bed[0]![0];
  return (
    <g aria-hidden="true">
      <path d={`${linePath(bed)}L${right},${height}L${left},${height}Z`} fill="var(--land)" />
      {bed
        .filter((_, i) => i % 2 === 0)
        .map(([x, py], i) => (
          <ellipse
            key={i}
            cx={x}
            cy={py + 2}
            rx={3 + ((i * 7) % 3)}
            ry={2.2 + ((i * 5) % 2)}
            fill="var(--land)"
            stroke="var(--rockline)"
            strokeWidth={0.9}
          />
        ))}
      <path d={linePath(line(cut.surface))} className={css.surface} />
    </g>
  );
}

/** A name narrower than this has no room on the section, px. */
const NAME_PX = 46;

/** The pieces along the cut, under the bed. */
export function SectionPieces({
  cut,
  camera,
  width,
  height,
}: {
  cut: Cut;
  camera: Camera;
  width: number;
  height: number;
}) {
  const flow = usePart((s) => s.flow);
  const reading = usePart((s) => valueOf(s, 'reading'));
  const runs = useMemo(() => {
    const out: { kind: string; from: number; to: number }[] = [];
    if (!flow || !reading || reading.pieces.ofCell.length !== flow.depthM.length) return out;
    for (const xM of cut.x) {
      const k = cellIndex(flow, xM, cut.lineYM(xM));
      const piece = k < 0 ? -1 : reading.pieces.ofCell[k]!;
      const kind = piece < 0 ? '' : reading.pieces.pieces[piece]!.kind;
      const last = out[out.length - 1];
      if (last && last.kind === kind) last.to = xM;
      else out.push({ kind, from: xM, to: xM });
    }
    return out;
  }, [cut, flow, reading]);
  return (
    <g aria-hidden="true">
      {runs.map((r) => {
        const [a, b] = [pageX(camera, r.from), pageX(camera, r.to)];
        const middle = (a + b) / 2;
        if (r.kind === '' || b < 0 || a > width) return null;
        return (
          <g key={r.from}>
            <path
              d={`M${a},${height - 20}v8M${b},${height - 20}v8M${a},${height - 16}H${b}`}
              className={css.pieceSpan}
            />
            {b - a > NAME_PX && (
              <text
                x={middle}
                y={height - 4}
                textAnchor="middle"
                className={`${drawn.furniture} ${drawn.cased}`}
              >
                {r.kind}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
