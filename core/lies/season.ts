import { toCivil } from '../units/index';
import type { Season } from './fish-day';

/** Season by the date; months turn round south of the line. */
export function seasonAt(atMs: number, zone: string | undefined, latDeg: number): Season {
  const month = Number(toCivil(atMs, zone).slice(5, 7));
  const order: Season[] = ['winter', 'spring', 'summer', 'autumn'];
  const quarter = Math.floor((month % 12) / 3);
  return order[(quarter + (latDeg < 0 ? 2 : 0)) % 4]!;
}
