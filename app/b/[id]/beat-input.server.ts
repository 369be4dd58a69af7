import { nowMs, openBeat, readsInBook, settings } from '@/services/index';
import type { BeatInput } from '@/workspace/index';

/** What the pages of a beat are opened with; null when there is no such beat. */
export async function beatInput(id: string): Promise<BeatInput | null> {
  const opened = await openBeat(id);
  if (!opened.ok) return null;
  const { beat, marks, rises, tries } = opened.value;
  return {
    id,
    streamName: beat.streamName,
    plan: beat.plan,
    marks: marks.map(({ beatId: _beat, ...mark }) => mark),
    rises: rises.map(({ beatId: _beat, ...rise }) => rise),
    tries: tries.map(({ beatId: _beat, ...attempt }) => attempt),
    reads: (await readsInBook(id)) as BeatInput['reads'],
    settings: await settings(),
    nowMs: nowMs(),
  } as BeatInput;
}

type Search = Record<string, string | string[] | undefined>;

/** The query of a link as text. */
export function queryText(search: Search): string {
  const query = new URLSearchParams();
  for (const [key, value] of Object.entries(search))
    if (typeof value === 'string') query.set(key, value);
  return query.toString();
}
