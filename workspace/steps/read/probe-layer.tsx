'use client';

import { formatDepth, paceWord } from '../../../core/units/index';
import { pageDeg, pageX, pageY, type Camera } from '../../../drawing/camera';
import { useActions, usePart } from '../../context';
import { useDrag } from '../../../drawing/use-drag';
import { createReadActions } from './read-actions';
import css from './read.module.css';
import drawn from '../../../drawing/marks.module.css';
import { Label } from '../../../drawing/label-room';

/** The probe: follows the pointer in Read, or the arrow keys once it has the focus. */
export function ProbeLayer({ camera }: { camera: Camera }) {
  const reader = useActions(createReadActions);
  const place = usePart((s) => s.probeAt);
  const probe = usePart((s) => s.probe);
  const units = usePart((s) => s.settings.units);
  const drag = useDrag(camera, place ?? { xM: 0, yM: 0 }, (to) => reader.probeAt(to));
  if (!place) return null;
  const [x, y] = [pageX(camera, place.xM), pageY(camera, place.yM)];
  return (
    <g>
      {probe && (
        <g transform={`translate(${x} ${y})`} aria-hidden="true">
          <g transform={`rotate(${pageDeg(probe.towardRad)})`}>
            <path
              d={`M8,0H${8 + 26 * Math.min(1.2, probe.surfaceSpeedMps)}`}
              className={css.probeArrow}
            />
          </g>
          <Label
            kind="probe"
            text={`${formatDepth(probe.depthM, units)}, ${paceWord(probe.surfaceSpeedMps)}`}
            at={[x, y]}
            clear={12}
            prefer="above"
          />
        </g>
      )}
      <circle
        {...drag}
        className={`${drawn.handle} ${drawn.probe}`}
        cx={x}
        cy={y}
        r={6}
        // For the keys only: under the pointer it must not catch what is meant for a lie.
        style={{ pointerEvents: 'none' }}
        role="button"
        aria-label={
          probe
            ? `Probe: ${formatDepth(probe.depthM, units)}, ${paceWord(probe.surfaceSpeedMps)}${probe.piece ? `, ${probe.piece}` : ''}. Arrow keys move it.`
            : 'Probe: dry ground. Arrow keys move it.'
        }
      />
    </g>
  );
}
