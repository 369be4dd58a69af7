import type { Mark, LogChange, Outing, Reading, Try, TryEvent } from '../core/log/index';
import type { Bank, PackJob } from '../core/outing/index';
import { changes, json, put, request, v1, type QueuedRequest } from './client';

/** The routes of the bank, apart from those of the desk: a page loads the ones it asks. */
export const bankApi = {
  bank: () => json<Bank>({ method: 'GET', path: v1('/bank') }),
  pack: (beatId: string, level: string) =>
    json<PackJob>({
      method: 'GET',
      path: v1(`/beats/${beatId}/pack?level=${encodeURIComponent(level)}`),
    }),
  picture: (beatId: string, level: string, theme: 'light' | 'dim') =>
    request(
      {
        method: 'GET',
        path: v1(`/beats/${beatId}/picture?theme=${theme}&level=${encodeURIComponent(level)}`),
      },
      (r) => r.blob(),
    ),
};

/** What happens on the bank: sent like every change, and known to this device's own log at once. */
export const logged = {
  outing({ id, ...body }: Outing): QueuedRequest {
    return put('outing', `/outings/${id}`, body, {
      change: { kind: 'outing', outing: { id, ...body } },
    });
  },
  reading({ id, ...body }: Reading): QueuedRequest {
    return put('reading', `/readings/${id}`, body, {
      change: { kind: 'reading', reading: { id, ...body } },
    });
  },
  dropReading: (id: string): QueuedRequest => ({
    ...changes.dropReading(id),
    change: { kind: 'reading-dropped', id },
  }),
  attempt(attempt: Omit<Try, 'events'>, outing: Outing): QueuedRequest {
    const { id, outingId: _o, ...body } = attempt;
    return put('try', `/tries/${id}`, { ...body, outing }, { change: { kind: 'try', attempt } });
  },
  event(tryId: string, { id, ...body }: TryEvent): QueuedRequest {
    const change: LogChange = { kind: 'event', tryId, event: { id, ...body } };
    return put('press', `/tries/${tryId}/events/${id}`, body, { change });
  },
  photo: (id: string, bytes: Blob): QueuedRequest => ({
    kind: 'photograph',
    method: 'PUT',
    path: v1(`/photos/${id}`),
    bytes,
  }),
  mark(beatId: string, mark: Mark): QueuedRequest {
    const { id, history: _h, ...body } = mark;
    return put(
      'fish',
      `/marks/${id}`,
      { beatId, ...body },
      {
        change: { kind: 'mark', beatId, mark },
      },
    );
  },
};
