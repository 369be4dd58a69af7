import { feedAfter, feedEnd, type FeedItem } from '../store/index';
import { book } from './book';

/** At most so many changes are told at once; the rest follows. */
export const FEED_PAGE = 200;

/** The number of the newest change in the book. */
export async function feedEndOfBook(): Promise<number> {
  return feedEnd(await book());
}

/** What has changed since number `after`, oldest first. */
export async function feedSince(after: number): Promise<FeedItem[]> {
  return feedAfter(await book(), after, FEED_PAGE);
}
