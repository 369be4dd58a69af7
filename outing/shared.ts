import type { Outing, Try } from '../core/log/index';
import type { BankView } from '../sync/bank';
import type { useQueue } from '../sync/use-queue';
import type { Offline } from './offline';
import type { OutingActions } from './outing-actions';

/** What every view of the outing is given. */
export interface OutingShared {
  view: BankView;
  now: number;
  outing: Outing | null;
  /** Of the outing that goes on. */
  tries: Try[];
  actions: OutingActions;
  queue: ReturnType<typeof useQueue>;
  offline: Offline;
}

/** What is not with the book yet, and whether the device has it: true at each moment. */
export function keptWords({ view, queue }: Pick<OutingShared, 'view' | 'queue'>): string {
  if (queue.problem && view.unkept)
    return `${queue.waiting} not sent, and this phone would not keep them: leave the page open.`;
  if (view.unkept) return 'This phone keeps nothing: what is not sent is lost with this page.';
  if (queue.waiting > 0) return `${queue.waiting} not sent yet, kept on this phone.`;
  return view.live ? 'All sent.' : 'All sent. No network now; what you press is kept here.';
}
