import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

// What is waited for is a state; so long it takes only where it never comes.
configure({ asyncUtilTimeout: 30_000 });

// jsdom has no pointer events; the parts that listen for them take mouse events for them here.
if (typeof window !== 'undefined' && !('PointerEvent' in window))
  (window as { PointerEvent: typeof MouseEvent }).PointerEvent = class extends MouseEvent {};
// Nor does it lay anything out: what follows a size is told of none.
if (typeof window !== 'undefined' && !('ResizeObserver' in window))
  (window as { ResizeObserver: unknown }).ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };

// Nor has it a layout that a chart could be drawn in: what stands round a chart is tested, not the library.
jest.mock('react-apexcharts', () => ({ __esModule: true, default: () => null }));

// The library's own machines settle a moment after they are drawn: their updates are none of a test's.
const { error } = console;
console.error = (...said: unknown[]) => {
  const [what, who] = said.map(String);
  if (/not wrapped in act/.test(what ?? '') && /^[A-Z]\w*Root$/.test(who ?? '')) return;
  error(...said);
};
