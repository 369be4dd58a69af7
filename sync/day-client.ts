import type { DayBook, PackJob } from '../core/outing/index';
import { json, v1 } from './client';

/** What a date is planned from. */
export const fetchDayBook = (date: string, timeZone: string | undefined) =>
  json<DayBook>({
    method: 'GET',
    path: v1(
      `/day?${new URLSearchParams({ date, ...(timeZone && { zone: timeZone }) }).toString()}`,
    ),
  });

/** Works a beat out for the day, at its surveyed level: asked again until it is done. */
export const takeBeatAlong = (id: string) =>
  json<PackJob>({ method: 'GET', path: v1(`/beats/${id}/pack`) });
