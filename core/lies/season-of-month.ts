import type { Season } from './fish-day';

const ORDER: readonly Season[] = ['winter', 'spring', 'summer', 'autumn'];

/** Season of a month, 1-12: winter is the last and the first two, or half a year off in the south. */
export const seasonOfMonth = (month: number, south = false): Season =>
  ORDER[(Math.floor((month % 12) / 3) + (south ? 2 : 0)) % 4]!;
