'use client';

import { lazy, Suspense, type ComponentType } from 'react';

/** A part of the outing that comes just after the page; its room is kept, so that nothing jumps. Lighter than the pages' own way: the outing is never drawn on the server. */
export function part<P extends object>(load: () => Promise<ComponentType<P>>, heightPx = 0) {
  const Part = lazy(() => load().then((component) => ({ default: component })));
  return function PartHere(props: P) {
    return (
      <Suspense fallback={<div aria-hidden="true" style={{ minHeight: heightPx }} />}>
        <Part {...props} />
      </Suspense>
    );
  };
}
