'use client';

import { useCallback, useMemo, useRef } from 'react';
import type { FlowField } from '../../core/water/index';
import { worldX, worldY, type Camera } from '../../drawing/camera';
import { useActions, usePart, useWorkspace } from '../context';
import { traceDepthLines } from '../../drawing/depth-lines';
import { Furniture } from '../../drawing/furniture';
import { LandLayer } from '../../drawing/land-layer';
import { LiesLayer } from '../steps/read/lies-layer';
import { MarksLayer, RingLayer } from '../steps/spot/marks-layer';
import {
  CastLayer,
  ProbeLayer,
  ReadingLayer,
  ReadsLayer,
  ShadeLayer,
  SpotLayer,
  StalkLayer,
} from './steps';
import { WaterCanvas, WaterLines } from '../../drawing/water-layer';
import { usePanZoom } from '../../drawing/use-pan-zoom';
import { useThemeName } from '../../drawing/use-theme-name';
import { valueOf } from '../state/answer';
import { createStalkActions } from '../steps/stalk/stalk-actions';
import { createMarkActions } from '../records/mark-actions';
import { createReadActions } from '../steps/read/read-actions';
import { usePhone } from '../../ui/use-phone';
import drawn from '../../drawing/marks.module.css';
import { LabelRoom, MarkRoom } from '../../drawing/label-room';

/** The plan: painted water under SVG marks. Wheel and pinch zoom, drag pans, a click places a mark. */
export function PlanView({
  camera,
  setCamera,
  width,
  height,
}: {
  camera: Camera;
  setCamera: (change: (c: Camera) => Camera) => void;
  width: number;
  height: number;
}) {
  const { beat } = useWorkspace();
  const reader = useActions(createReadActions);
  const marking = useActions(createMarkActions);
  const stalking = useActions(createStalkActions);
  const theme = useThemeName();
  const flow = usePart((s) => s.flow);
  const stale = usePart((s) => s.flowStale);
  const layer = usePart((s) => s.layer);
  const placing = usePart((s) => s.placing);
  const tapping = usePart((s) => s.tapping);
  const placingRead = usePart((s) => s.placingRead);
  const stalkTool = usePart((s) => s.stalkTool);
  const units = usePart((s) => s.settings.units);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const step = usePart((s) => s.step);
  const reading = usePart((s) => valueOf(s, 'reading'));
  const over = usePart((s) => s.over);
  const level = usePart((s) => s.level);
  const lines = useMemo(() => flow && traceDepthLines(flow, heightM), [flow, heightM]);
  const svg = useRef<SVGSVGElement>(null);
  const frame = useRef(0);
  const hold = usePanZoom(svg, setCamera);

  const { store } = useWorkspace();
  const onPainted = useCallback(
    (paintedFlow: FlowField) => store.setState({ paintedFlow }),
    [store],
  );
  const painted = usePart((s) => s.paintedFlow !== null);

  const onClick = (event: React.MouseEvent<SVGSVGElement>) => {
    if (hold.current.moved) return;
    const box = event.currentTarget.getBoundingClientRect();
    const place = {
      xM: worldX(camera, event.clientX - box.left),
      yM: worldY(camera, event.clientY - box.top),
    };
    if (stalkTool === 'forbid') stalking.forbid(place);
    else if (stalkTool === 'from') stalking.startFrom(place);
    else if (tapping) marking.tapRise(place);
    else if (placingRead) reader.placeRead(placingRead, place);
    else if (placing) marking.placeMark(place);
    else if (step === 'read') reader.probeAt(place);
  };
  /** The probe follows the pointer, once a frame; a finger is not a pointer that hovers. */
  const onPointerMove = (event: React.PointerEvent<SVGSVGElement>) => {
    if (step !== 'read' || event.pointerType === 'touch' || event.buttons !== 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    const place = {
      xM: worldX(camera, event.clientX - box.left),
      yM: worldY(camera, event.clientY - box.top),
    };
    frame.current ||= requestAnimationFrame(() => {
      frame.current = 0;
      reader.probeAt(place);
    });
  };
  return (
    <div
      className={`${drawn.plan}${placing || placingRead || tapping || stalkTool ? ` ${drawn.placing}` : ''}`}
    >
      <div style={{ opacity: stale ? 0.75 : 1 }}>
        <WaterCanvas
          flow={flow}
          quantity={layer}
          theme={theme}
          camera={camera}
          width={width}
          height={height}
          onPainted={onPainted}
        />
      </div>
      <svg
        ref={svg}
        width={width}
        height={height}
        onClick={onClick}
        onPointerMove={onPointerMove}
        role="group"
        aria-label={`Plan of ${beat.plan.name}, up-current to the right`}
      >
        <LabelRoom camera={camera} width={width} height={height}>
          {flow && lines && (
            <WaterLines flow={flow} camera={camera} lines={lines} named={layer === 'depth'} />
          )}
          <LandLayer plan={beat.plan} camera={camera} cellM={flow?.cellM ?? 0.2} />
          {flow && reading && step === 'read' && (
            <ReadingLayer
              flow={flow}
              reading={reading}
              over={over}
              camera={camera}
              units={units}
              {...(level === beat.plan.surveyedLevel && { plan: beat.plan })}
            />
          )}
          <RingLayer camera={camera} />
          {/* Stones on blank paper would say nothing: the water comes first. */}
          {painted && <LiesLayer camera={camera} />}
          {step === 'read' && <ReadsLayer camera={camera} />}
          {step === 'spot' && <ShadeLayer camera={camera} />}
          {step === 'spot' && <SpotLayer camera={camera} width={width} height={height} />}
          <StalkLayer camera={camera} />
          <CastLayer camera={camera} />
          <MarksLayer camera={camera} />
          {step === 'read' && <ProbeLayer camera={camera} />}
          <ZoomRoom width={width} height={height} />
          <Furniture
            camera={camera}
            width={width}
            height={height}
            bearingDeg={beat.plan.bearingDeg}
            units={units}
          />
        </LabelRoom>
      </svg>
    </div>
  );
}

/** The keys at the edge of the plan: no label lies under them. */
function ZoomRoom({ width, height }: { width: number; height: number }) {
  const phone = usePhone();
  return phone ? (
    <MarkRoom x={width - 52} y={height - 166} w={52} h={124} />
  ) : (
    <MarkRoom x={width - 46} y={62} w={46} h={94} />
  );
}
