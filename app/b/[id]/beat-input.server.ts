import { cache } from 'react';
import {
  nowMs,
  openBeat,
  outingsInBook,
  readsInBook,
  refitOnceADay,
  settings,
} from '@/services/index';
import type { BeatInput } from '@/workspace/index';

/** What the pages of a beat are opened with; null when there is no such beat. Read once a request. */
export const beatInput = cache(async (id: string): Promise<BeatInput | null> => {
  const opened = await openBeat(id);
  if (!opened.ok) return null;
  // The first page of a day sees to it that the record is in the next plan; nobody waits for it.
  void refitOnceADay();
  const { beat, marks, rises, tries } = opened.value;
  return {
    id,
    streamName: beat.streamName,
    plan: beat.plan,
    planHash: beat.planHash,
    marks,
    rises,
    tries,
    outings: await outingsInBook(),
    reads: await readsInBook(id),
    settings: await settings(),
    nowMs: nowMs(),
  };
});

type Search = Record<string, string | string[] | undefined>;

/** The query of a link as text. */
export function queryText(search: Search): string {
  const query = new URLSearchParams();
  for (const [key, value] of Object.entries(search))
    if (typeof value === 'string') query.set(key, value);
  return query.toString();
}
