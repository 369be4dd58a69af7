import type { Mark } from '../../core/log/index';
import { changes, type QueuedRequest } from '../../sync/client';

/** A mark on its way to the book, which keeps its history itself; `before`: as it was here, where it is not new. */
export const putMark = (beatId: string, mark: Mark, before?: Mark | null): QueuedRequest =>
  changes.putMark(mark.id, bodyOf(beatId, mark), before && bodyOf(beatId, before));

function bodyOf(beatId: string, mark: Mark) {
  const { id: _id, history: _history, ...body } = mark;
  return { beatId, ...body };
}
