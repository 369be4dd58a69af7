import { dropDraft, findDraft, listDrafts, putDraft, type StoredDraft } from '../store/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** Keeps a beat in the making as it stands; it need not be whole. The id is the client's. */
export async function keepDraft(draft: Omit<StoredDraft, 'updatedMs'>): Promise<Outcome<null>> {
  await putDraft(await book(), { ...draft, updatedMs: nowMs() });
  return done(null);
}

export async function openDraft(id: string): Promise<Outcome<StoredDraft>> {
  const draft = await findDraft(await book(), id);
  return draft ? done(draft) : refused('not-found', `There is no draft "${id}" in this book.`);
}

export async function draftsInBook(): Promise<StoredDraft[]> {
  return listDrafts(await book());
}

export async function throwDraftAway(id: string): Promise<Outcome<null>> {
  await dropDraft(await book(), id);
  return done(null);
}
