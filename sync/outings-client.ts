import { json, v1 } from './client';

/** The routes of phones, and of outings afterwards. */
export const outingsApi = {
  pair: (body: { code: string; name: string }) =>
    json<{ id: string; name: string }>({ method: 'POST', path: v1('/pair'), body }),
  namePhone: (id: string, name: string) =>
    json<null>({ method: 'PATCH', path: v1(`/phones/${id}`), body: { name } }),
  throwPhoneOut: (id: string) => json<null>({ method: 'DELETE', path: v1(`/phones/${id}`) }),
  tryLog: (filter: { beat: string; end: string; kind: string; fly: string }) =>
    json<{ rows: TryLogLine[]; count: number; landed: number }>({
      method: 'GET',
      path: v1(`/tries?${new URLSearchParams(filter).toString()}`),
    }),
  /** Lines of a table; with `dry` what would be taken is told, and nothing is. */
  takeTable: (
    of: 'tries' | 'readings',
    lines: readonly { line: number; cells: Record<string, string> }[],
    dry: boolean,
  ) =>
    json<{ dry: boolean; taken: number; known: number; problems: string[] }>({
      method: 'POST',
      path: v1(`/${of}/table?dry=${dry ? 1 : 0}`),
      body: { lines },
    }),
};

/** One try as the log lists it. */
export interface TryLogLine {
  id: string;
  outingId: string;
  beatName: string | null;
  openedMs: number;
  zoneOffsetMin: number;
  state: string;
  casts: number;
  fly: string;
  landedCm: number | null;
  lieKind: string | null;
  waterTempC: number | null;
  chance: number | null;
}
