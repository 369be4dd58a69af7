import type { PriorName } from '../core/log/index';
import type { BookRecord, LearnTold, RestsOn } from '../core/learn/index';
import { json, v1 } from './client';

export type LearnScope = 'beat' | 'stream' | 'book';

/** What the tries say, and what the record has changed by them. */
export const fetchLearned = (of: LearnScope, beatId: string, year: number | null) =>
  json<LearnTold>({
    method: 'GET',
    path: v1(
      `/learn?${new URLSearchParams({ of, beat: beatId, ...(year !== null && { year: String(year) }) }).toString()}`,
    ),
  });

/** Works the record out anew. */
export const refit = () =>
  json<BookRecord>({ method: 'POST', path: v1('/learn/record'), body: {} });

/** Takes corrections out of the reckoning, or puts them back. */
export const putBack = (names: readonly PriorName[], back: boolean) =>
  json<BookRecord>({ method: 'PATCH', path: v1('/learn/record'), body: { names, back } });

/** The tries that a correction rests on. */
export const fetchTriesBehind = (prior: PriorName) =>
  json<{ of: number; tries: RestsOn[] }>({
    method: 'GET',
    path: v1(`/learn/tries?prior=${prior}`),
  });
