'use client';

import { useEffect, useRef } from 'react';
import { panned, zoomed, type Camera } from './camera';
import drawn from './marks.module.css';

/** What is taken hold of by itself: the sheet stays where it is. */
const HELD = `.${drawn.handle}, .${drawn.lie}`;

/** Pointers on the open plan: one pans, two pinch; the wheel zooms about the pointer. */
export function usePanZoom(
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
      if (e.button !== 0 || (e.target as Element).closest(HELD)) return;
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
