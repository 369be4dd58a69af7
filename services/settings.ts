import { wholeSettings, type Settings } from '../core/log/index';
import { readSettings, writeSettings } from '../store/index';
import { book } from './book';

export async function settings(): Promise<Settings> {
  // The record is kept beside them, and is not one of them: only what it changes is.
  const { record: _, ...kept } = await readSettings(await book());
  return wholeSettings(kept as Partial<Settings>);
}

export async function changeSettings(values: Partial<Settings>): Promise<void> {
  await writeSettings(await book(), values as Record<string, unknown>);
}
