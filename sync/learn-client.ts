import type { Learned } from '../core/learn/index';
import { json, v1 } from './client';

export type LearnScope = 'beat' | 'stream' | 'book';

/** What the tries say. */
export const fetchLearned = (of: LearnScope, beatId: string) =>
  json<Learned>({
    method: 'GET',
    path: v1(`/learn?${new URLSearchParams({ of, beat: beatId }).toString()}`),
  });
