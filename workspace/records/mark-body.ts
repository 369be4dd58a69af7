import type { Mark } from '../../core/log/index';

/** A mark as it is sent: the book keeps its history itself. */
export function markBody(beatId: string, mark: Mark) {
  const { id: _id, history: _history, ...body } = mark;
  return { beatId, ...body };
}
