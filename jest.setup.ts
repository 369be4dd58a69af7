import '@testing-library/jest-dom';

// jsdom has no pointer events; the parts that listen for them take mouse events for them here.
if (typeof window !== 'undefined' && !('PointerEvent' in window))
  (window as { PointerEvent: typeof MouseEvent }).PointerEvent = class extends MouseEvent {};
