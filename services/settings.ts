import { wholeSettings, type Settings } from '../core/log/index';
import { readSettings, writeSettings } from '../store/index';
import { book } from './book';

export async function settings(): Promise<Settings> {
  return wholeSettings((await readSettings(await book())) as Partial<Settings>);
}

export async function changeSettings(values: Partial<Settings>): Promise<void> {
  await writeSettings(await book(), values as Record<string, unknown>);
}
