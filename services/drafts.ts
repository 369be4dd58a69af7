import { dropDraft, findDraft, listDrafts, putDraft, type StoredDraft } from '../store/index';
import { book } from './book';
import { keepChange, TOLD_WHOLE, type Change } from './change';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';
import { checkShape } from './shape';

/** Keeps a beat in the making as it stands; it need not be whole. The id is the client's. */
export function keepDraft(
  draft: Omit<StoredDraft, 'updatedMs'>,
  change: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  return keepChange(change, {
    check: ({ kind, body }) => checkShape(kind, body, 'The draft', 'body'),
    what: 'the draft',
    now: draft,
    current: async (trx) => {
      const here = await findDraft(trx, draft.id);
      return here ? { value: here, gone: false } : null;
    },
    keep: (trx, value) => putDraft(trx, { ...value, updatedMs: nowMs() }),
  });
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
