'use client';

import { useEffect, useRef } from 'react';
import { panned, worldX, worldY, zoomed, type Camera } from './camera';
import { usePart, useWorkspace } from './context';
import { CastLayer } from './layers/cast-layer';
import { Furniture } from './layers/furniture';
import { LandLayer } from './layers/land-layer';
import { LiesLayer } from './layers/lies-layer';
import { MarksLayer, RingLayer } from './layers/marks-layer';
import { WaterCanvas, WaterLines } from './layers/water-layer';
import { useThemeName } from './use-theme-name';

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
  const { beat, actions } = useWorkspace();
  const theme = useThemeName();
  const flow = usePart((s) => s.flow);
  const stale = usePart((s) => s.flowStale);
  const layer = usePart((s) => s.layer);
  const placing = usePart((s) => s.placing);
  const units = usePart((s) => s.settings.units);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const svg = useRef<SVGSVGElement>(null);
  const hold = usePanZoom(svg, setCamera);

  const onClick = (event: React.MouseEvent<SVGSVGElement>) => {
    if (hold.current.moved) return;
    const box = event.currentTarget.getBoundingClientRect();
    const place = {
      xM: worldX(camera, event.clientX - box.left),
      yM: worldY(camera, event.clientY - box.top),
    };
    if (placing) actions.placeMark(place);
  };
  return (
    <div className={`plan${placing ? ' placing' : ''}`}>
      {flow && (
        <div style={{ opacity: stale ? 0.75 : 1 }}>
          <WaterCanvas
            flow={flow}
            quantity={layer}
            theme={theme}
            camera={camera}
            width={width}
            height={height}
          />
        </div>
      )}
      <svg
        ref={svg}
        width={width}
        height={height}
        onClick={onClick}
        role="group"
        aria-label={`Plan of ${beat.plan.name}, up-current to the right`}
      >
        {flow && (
          <WaterLines
            flow={flow}
            camera={camera}
            anglerHeightM={heightM}
            depthLines={layer === 'depth'}
          />
        )}
        <LandLayer plan={beat.plan} camera={camera} cellM={0.2} />
        <RingLayer camera={camera} />
        <LiesLayer camera={camera} />
        <CastLayer camera={camera} />
        <MarksLayer camera={camera} />
        <Furniture
          camera={camera}
          width={width}
          height={height}
          bearingDeg={beat.plan.bearingDeg}
          units={units}
        />
      </svg>
    </div>
  );
}

/** Pointers on the open plan: one pans, two pinch; the wheel zooms about the pointer. */
function usePanZoom(
  svg: React.RefObject<SVGSVGElement | null>,
  setCamera: (change: (c: Camera) => Camera) => void,
) {
  const hold = useRef({ moved: false });
  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    const pointers = new Map<number, { x: number; y: number }>();
    const local = (e: { clientX: number; clientY: number }) => {
      const box = element.getBoundingClientRect();
      return { x: e.clientX - box.left, y: e.clientY - box.top };
    };
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      const at = local(e);
      setCamera((c) => zoomed(c, Math.exp(-e.deltaY * 0.0016), at.x, at.y));
    };
    const onDown = (e: PointerEvent) => {
      if (e.button !== 0 || (e.target as Element).closest('.handle, .lie')) return;
      pointers.set(e.pointerId, local(e));
      hold.current.moved = false;
    };
    const onMove = (e: PointerEvent) => {
      const before = pointers.get(e.pointerId);
      if (!before) return;
      const now = local(e);
      const others = [...pointers.entries()].filter(([id]) => id !== e.pointerId).map(([, p]) => p);
      const other = others[0];
      if (other) {
        const factor =
          Math.hypot(now.x - other.x, now.y - other.y) /
          Math.max(10, Math.hypot(before.x - other.x, before.y - other.y));
        setCamera((c) => zoomed(c, factor, other.x, other.y));
        hold.current.moved = true;
      } else {
        if (!hold.current.moved && Math.hypot(now.x - before.x, now.y - before.y) < 4) return;
        hold.current.moved = true;
        setCamera((c) => panned(c, now.x - before.x, now.y - before.y));
      }
      pointers.set(e.pointerId, now);
    };
    const onUp = (e: PointerEvent) => void pointers.delete(e.pointerId);
    element.addEventListener('wheel', onWheel, { passive: false });
    element.addEventListener('pointerdown', onDown);
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onUp);
    return () => {
      element.removeEventListener('wheel', onWheel);
      element.removeEventListener('pointerdown', onDown);
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onUp);
    };
  }, [svg, setCamera]);
  return hold;
}
