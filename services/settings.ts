import { wholeSettings, type Settings } from '../core/log/index';
import { readSettings, writeSettings, type Db } from '../store/index';
import { book } from './book';
import { keepChange, TOLD_WHOLE, type Change } from './change';
import type { Outcome } from './outcome';

export const settings = async (): Promise<Settings> => settingsIn(await book());

async function settingsIn(db: Db): Promise<Settings> {
  // The record is kept beside them, and is not one of them: only what it changes is.
  const { record: _, ...kept } = await readSettings(db);
  return wholeSettings(kept as Partial<Settings>);
}

/** Changes what is named, and nothing else: of methods, flies and rigs each by itself. */
export function changeSettings(
  values: Partial<Settings>,
  change: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  const named = Object.keys(values) as (keyof Settings)[];
  return keepChange<Partial<Settings>>(change, {
    what: 'the settings',
    now: values,
    current: async (trx) => {
      const all = await settingsIn(trx);
      return { value: Object.fromEntries(named.map((k) => [k, all[k]])), gone: false };
    },
    keep: (trx, value) => writeSettings(trx, value as Record<string, unknown>),
  });
}
