import { changedFields, type Settings } from '../core/log/index';
import { json, request, v1 } from './client';
import { clientId } from './client-id';

export interface SolveJob {
  hash: string;
  beatId: string;
  level: string;
  state: 'waiting' | 'solving' | 'done' | 'failed' | 'stopped';
  progress: number;
  message?: string;
}

/** Everything that is asked and answered at once, one function a route. */
export const api = {
  saveBeat: (
    id: string,
    body: { stream: string; file: unknown; madeFrom?: object; draftId?: string },
  ) => json<{ id: string; notes: string[] }>({ method: 'PUT', path: v1(`/beats/${id}`), body }),
  changeBeat: (
    id: string,
    body: { name?: string; streamName?: string; putAway?: boolean; deleted?: boolean },
  ) => json<null>({ method: 'PATCH', path: v1(`/beats/${id}`), body }),
  copyBeat: (id: string, newId: string) =>
    json<{ id: string }>({ method: 'POST', path: v1(`/beats/${id}/copy`), body: { newId } }),
  renameStream: (id: string, name: string) =>
    json<null>({ method: 'PATCH', path: v1(`/streams/${id}`), body: { name } }),
  /** `before`: the same settings as the page knew them; what another page changed meanwhile stays. */
  changeSettings: (body: Partial<Settings>, before: Partial<Settings>) =>
    json<null>({
      method: 'PUT',
      path: v1('/settings'),
      body: { ...body, was: changedFields(before, body) },
      once: clientId(),
    }),
  savePhoto: (id: string, photo: Blob) =>
    json<{ id: string; width: number; height: number }>({
      method: 'PUT',
      path: v1(`/photos/${id}`),
      body: photo,
    }),

  flow: (hash: string) =>
    request(
      { method: 'GET', path: v1(`/flows/${hash}`) },
      async (r) => new Uint8Array(await r.arrayBuffer()),
    ),
  saveFlow: (hash: string, beatId: string, bytes: ArrayBuffer) =>
    json<null>({ method: 'PUT', path: v1(`/flows/${hash}?beat=${beatId}`), body: bytes }),
  solves: () => json<SolveJob[]>({ method: 'GET', path: v1('/solves') }),
  requestSolve: (beatId: string, level: string) =>
    json<SolveJob>({ method: 'POST', path: v1('/solves'), body: { beatId, level } }),
  stopSolve: (hash: string) => json<null>({ method: 'DELETE', path: v1(`/solves?hash=${hash}`) }),
};
