import { dateFacts, usualSites, type BookSite, type DayBook } from '../../../core/outing/index';

/** The sites that the day may use: as told, else as is usual. */
export const chosenSites = (book: DayBook, siteId: string): string[] =>
  dateFacts(book).sites ?? usualSites(book, siteId);

/** Shade by hour: as the angler said, else as drawn. */
export function shadeTold(book: DayBook, site: BookSite): readonly number[] {
  const told = book.facts.beats[site.id]?.shade ?? null;
  return told === null ? site.shadeByHour : site.shadeByHour.map(() => told);
}
