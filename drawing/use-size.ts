'use client';

import { useLayoutEffect, useState } from 'react';

/** Size of an element in CSS px, followed; the element may change. */
export function useSize<E extends HTMLElement>(): [
  (element: E | null) => void,
  { width: number; height: number },
] {
  const [element, setElement] = useState<E | null>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    if (!element) return;
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return [setElement, size];
}
