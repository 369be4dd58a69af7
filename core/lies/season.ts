import { toCivil } from '../units/index';
import { seasonOfMonth } from './season-of-month';
import type { Season } from './fish-day';

/** Season by the date; months turn round south of the line. */
export const seasonAt = (atMs: number, zone: string | undefined, latDeg: number): Season =>
  seasonOfMonth(Number(toCivil(atMs, zone).slice(5, 7)), latDeg < 0);
