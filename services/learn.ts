import { learn, RESTS_ON, type LearnTold, type RestsOn } from '../core/learn/index';
import type { PriorName } from '../core/log/index';
import { listBeats } from '../store/index';
import { book } from './book';
import { factsOfBook } from './facts';
import { recordOf } from './record';

/** Whose tries are counted: one beat's, its stream's, or all of the book. */
export const LEARN_OF = ['beat', 'stream', 'book'] as const;
export type LearnOf = (typeof LEARN_OF)[number];

/** What the tries say, of a beat, of the stream that it is on, or of all; of one year, or of every. */
export async function learnOf(of: LearnOf, beatId: string, year?: number): Promise<LearnTold> {
  const db = await book();
  const beats = await listBeats(db);
  const stream = beats.find((b) => b.id === beatId)?.streamId;
  const ids = new Set(
    of === 'beat' ? [beatId] : beats.filter((b) => b.streamId === stream).map((b) => b.id),
  );
  const own = [...(await factsOfBook(db)).values()].filter(
    (t) => of === 'book' || (t.beatId !== null && ids.has(t.beatId)),
  );
  const asked = own.filter((t) => year === undefined || t.year === year);
  const facts = asked.flatMap((t) => t.fact ?? []);
  return {
    learned: learn(facts),
    years: [...new Set(own.map((t) => t.year))].sort((a, b) => b - a),
    empty: asked.length - facts.length,
    record: await recordOf(),
    beats: Object.fromEntries(beats.map((b) => [b.id, b.plan.name])),
  };
}

const MOST_TOLD = 300;

/** The tries that a constant is refitted from, newest first; as many as are looked through. */
export async function triesBehind(name: PriorName): Promise<{ of: number; tries: RestsOn[] }> {
  const untilMs = (await recordOf())?.untilMs ?? Infinity;
  const facts = [...(await factsOfBook(await book())).values()]
    .flatMap((t) => t.fact ?? [])
    .filter((f) => f.openedMs < untilMs)
    .filter(RESTS_ON[name]);
  return {
    of: facts.length,
    tries: facts
      .slice(-MOST_TOLD)
      .reverse()
      .map(({ id, beatId, openedMs, casts, shown, looked, hooked, spooked }) => ({
        id,
        beatId,
        openedMs,
        casts,
        shown,
        looked,
        hooked,
        spooked,
      })),
  };
}
