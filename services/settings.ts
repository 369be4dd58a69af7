import type { Species } from '../core/fish/index';
import type { Method, PreyMix } from '../core/lies/index';
import { NOTICE, type Conditions, type NoticeGuesses } from '../core/sight/index';
import { ALARM, type Alarm } from '../core/stalk/index';
import type { UnitSystem } from '../core/units/index';
import { readSettings, writeSettings } from '../store/index';
import { book } from './book';

/** Schools that good anglers differ by; each with its default, and the reason beside it on screen. */
export interface Methods {
  holding: Method;
  castFrom: 'any-angle' | 'below' | 'above';
  stay: 'computed' | 'three-casts' | 'its-rhythm';
  round: 'round' | 'one-method';
  wading: 'never-unless' | 'for-the-angle';
  dropper: 'cut-when-up' | 'keep';
  hiding: 'creep' | 'screen';
  wind: 'tilt' | 'heavier-line' | 'change-sides';
  heat: 'kinder' | 'legal';
}

/** Where the wind blows from, on the water's own terms. */
export type WindFrom = 'unknown' | 'upstream' | 'downstream' | 'true-left' | 'true-right';

export type Noticing = NoticeGuesses & Alarm;

export interface Settings {
  units: UnitSystem;
  /** Read by the angler; null until typed. */
  waterTempC: number | null;
  anglerHeightM: number;
  anglerMassKg: number;
  maxWadeM: number;
  rodM: number;
  rodHand: 'right' | 'left';
  landsWithinHalfMetreToM: number;
  comfortableM: number;
  methods: Methods;
  /** The fish that lies are rated for, and the water's colour as last seen. */
  species: Species;
  fishLengthCm: number;
  turbidityNtu: number;
  prey: PreyMix;
  /** The weather as last seen, and the glasses worn. */
  sky: Conditions['sky'];
  windMps: number;
  windFrom: WindFrom;
  polarised: boolean;
  /** How readily a fish notices: our guesses until the angler's own log says better. */
  noticing: Noticing;
  /** Rules, closures and warnings of the angler's own waters, in their own words. */
  localNotes: string;
  /** Whether a small beat is solved again at 10 cm once its water is ready. */
  sharpen: 'by-itself' | 'when-asked';
  /** Where water is solved: phones are spared by default. */
  solveOn: 'best' | 'device' | 'server';
}

export const DEFAULT_SETTINGS: Settings = {
  units: 'metric',
  waterTempC: null,
  anglerHeightM: 1.75,
  anglerMassKg: 78,
  maxWadeM: 0.7,
  rodM: 2.4,
  rodHand: 'right',
  landsWithinHalfMetreToM: 12,
  comfortableM: 8,
  methods: {
    holding: 'energy-budget',
    castFrom: 'any-angle',
    stay: 'computed',
    round: 'round',
    wading: 'never-unless',
    dropper: 'cut-when-up',
    hiding: 'creep',
    wind: 'tilt',
    heat: 'kinder',
  },
  species: 'brown',
  fishLengthCm: 25,
  turbidityNtu: 1,
  prey: 'mixed',
  sky: 'clear',
  windMps: 1,
  windFrom: 'unknown',
  polarised: true,
  noticing: { ...NOTICE, tauS: ALARM.tauS, footfall: ALARM.footfall },
  localNotes: '',
  sharpen: 'by-itself',
  solveOn: 'best',
};

export async function settings(): Promise<Settings> {
  const kept = (await readSettings(await book())) as Partial<Settings>;
  return {
    ...DEFAULT_SETTINGS,
    ...kept,
    methods: { ...DEFAULT_SETTINGS.methods, ...kept.methods },
  };
}

export async function changeSettings(values: Partial<Settings>): Promise<void> {
  await writeSettings(await book(), values as Record<string, unknown>);
}
