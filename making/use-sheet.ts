'use client';

import { useCallback, useMemo, useRef, useState } from 'react';
import type { Place } from '../core/grid/index';
import { openingCamera, worldX, worldY, type Camera } from '../drawing/camera';
import { usePanZoom } from '../drawing/use-pan-zoom';
import { useSize } from '../drawing/use-size';

/** Room kept beside the drawing at either end, px; and the nearest and farthest it opens at, px/m. */
const ROOM_PX = 20;
const SCALE = { least: 4, most: 60 };

/** The sheet a beat is drawn on while it is made: the whole beat fitted, until it is moved. */
export function useSheet(lengthM: number) {
  const [box, { width, height }] = useSize<HTMLDivElement>();
  const [moved, setMoved] = useState<Camera | null>(null);
  const fitted = useMemo(() => {
    const fits = (width - 2 * ROOM_PX) / lengthM;
    const scale = Math.min(SCALE.most, Math.max(SCALE.least, fits));
    return {
      ...openingCamera(lengthM, 0, width, height),
      scale,
      leftM: -ROOM_PX / scale,
      topM: height / scale / 2,
    };
  }, [lengthM, width, height]);
  const camera = moved ?? fitted;
  const svg = useRef<SVGSVGElement>(null);
  const setCamera = useCallback(
    (change: (c: Camera) => Camera) => setMoved((c) => change(c ?? fitted)),
    [fitted],
  );
  const hold = usePanZoom(svg, setCamera);
  const placeOf = (event: { clientX: number; clientY: number; currentTarget: Element }): Place => {
    const area = event.currentTarget.getBoundingClientRect();
    return {
      xM: worldX(camera, event.clientX - area.left),
      yM: worldY(camera, event.clientY - area.top),
    };
  };
  return { box, width, height, camera, svg, placeOf, hasMoved: () => hold.current.moved };
}
