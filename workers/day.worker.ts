import * as Comlink from 'comlink';
import { planDay } from '../core/day/index';
import { dayAsked, withTyped } from '../core/outing/day-book';
import type { DayWorker } from './protocol';

const worker: DayWorker = {
  plan: (book, settings, beatId) =>
    planDay(dayAsked(withTyped(book, settings, beatId), settings, beatId)),
};
Comlink.expose(worker);
