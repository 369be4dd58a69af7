import { dateFacts, type DayBook } from '../../../core/outing/index';

/** The sites that the day may use: as told, else every one of the stream that is looked at. */
export function chosenSites(book: DayBook, siteId: string): string[] {
  const told = dateFacts(book).sites;
  if (told) return told;
  const here = book.sites.find((s) => s.id === siteId);
  return book.sites.filter((s) => s.streamId === here?.streamId).map((s) => s.id);
}
