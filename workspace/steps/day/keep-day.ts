import { civilDay } from '../../../core/units/index';
import { fetchDayBook } from '../../../sync/day-client';
import type { ActionContext } from '../../action-context';

/** Asks again so long after the hour strip has come to rest on another date, ms. */
const SETTLED_MS = 250;

/** Keeps the book's day in step with the date on screen. Gives the way to stop. */
export function keepDay({ store, beat }: Pick<ActionContext, 'store' | 'beat'>): () => void {
  const zone = beat.plan.timeZone;
  const dateOf = () => civilDay(store.getState().atMs, zone);
  let asked: string | null = null;
  let later: ReturnType<typeof setTimeout> | undefined;
  let stopped = false;
  async function ask(): Promise<void> {
    const date = dateOf();
    asked = date;
    const reply = await fetchDayBook(date, zone);
    // Another date was chosen meanwhile: its own answer is on the way.
    if (stopped || asked !== date) return;
    if (reply.ok) store.setState({ dayBook: reply.value, dayProblem: null });
    else {
      asked = null;
      store.setState({ dayProblem: reply.message });
    }
  }
  const look = () => {
    if (dateOf() === asked) return;
    clearTimeout(later);
    later = setTimeout(() => void ask(), SETTLED_MS);
  };
  let lastMs = store.getState().atMs;
  let lastStep = store.getState().step;
  const leave = store.subscribe((s) => {
    // Coming to Day asks again where it failed.
    if (s.atMs === lastMs && s.step === lastStep) return;
    lastMs = s.atMs;
    lastStep = s.step;
    look();
  });
  void ask();
  return () => {
    stopped = true;
    clearTimeout(later);
    leave();
  };
}
