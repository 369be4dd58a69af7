import { readBeat, type BeatPlan } from '../core/formats/index';
import {
  changeBeat,
  findBeat,
  findFlow,
  hasFlow,
  listBeats,
  listMarks,
  listRises,
  listStreams,
  listTries,
  putBeat,
  renameStream,
  saveFlow,
  type BeatChange,
  type ListedBeat,
  type MadeFrom,
  type StoredBeat,
} from '../store/index';
import { TRIES_AT_HAND } from '../core/log/index';
import type { KeptRise, Mark, Try } from '../core/log/index';
import { decodeFlow, FINE_CELL_M, flowInputHash, type FlowField } from '../core/water/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** Every beat of the book, deleted ones marked. */
export async function beatsInBook(): Promise<ListedBeat[]> {
  return listBeats(await book());
}

export async function streamsInBook() {
  return listStreams(await book());
}

export interface OpenBeat {
  beat: StoredBeat;
  marks: Mark[];
  rises: KeptRise[];
  tries: Try[];
}

export async function openBeat(id: string): Promise<Outcome<OpenBeat>> {
  const db = await book();
  const beat = await findBeat(db, id);
  if (!beat) return noBeat(id);
  return done({
    beat,
    marks: await listMarks(db, id),
    rises: await listRises(db, id),
    tries: await listTries(db, id, TRIES_AT_HAND),
  });
}

const noBeat = <T>(id: string, field?: string): Outcome<T> =>
  refused('not-found', `There is no beat "${id}" in this book.`, field);

export interface BeatToSave {
  id: string;
  streamName: string;
  file: unknown;
  /** Kept so that it can be changed: the sketch, or the photograph below a survey. */
  madeFrom?: MadeFrom | null;
  /** The draft that becomes this beat, and goes. */
  draftId?: string | null;
}

/**
 * Keeps a beat file under an id, new or in place of the plan before it (which is kept as a
 * version). Every problem of a bad file is in the message; nothing is kept of it.
 */
export async function saveBeat(
  save: BeatToSave,
): Promise<Outcome<{ id: string; notes: string[] }>> {
  const read = readBeat(save.file);
  if (!read.ok) return refused('invalid', read.problems.map((p) => p.message).join('\n'), 'file');
  const beat = {
    id: save.id,
    streamName: save.streamName,
    plan: read.plan,
    ...(save.madeFrom !== undefined && { madeFrom: save.madeFrom }),
    nowMs: nowMs(),
  };
  await putBeat(await book(), beat, save.draftId ?? null);
  return done({ id: save.id, notes: read.notes });
}

/** Keeps a plan made in code (the demo). */
export async function keepBeat(
  id: string,
  streamName: string,
  plan: BeatPlan,
  madeFrom: MadeFrom | null = null,
): Promise<void> {
  await putBeat(await book(), { id, streamName, plan, madeFrom, nowMs: nowMs() }, null);
}

/** Renames, moves to another stream, puts away, deletes or takes back. Repeating is harmless. */
export async function alterBeat(id: string, change: BeatChange): Promise<Outcome<null>> {
  return (await changeBeat(await book(), id, change, nowMs())) ? done(null) : noBeat(id);
}

/** A second beat with the same plan under a new id. */
export async function copyBeat(id: string, newId: string): Promise<Outcome<{ id: string }>> {
  const db = await book();
  const beat = await findBeat(db, id);
  if (!beat) return noBeat(id);
  const name = await freeName(db, `${beat.plan.name}, copy`);
  const plan = { ...beat.plan, name };
  const madeFrom: MadeFrom | null =
    beat.madeFrom?.kind === 'sketch'
      ? { kind: 'sketch', sketch: { ...(beat.madeFrom.sketch as object), name } }
      : beat.madeFrom;
  const copy = { id: newId, streamName: beat.streamName, plan, madeFrom, nowMs: nowMs() };
  await putBeat(db, copy, null);
  return done({ id: newId });
}

async function freeName(db: Awaited<ReturnType<typeof book>>, wanted: string): Promise<string> {
  const names = new Set((await listBeats(db)).map((b) => b.name));
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted} ${n}`;
    if (!names.has(name)) return name;
  }
}

export async function renameStreamTo(id: string, name: string): Promise<Outcome<null>> {
  if (await renameStream(await book(), id, name)) return done(null);
  return refused('conflict', `Another stream is called "${name}" already.`, 'name');
}

export async function cachedFlow(inputHash: string): Promise<Outcome<Uint8Array>> {
  const blob = await findFlow(await book(), inputHash);
  return blob ? done(blob) : refused('not-found', 'This flow has not been solved yet.');
}

function hashAsMade(plan: BeatPlan): string {
  const level = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
  return flowInputHash(plan, level.dischargeM3s, FINE_CELL_M);
}

/** The water of a beat at a level, or at the one it was made at; refused while nobody has solved it. */
export async function solvedWater(
  id: string,
  levelName?: string,
): Promise<Outcome<{ flow: FlowField; inputHash: string }>> {
  const db = await book();
  const beat = await findBeat(db, id);
  if (!beat) return noBeat(id);
  const level = beat.plan.levels.find((l) => l.name === (levelName ?? beat.plan.surveyedLevel));
  if (!level) {
    const names = beat.plan.levels.map((l) => l.name).join(', ');
    return refused('invalid', `Level is "${levelName}"; this beat has ${names}.`, 'level');
  }
  const inputHash = flowInputHash(beat.plan, level.dischargeM3s, FINE_CELL_M);
  const blob = await findFlow(db, inputHash);
  const flow = blob && decodeFlow(blob);
  return flow
    ? done({ flow, inputHash })
    : refused('not-found', `The water of "${beat.plan.name}" has not been solved yet.`);
}

/** Whether the water of a plan, at the level it was made at, is in the book. */
export async function waterIsSolved(plan: BeatPlan): Promise<boolean> {
  return hasFlow(await book(), hashAsMade(plan));
}

/** Keeps a solved flow under the hash of its inputs. The bytes must be a whole flow. */
export async function keepFlow(
  beatId: string,
  inputHash: string,
  blob: Uint8Array,
): Promise<Outcome<null>> {
  const db = await book();
  if (!(await findBeat(db, beatId))) return noBeat(beatId, 'beat');
  if (!decodeFlow(blob))
    return refused('invalid', `These ${blob.length} bytes are not a flow.`, 'body');
  await saveFlow(db, { inputHash, beatId, blob, createdMs: nowMs() });
  return done(null);
}
