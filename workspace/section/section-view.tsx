'use client';

import { useMemo } from 'react';
import { type Place } from '../../core/grid/index';
import { type Camera } from '../../drawing/camera';
import { usePart } from '../context';
import { useThemeName } from '../../drawing/use-theme-name';
import { cutAlong, type Cut } from './cut';
import { SectionCanvas } from './section-canvas';
import { SectionKey } from './section-key';
import { SectionLines, SectionPieces } from './section-lines';
import { SectionMarks, type FlyDrawing } from './section-marks';
import { targetOf } from '../state/selectors';
import css from './section.module.css';

const SKY_PX = 34;
const GROUND_PX = 34;

/** The long section under the plan, on the same x: surface, bed, pace, fish at their depth. */
export function SectionView({
  camera,
  width,
  height,
  plain = false,
  fly,
}: {
  camera: Camera;
  width: number;
  height: number;
  /** Lines alone, for print: no colours of pace. */
  plain?: boolean;
  /** The fly on its way, drawn by the step that knows of it. */
  fly?: FlyDrawing;
}) {
  const flow = usePart((s) => s.flow);
  const stale = usePart((s) => s.flowStale);
  const target = usePart(targetOf);
  const theme = useThemeName();
  const along: Place | null = target;
  const cut = useMemo(() => (flow ? cutAlong(flow, along) : null), [flow, along]);
  if (!cut || !flow || width === 0) return <div className={css.section} />;
  const vertical = (height - SKY_PX - GROUND_PX) / Math.max(0.3, cut.highestM - cut.lowestM);
  const shownVertical = Math.min(vertical, 6 * camera.scale);
  const y = (heightM: number) => SKY_PX + (cut.highestM - heightM) * shownVertical;
  return (
    <div className={css.section} style={{ opacity: stale ? 0.75 : 1 }}>
      {!plain && (
        <SectionCanvas
          cut={cut}
          camera={camera}
          width={width}
          height={height}
          y={y}
          theme={theme}
        />
      )}
      <svg width={width} height={height} role="img" aria-label={sectionLabel(cut, target !== null)}>
        <SectionLines cut={cut} camera={camera} y={y} height={height} />
        <SectionPieces cut={cut} camera={camera} width={width} height={height} />
        <SectionMarks cut={cut} camera={camera} y={y} width={width} {...(fly && { fly })} />
        <SectionKey
          width={width}
          theme={theme}
          ratio={shownVertical / camera.scale}
          fallM={cut.fallM}
          levelled={cut.levelled}
          along={target !== null}
          plain={plain}
        />
      </svg>
    </div>
  );
}

const sectionLabel = (cut: Cut, lane: boolean) =>
  `Long section along ${lane ? 'the lane of the chosen fish' : 'the deepest line'}: deepest ${cut.deepestM.toFixed(2)} m, the surface falls ${cut.fallM.toFixed(2)} m.`;
