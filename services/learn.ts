import { learn, tryFact, type Learned } from '../core/learn/index';
import { listAllTries, listBeats } from '../store/index';
import { book } from './book';

/** Whose tries are counted: one beat's, its stream's, or all of the book. */
export const LEARN_OF = ['beat', 'stream', 'book'] as const;
export type LearnOf = (typeof LEARN_OF)[number];

/** What the tries say, of a beat, of the stream that it is on, or of all. */
export async function learnOf(of: LearnOf, beatId: string): Promise<Learned> {
  const db = await book();
  const beats = await listBeats(db);
  const stream = beats.find((b) => b.id === beatId)?.streamId;
  const ids = new Set(
    of === 'beat' ? [beatId] : beats.filter((b) => b.streamId === stream).map((b) => b.id),
  );
  const facts = (await listAllTries(db)).flatMap((t) =>
    of === 'book' || (t.beatId !== null && ids.has(t.beatId)) ? (tryFact(t) ?? []) : [],
  );
  return learn(facts);
}
