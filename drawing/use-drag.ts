'use client';

import { useEffect, useRef } from 'react';
import { worldX, worldY, type Camera } from './camera';
import type { Place } from '../core/grid/index';

/** By an arrow key, and with Shift. */
export const KEY_STEP_M = 0.1;
export const KEY_STRIDE_M = 0.5;
const ARROWS: Record<string, [number, number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/**
 * A handle on the plan: dragged by pointer (drafts once a frame, one edit at the end, Escape gives
 * it back) and moved by arrow keys (.1 m, with Shift .5 m).
 */
export function useDrag(
  camera: Camera,
  place: Place,
  move: (place: Place, dragging: boolean) => void,
) {
  const drag = useRef<{ pointer: number; dx: number; dy: number; from: Place } | null>(null);
  const pending = useRef<Place | null>(null);
  const frame = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const at = (event: React.PointerEvent<SVGElement>): Place => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    const d = drag.current!;
    return {
      xM: worldX(camera, event.clientX - box.left) - d.dx,
      yM: worldY(camera, event.clientY - box.top) - d.dy,
    };
  };
  const stop = () => {
    cancelAnimationFrame(frame.current);
    frame.current = 0;
    pending.current = null;
    drag.current = null;
  };
  return {
    tabIndex: 0,
    onPointerDown(event: React.PointerEvent<SVGElement>) {
      if (event.button !== 0) return;
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      event.currentTarget.focus({ preventScroll: true });
      const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
      drag.current = {
        pointer: event.pointerId,
        dx: worldX(camera, event.clientX - box.left) - place.xM,
        dy: worldY(camera, event.clientY - box.top) - place.yM,
        from: place,
      };
    },
    onPointerMove(event: React.PointerEvent<SVGElement>) {
      if (!drag.current) return;
      pending.current = at(event);
      frame.current ||= requestAnimationFrame(() => {
        frame.current = 0;
        if (pending.current && drag.current) move(pending.current, true);
      });
    },
    onPointerUp(event: React.PointerEvent<SVGElement>) {
      if (!drag.current) return;
      const last = pending.current ? at(event) : null;
      stop();
      if (last) move(last, false);
    },
    onPointerCancel() {
      const from = drag.current?.from;
      stop();
      if (from) move(from, false);
    },
    onKeyDown(event: React.KeyboardEvent<SVGElement>) {
      if (event.key === 'Escape' && drag.current) {
        const { from } = drag.current;
        stop();
        move(from, false);
        return;
      }
      const arrow = ARROWS[event.key];
      if (!arrow) return;
      event.preventDefault();
      const step = event.shiftKey ? KEY_STRIDE_M : KEY_STEP_M;
      move({ xM: place.xM + step * arrow[0], yM: place.yM + step * arrow[1] }, false);
    },
  };
}
