import type { CastFrom, WindSchool } from '../cast/index';
import type { HeatSchool } from '../day/index';
import type { Species } from '../fish/index';
import type { Method, PreyMix } from '../lies/index';
import { DEFAULT_TACKLE, type Tackle } from '../rig/index';
import { NOTICE, type Sky } from '../sight/index';
import { ALARM, type HidingSchool, type WadingSchool } from '../stalk/index';
import type { UnitSystem } from '../units/index';
import { NO_PRIORS, type Noticing, type Priors } from './priors';

/** Schools that good anglers differ by; each with its default, and the reason beside it on screen. */
export interface Methods {
  holding: Method;
  castFrom: CastFrom;
  stay: 'computed' | 'three-casts' | 'its-rhythm';
  /** A fly that lands hard frightens, or draws. */
  landing: 'soft' | 'hard-draws';
  /** What a look is worth among several fish. */
  worth: 'even' | 'largest';
  /** Which way the water is worked. */
  working: 'up-current' | 'down-current';
  wading: WadingSchool;
  dropper: 'cut-when-up' | 'keep';
  hiding: HidingSchool;
  wind: WindSchool;
  heat: HeatSchool;
}

/** Where the wind blows from, on the water's own terms. */
export const WIND_FROM = ['unknown', 'upstream', 'downstream', 'true-left', 'true-right'] as const;
export type WindFrom = (typeof WIND_FROM)[number];

/** The angler: body, tackle, methods, the water and weather as last seen. */
export interface Settings {
  units: UnitSystem;
  /** Read by the angler; null until typed. */
  waterTempC: number | null;
  /** Where and when (UTC ms); null: here, just now. */
  waterTempAt: { beatId: string; ms: number } | null;
  /** Where the angler's own water must be left alone, C; null: not entered. */
  legalLimitC: number | null;
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
  sky: Sky;
  windMps: number;
  windFrom: WindFrom;
  polarised: boolean;
  /** Flies, rigs and the rods that are ready. */
  tackle: Tackle;
  /** How readily a fish notices: our guesses until the angler's own log says better. */
  noticing: Noticing;
  /** What the record has changed of the models' constants: worked out by the book, never typed. */
  priors: Priors;
  /** Fish a day that the angler may keep where local rules allow it; 0: all go back. */
  keepLimit: number;
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
  waterTempAt: null,
  legalLimitC: null,
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
    landing: 'soft',
    worth: 'even',
    working: 'up-current',
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
  tackle: DEFAULT_TACKLE,
  noticing: { ...NOTICE, tauS: ALARM.tauS, footfall: ALARM.footfall },
  priors: NO_PRIORS,
  keepLimit: 0,
  localNotes: '',
  sharpen: 'by-itself',
  solveOn: 'best',
};

type NumberKey = {
  [K in keyof Settings]: Settings[K] extends number | null ? K : never;
}[keyof Settings];

/** What each figure may be, stated once: lowest, highest, unit. Forms and the server read it here. */
export const SETTING_RANGE: Record<NumberKey, readonly [min: number, max: number, unit: string]> = {
  waterTempC: [0, 30, '°C'],
  legalLimitC: [5, 30, '°C'],
  anglerHeightM: [1, 2.3, 'm'],
  anglerMassKg: [25, 200, 'kg'],
  maxWadeM: [0, 1.5, 'm'],
  rodM: [1, 5, 'm'],
  landsWithinHalfMetreToM: [2, 30, 'm'],
  comfortableM: [2, 30, 'm'],
  fishLengthCm: [8, 60, 'cm'],
  turbidityNtu: [0, 200, 'NTU'],
  windMps: [0, 20, 'm/s'],
  keepLimit: [0, 20, 'fish'],
};

export const NOTICING_RANGE: Record<
  keyof Noticing,
  readonly [min: number, max: number, unit: string]
> = {
  widthM: [0.1, 1.5, 'm'],
  contrastSky: [0.05, 1, ''],
  contrastBank: [0.05, 1, ''],
  contrastPlants: [0.05, 1, ''],
  sunOnAngler: [1, 3, 'times'],
  motionGain: [0, 6, 'times'],
  tauS: [1, 60, 's'],
  footfall: [0, 5, ''],
};

/** Taken, and said, while no temperature has been typed, C. */
export const ASSUMED_TEMP_C = 11;
