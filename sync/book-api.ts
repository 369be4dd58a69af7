import { changedFields } from '../core/log/index';
import { json, v1 } from './client';
import { clientId } from './client-id';

/** A beat in the making, as it is sent. */
export interface DraftBody {
  kind: 'sketch' | 'survey';
  streamName: string;
  beatId: string | null;
  body: unknown;
}

export interface RestoreReport {
  dry: boolean;
  tables: {
    table: string;
    taken: number;
    known: number;
    differing: number;
    unreadable: { id: string; why: string }[];
  }[];
}

/** What the book and its drafts are asked, apart from what a beat asks: a page loads the one it needs. */
export const bookApi = {
  saveDraft: (id: string, body: DraftBody, before: DraftBody | null = null, signal?: AbortSignal) =>
    json<null>({
      method: 'PUT',
      path: v1(`/drafts/${id}`),
      body: before ? { ...body, was: changedFields(before, body) } : body,
      once: clientId(),
      ...(signal && { signal }),
    }),
  dropDraft: (id: string) => json<null>({ method: 'DELETE', path: v1(`/drafts/${id}`) }),
  putAside: (table: string, id: string) =>
    json<null>({ method: 'DELETE', path: v1(`/unreadable/${table}/${encodeURIComponent(id)}`) }),
  /** A backup as a file: an archive, or the JSON of before. */
  restoreBook: (file: Blob, dry: boolean) =>
    json<RestoreReport>({
      method: 'POST',
      path: v1(`/book?dry=${dry ? 1 : 0}`),
      body: file,
      type: /\.zip$/i.test((file as Partial<File>).name ?? '')
        ? 'application/zip'
        : 'application/json',
    }),
};
