'use client';

import { useMemo } from 'react';
import type { Camera } from '../../../drawing/camera';
import { usePart, useWorkspace } from '../../context';
import { traceDepthLines } from '../../../drawing/depth-lines';
import { LandLayer } from '../../../drawing/land-layer';
import { ReadingLayer } from './reading-layer';
import { WaterCanvas, WaterLines } from '../../../drawing/water-layer';
import { useThemeName } from '../../../drawing/use-theme-name';
import { freshOf } from '../../state/answer';
import drawn from '../../../drawing/marks.module.css';
import { Label, LabelRoom } from '../../../drawing/label-room';
import { textWidth } from '../../../drawing/label-kinds';

/** The same beat at another level, under the plan and on the same x. */
export function CompareView({
  camera,
  width,
  height,
}: {
  camera: Camera;
  width: number;
  height: number;
}) {
  const { beat } = useWorkspace();
  const theme = useThemeName();
  const level = usePart((s) => s.compareLevel);
  const flow = usePart((s) => s.other);
  const reading = usePart((s) => freshOf(s, 'otherReading'));
  const state = usePart((s) => s.otherState);
  const layer = usePart((s) => s.layer);
  const over = usePart((s) => s.over);
  const units = usePart((s) => s.settings.units);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const planHeight = usePart((s) => s.planHeightPx);
  const lines = useMemo(() => flow && traceDepthLines(flow, heightM), [flow, heightM]);
  // The middle of the plan above stays the middle here.
  const here = { ...camera, topM: camera.topM - (planHeight - height) / 2 / camera.scale };
  const ready = state.kind === 'ready';
  return (
    <div className={drawn.plan}>
      {flow && (
        <div style={{ opacity: ready ? 1 : 0.75 }}>
          <WaterCanvas
            flow={flow}
            quantity={layer}
            theme={theme}
            camera={here}
            width={width}
            height={height}
          />
        </div>
      )}
      <svg width={width} height={height} role="img" aria-label={`The same beat at ${level} level`}>
        <LabelRoom camera={here} width={width} height={height}>
          {flow && lines && (
            <WaterLines flow={flow} camera={here} lines={lines} named={layer === 'depth'} />
          )}
          <LandLayer plan={beat.plan} camera={here} cellM={flow?.cellM ?? 0.2} />
          {flow && reading && (
            <ReadingLayer flow={flow} reading={reading} over={over} camera={here} units={units} />
          )}
          <Label
            kind="bank"
            text={`at ${level}`}
            spots={[[16 + textWidth(`at ${level}`, 'bank') / 2, 21]]}
          />
        </LabelRoom>
      </svg>
    </div>
  );
}
