import { readBeat, type BeatPlan } from '../core/formats/index';
import {
  findBeat,
  findFlow,
  insertBeat,
  listBeats,
  listMarks,
  listTries,
  saveFlow,
  type StoredBeat,
  type StoredMark,
  type StoredTry,
} from '../store/index';
import { decodeFlow } from '../core/water/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

export async function beatsInBook() {
  return listBeats(await book());
}

export interface OpenBeat {
  beat: StoredBeat;
  marks: StoredMark[];
  tries: StoredTry[];
}

export async function openBeat(id: string): Promise<Outcome<OpenBeat>> {
  const db = await book();
  const beat = await findBeat(db, id);
  if (!beat) return refused('not-found', `There is no beat "${id}" in this book.`);
  return done({ beat, marks: await listMarks(db, id), tries: await listTries(db, id) });
}

/** Keeps a beat file. Every problem of a bad file is in the message; nothing is kept of it. */
export async function importBeat(
  id: string,
  streamName: string,
  file: unknown,
): Promise<Outcome<{ id: string; notes: string[] }>> {
  const read = readBeat(file);
  if (!read.ok) return refused('invalid', read.problems.map((p) => p.message).join('\n'), 'file');
  await insertBeat(await book(), { id, streamName, plan: read.plan, createdMs: nowMs() });
  return done({ id, notes: read.notes });
}

/** Keeps a plan made in code (the demo, the practice beat). */
export async function keepBeat(id: string, streamName: string, plan: BeatPlan): Promise<void> {
  await insertBeat(await book(), { id, streamName, plan, createdMs: nowMs() });
}

export async function cachedFlow(inputHash: string): Promise<Outcome<Uint8Array>> {
  const blob = await findFlow(await book(), inputHash);
  return blob ? done(blob) : refused('not-found', 'This flow has not been solved yet.');
}

/** Keeps a solved flow under the hash of its inputs. The bytes must be a whole flow. */
export async function keepFlow(
  beatId: string,
  inputHash: string,
  blob: Uint8Array,
): Promise<Outcome<null>> {
  const db = await book();
  if (!(await findBeat(db, beatId)))
    return refused('not-found', `There is no beat "${beatId}" in this book.`, 'beat');
  if (!decodeFlow(blob))
    return refused('invalid', `These ${blob.length} bytes are not a flow.`, 'body');
  await saveFlow(db, { inputHash, beatId, blob, createdMs: nowMs() });
  return done(null);
}
