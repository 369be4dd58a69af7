'use client';

import { useEffect, useMemo, useRef, type ReactNode, type Ref } from 'react';
import { featuresOf, joinBank, shapePlaces, type BeatPlan } from '../core/formats/index';
import { createChannel, surveyedDepths } from '../core/water/index';
import type { UnitSystem } from '../core/units/index';
import { rampColour } from '../ui/colour';
import { DEPTH_RAMP, type Theme } from '../ui/tokens';
import { pageX, pageY, worldX, worldY, type Camera } from '../drawing/camera';
import { linePath } from '../drawing/shapes';
import { Furniture } from '../drawing/furniture';
import { LandLayer } from '../drawing/land-layer';
import { useThemeName } from '../drawing/use-theme-name';
import drawn from '../drawing/marks.module.css';
import { LabelRoom } from '../drawing/label-room';

/** A cell of the told depths, px. */
const CELL_PX = 5;
const SHADES = 32;
const DEEPEST_M = 1.2;

/** A beat as told or taped, before any water is solved: banks, depths between, what stands there. */
export function BeatDrawing({
  plan,
  camera,
  width,
  height,
  units,
  children,
  under,
  svgRef,
  onClick,
  onPointerMove,
  label,
  placing = false,
}: {
  plan: BeatPlan;
  camera: Camera;
  width: number;
  height: number;
  units: UnitSystem;
  children?: ReactNode;
  under?: ReactNode;
  svgRef?: Ref<SVGSVGElement>;
  onClick?: (event: React.MouseEvent<SVGSVGElement>) => void;
  onPointerMove?: (event: React.PointerEvent<SVGSVGElement>) => void;
  label: string;
  placing?: boolean;
}) {
  const theme = useThemeName();
  return (
    <div className={`${drawn.plan}${placing ? ` ${drawn.placing}` : ''}`}>
      <ToldDepths
        plan={plan}
        camera={camera}
        width={width}
        height={height}
        theme={theme}
        veiled={under !== undefined}
      />
      <svg
        ref={svgRef}
        width={width}
        height={height}
        onClick={onClick}
        onPointerMove={onPointerMove}
        role="group"
        aria-label={label}
      >
        {under}
        <Banks plan={plan} camera={camera} />
        <LabelRoom camera={camera} width={width} height={height}>
          <LandLayer plan={plan} camera={camera} cellM={0.2} />
          {children}
          <Furniture
            camera={camera}
            width={width}
            height={height}
            bearingDeg={plan.bearingDeg}
            units={units}
          />
        </LabelRoom>
      </svg>
    </div>
  );
}

function Banks({ plan, camera }: { plan: BeatPlan; camera: Camera }) {
  return (
    <g aria-hidden="true">
      {featuresOf(plan, 'bank').map((bank, i) => (
        <path
          key={i}
          d={linePath(
            shapePlaces(bank.shape).map((p) => [pageX(camera, p.xM), pageY(camera, p.yM)]),
          )}
          fill="none"
          stroke="var(--shore)"
          strokeWidth={1.6}
        />
      ))}
    </g>
  );
}

/** Depths between what was told, painted only where both banks stand and something was sounded. */
function ToldDepths({
  plan,
  camera,
  width,
  height,
  theme,
  veiled,
}: {
  plan: BeatPlan;
  camera: Camera;
  width: number;
  height: number;
  theme: Theme;
  veiled: boolean;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const depths = useMemo(() => depthsOf(plan), [plan]);
  const shades = useMemo(
    () =>
      Array.from({ length: SHADES + 1 }, (_, n) =>
        rampColour(DEPTH_RAMP[theme], (n / SHADES) * DEEPEST_M),
      ),
    [theme],
  );
  useEffect(() => {
    const target = canvas.current;
    if (!target || width === 0) return;
    target.width = width;
    target.height = height;
    const pen = target.getContext('2d')!;
    pen.clearRect(0, 0, width, height);
    if (!depths) return;
    for (let py = 0; py < height; py += CELL_PX) {
      for (let px = 0; px < width; px += CELL_PX) {
        const xM = worldX(camera, px + CELL_PX / 2);
        if (xM < 0 || xM > plan.lengthM) continue;
        const depth = depths(xM, worldY(camera, py + CELL_PX / 2));
        if (depth === null) continue;
        pen.fillStyle = shades[Math.min(SHADES, Math.round((depth / DEEPEST_M) * SHADES))]!;
        pen.fillRect(px, py, CELL_PX, CELL_PX);
      }
    }
  }, [depths, camera, width, height, shades, plan.lengthM]);
  return (
    <canvas
      ref={canvas}
      className={drawn.water}
      aria-hidden="true"
      style={{ width, height, opacity: veiled ? 0.55 : 1 }}
    />
  );
}

/** null where there is no bed to speak of; a function giving null on land. */
function depthsOf(plan: BeatPlan): ((xM: number, yM: number) => number | null) | null {
  if (joinBank(plan, 'left').problem || joinBank(plan, 'right').problem) return null;
  const channel = createChannel(plan);
  const sounded = featuresOf(plan, 'section').length + featuresOf(plan, 'sounding').length > 0;
  const depths = sounded ? surveyedDepths(channel) : null;
  return (xM, yM) => {
    const n = channel.across(xM, yM);
    return n > 0 && n < 1 ? (depths?.depthM(xM, yM) ?? 0) : null;
  };
}
