import {
  feedAfter,
  feedEnd,
  feedKnows,
  unknownChanges,
  type FeedItem,
  type FeedPlace,
} from '../store/index';
import { book } from './book';

/** At most so many changes are told at once; the rest follows. */
export const FEED_PAGE = 200;

/** The number of the newest change in the book. */
export async function feedEndOfBook(): Promise<number> {
  return (await feedEnd(await book())).seq;
}

/** What has changed since number `after`, oldest first. */
export async function feedSince(after: number): Promise<FeedItem[]> {
  return feedAfter(await book(), after, FEED_PAGE);
}

/** Whether this book has ever been at that place: not one that was put back to an older copy since. */
export async function feedHasBeenAt(place: FeedPlace): Promise<boolean> {
  return feedKnows(await book(), place);
}

/** Of changes by their names, those that this book has never taken. */
export async function changesMissing(ids: readonly string[]): Promise<string[]> {
  return unknownChanges(await book(), ids);
}
