import { openOutingAt, type Outing } from '../../core/log/index';
import { civilDay } from '../../core/units/index';
import { clientId } from '../../sync/client-id';
import type { ActionContext } from '../action-context';

/**
 * The outing that something of a moment belongs to, else a new one, made with the first thing that belongs
 * to it. Of another day than today: that day's, which is over.
 */
export function outingAt(
  { store, beat, now }: Pick<ActionContext, 'store' | 'beat' | 'now'>,
  ms: number,
): Outing {
  const zone = beat.plan.timeZone ?? 'UTC';
  const { outings } = store.getState();
  const isToday = civilDay(ms, zone) === civilDay(now(), zone);
  const known = isToday
    ? openOutingAt(outings, ms)
    : outings.find((o) => civilDay(o.startMs, o.timeZone) === civilDay(ms, zone));
  if (known) return known;
  const outing: Outing = {
    id: clientId(),
    startMs: ms,
    endMs: isToday ? null : ms,
    timeZone: zone,
    note: '',
  };
  store.setState((s) => ({ outings: [outing, ...s.outings] }));
  return outing;
}
