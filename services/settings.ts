import type { UnitSystem } from '../core/units/index';
import { readSettings, writeSettings } from '../store/index';
import { book } from './book';

export interface Settings {
  units: UnitSystem;
  /** Read by the angler; null until typed. */
  waterTempC: number | null;
  anglerHeightM: number;
  anglerMassKg: number;
  maxWadeM: number;
}

const DEFAULTS: Settings = {
  units: 'metric',
  waterTempC: null,
  anglerHeightM: 1.75,
  anglerMassKg: 78,
  maxWadeM: 0.7,
};

export async function settings(): Promise<Settings> {
  return { ...DEFAULTS, ...((await readSettings(await book())) as Partial<Settings>) };
}

export async function changeSettings(values: Partial<Settings>): Promise<void> {
  await writeSettings(await book(), values as Record<string, unknown>);
}
