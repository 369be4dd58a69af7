'use client';

import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { usePart } from '../../context';
import { Hollow } from '../../../drawing/hollow';
import css from './read.module.css';
import drawn from '../../../drawing/marks.module.css';
import { Label, RoundRoom } from '../../../drawing/label-room';

/** Quick reads placed on this beat: hollow stones, since they were told and not solved. */
export function ReadsLayer({ camera }: { camera: Camera }) {
  const reads = usePart((s) => s.reads);
  return (
    <g aria-hidden="true">
      {reads
        .filter((r) => r.xM !== null && r.yM !== null)
        .map((r) => (
          <g key={r.id} transform={`translate(${pageX(camera, r.xM!)} ${pageY(camera, r.yM!)})`}>
            <Hollow r={13} />
            <text y={5} textAnchor="middle" className={`${css.lieChange} ${drawn.cased}`}>
              {r.result.rating}
            </text>
            <RoundRoom x={pageX(camera, r.xM!)} y={pageY(camera, r.yM!)} r={14} />
            <Label
              kind="told"
              text="as told"
              at={[pageX(camera, r.xM!), pageY(camera, r.yM!)]}
              clear={14}
            />
          </g>
        ))}
    </g>
  );
}
