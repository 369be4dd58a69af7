import { dateFacts, usualSites, type DayBook } from '../../../core/outing/index';

/** The sites that the day may use: as told, else as is usual. */
export const chosenSites = (book: DayBook, siteId: string): string[] =>
  dateFacts(book).sites ?? usualSites(book, siteId);
