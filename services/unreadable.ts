import {
  isUnreadableTable,
  layAside,
  listUnreadable,
  UNREADABLE_TABLES,
  type UnreadableRow,
} from '../store/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** What of the book cannot be read: left out wherever it would be shown, and named here. */
export async function unreadableInBook(): Promise<UnreadableRow[]> {
  return listUnreadable(await book());
}

/** Puts one of these out of the way; its text is kept. */
export async function putAside(table: string, id: string): Promise<Outcome<null>> {
  if (!isUnreadableTable(table))
    return refused(
      'invalid',
      `The table is "${table.slice(0, 40)}"; it must be one of ${UNREADABLE_TABLES.join(', ')}.`,
      'table',
    );
  const found = await layAside(await book(), table, id, nowMs());
  return found
    ? done(null)
    : refused('not-found', `Nothing called "${id.slice(0, 80)}" is unreadable there.`);
}
